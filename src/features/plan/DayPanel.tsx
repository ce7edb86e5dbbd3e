'use client';

import { useMemo } from 'react';
import { cardMinutes, gigabytes, gradingMinutes, megabitsPerFrame } from '#core/day/media.ts';
import { kindOf } from '#core/profile/index.ts';
import { shutterTable } from '#core/exposure/shutterTable.ts';
import { printShutter } from '#core/exposure/shutter.ts';
import { camerasOf, setupsOf } from '#store/selection.ts';
import type { BookRecords } from '#store/book.ts';
import type { Selection } from '#store/selection.ts';
import { planId } from '#store/records/plan.ts';
import { useBench } from '#ui/bench/BenchProvider.tsx';
import { TableScroll } from '#ui/parts/TableScroll.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { recordingAt } from './adviceModel.ts';
import { Briefing } from './Briefing.tsx';
import { shuttersOf } from './planModel.ts';
import { OrderPanel } from './OrderPanel.tsx';
import { SunPanel } from './SunPanel.tsx';

const CARD_GB = 256;
const COPIES = 2;

/** Data and grading time of one set-up, over its cameras. */
const costOf = (records: BookRecords, setup: Selection['setup']) => {
  const cameras = camerasOf(records, setup);
  const gb = cameras.reduce(
    (sum, camera) => sum + gigabytes(recordingAt(camera, setup.fps)?.mbps ?? 0, setup.brief.minutes),
    0,
  );
  const unknown = cameras.filter((camera) => !recordingAt(camera, setup.fps)).map(({ name }) => name);
  const first = cameras[0];
  const profile =
    first &&
    records.profiles.get(records.plans.get(planId(setup.id, first.id))?.profileId ?? first.profileIds[0]);
  const kind = profile ? kindOf(profile.data) : 'finished';
  const grading = setup.brief.graded
    ? gradingMinutes(
        kind === 'log' ? 'log' : kind === 'finished' ? 'finished' : 'flat',
        setup.brief.clips,
        cameras.length,
        setup.brief.minutesPerClip,
      )
    : 0;
  return { gb, grading, unknown };
};

const hours = (minutes: number) => {
  const whole = Math.round(minutes);
  return whole < 60 ? `${whole} min` : `${Math.floor(whole / 60)} h ${whole % 60}`;
};

/** Media, time and shutter for the shoot: sums a client can be told. */
export const DayPanel = () => {
  const { selection, records } = useBench();
  const { camera, shoot, setup } = selection;
  const rows = useMemo(
    () => setupsOf(records, shoot.id).map((one) => ({ setup: one, ...costOf(records, one) })),
    [records, shoot.id],
  );
  const total = rows.reduce((sum, { gb }) => sum + gb, 0);
  const grading = rows.reduce((sum, row) => sum + row.grading, 0);
  const recording = recordingAt(camera, setup.fps);
  return (
    <div className="plan-columns">
      <div className="kit-side">
        <SunPanel />
        <Panel
          title="Media and grading"
          note={`${(total / 1000).toFixed(1)} TB, ${((total * (COPIES + 1)) / 1000).toFixed(1)} with ${COPIES} copies; ${hours(grading)} to grade`}
        >
          <TableScroll label="Media and grading">
            <table className="figures words">
              <thead>
                <tr>
                  <th scope="col">Set-up</th>
                  <th scope="col">Min</th>
                  <th scope="col">GB</th>
                  <th scope="col">Cards</th>
                  <th scope="col">Clips</th>
                  <th scope="col">Grading</th>
                </tr>
              </thead>
              <tbody>
                {rows.map(({ setup: one, gb, grading: minutes, unknown }) => (
                  <tr key={one.id} className={one.id === setup.id ? 'taken' : undefined}>
                    <th scope="row">{one.name}</th>
                    <td className="num">{one.brief.minutes}</td>
                    <td
                      className="num"
                      title={unknown.length > 0 ? `bit rate unknown: ${unknown.join(', ')}` : undefined}
                    >
                      {gb.toFixed(0)}
                      {unknown.length > 0 && ' +?'}
                    </td>
                    <td className="num">{Math.ceil(gb / (CARD_GB * 0.9))}</td>
                    <td className="num">{one.brief.clips}</td>
                    <td className="num">{one.brief.graded ? hours(minutes) : 'none'}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </TableScroll>
          {recording && (
            <p className="quiet mt-2 mb-0">
              Cards of {CARD_GB} GB. {camera.name} at {setup.fps} fps: {recording.mbps} Mb/s,{' '}
              {megabitsPerFrame(recording.mbps, setup.fps).toFixed(1)} Mb a frame; a {CARD_GB} GB card takes{' '}
              {cardMinutes(recording.mbps, CARD_GB).toFixed(0)} min with a tenth free. Grading: one clip in
              full, sisters copied at a fifth, half as much again for each further camera; minutes a clip by
              profile are our own.
            </p>
          )}
        </Panel>
      </div>
      <div className="kit-side">
        <OrderPanel />
        <Briefing />
        <Panel title="180 degrees" note={`on ${camera.name}’s own list`}>
          <table className="figures">
            <thead>
              <tr>
                <th scope="col">fps</th>
                <th scope="col">1/x s</th>
                <th scope="col">Nearest</th>
                <th scope="col">50 Hz</th>
                <th scope="col">60 Hz</th>
              </tr>
            </thead>
            <tbody>
              {shutterTable(shuttersOf(camera)).map((row) => (
                <tr key={row.fps} className={row.fps === setup.fps ? 'taken' : undefined}>
                  <th scope="row">{row.fps}</th>
                  <td className="num">{row.exact.toFixed(0)}</td>
                  <td className="num">{printShutter(row.nearest)}</td>
                  <td>{row.safe50 ? 'safe' : 'flickers'}</td>
                  <td>{row.safe60 ? 'safe' : 'flickers'}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </Panel>
      </div>
    </div>
  );
};
