'use client';

import { Fragment, useMemo } from 'react';
import Table from 'react-bootstrap/Table';
import { bitsPerPixel, cardMinutes, gigabytes, gradingMinutes, megabitsPerFrame } from '#core/day/media.ts';
import { kindOf } from '#core/profile/index.ts';
import { shutterTable } from '#core/exposure/shutterTable.ts';
import { printShutter } from '#core/exposure/shutter.ts';
import { camerasOf, setupsOf } from '#store/selection.ts';
import type { BookRecords } from '#store/book.ts';
import type { Selection } from '#store/selection.ts';
import { planId } from '#store/records/plan.ts';
import { useRecords, useSelection } from '#ui/bench/hooks.ts';
import { TableScroll } from '#ui/parts/TableScroll.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { PIXELS, recordingAt } from './adviceModel.ts';
import { daysOf } from './dayModel.ts';
import { shuttersOf, type CameraRecord } from '#store/records/camera.ts';
import { Briefing } from './Briefing.tsx';
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

type Cost = ReturnType<typeof costOf> & { readonly setup: Selection['setup'] };

const sum = (rows: readonly Cost[], of: (row: Cost) => number) =>
  rows.reduce((total, row) => total + of(row), 0);

/** Cards a set-up fills, a tenth kept free on each. */
const cardsFor = (gb: number) => Math.ceil(gb / (CARD_GB * 0.9));

const CostRow = ({ row: { setup, gb, grading, unknown }, taken }: { row: Cost; taken: boolean }) => (
  <tr className={taken ? 'taken' : undefined}>
    <th scope="row">{setup.name}</th>
    <td className="num">{setup.brief.minutes}</td>
    <td className="num" title={unknown.length > 0 ? `bit rate unknown: ${unknown.join(', ')}` : undefined}>
      {gb.toFixed(0)}
      {unknown.length > 0 && ' +?'}
    </td>
    <td className="num">{cardsFor(gb)}</td>
    <td className="num">{setup.brief.clips}</td>
    <td className="num">{setup.brief.graded ? hours(grading) : 'none'}</td>
  </tr>
);

/** Frame rates people slow down from. */
const SLOW = [24, 25, 30, 50, 60, 100, 120] as const;

/** What each frame rate leaves a frame: slow motion is compared by the pixel, not by Mb/s. */
const SlowMotion = ({ camera, fps }: { camera: CameraRecord; fps: number }) => {
  const rows = SLOW.flatMap((rate) => {
    const recording = recordingAt(camera, rate);
    return recording ? [{ rate, recording }] : [];
  });
  if (rows.length === 0) return null;
  return (
    <Panel title="Bits a pixel" note={`${camera.name}, slow motion by the frame, not by Mb/s`}>
      <Table className="figures words">
        <thead>
          <tr>
            <th scope="col">fps</th>
            <th scope="col">Codec</th>
            <th scope="col">Mb/s</th>
            <th scope="col">Mb a frame</th>
            <th scope="col">Bits a pixel</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ rate, recording: { codec, mbps } }) => (
            <tr key={rate} className={rate === fps ? 'taken' : undefined}>
              <th scope="row">{rate}</th>
              <td>{codec}</td>
              <td className="num">{mbps}</td>
              <td className="num">{megabitsPerFrame(mbps, rate).toFixed(1)}</td>
              <td className="num">{bitsPerPixel(mbps, rate, PIXELS.width, PIXELS.height).toFixed(2)}</td>
            </tr>
          ))}
        </tbody>
      </Table>
      <p className="quiet small-print">
        Of a {PIXELS.width} × {PIXELS.height} picture; as fast as the camera’s list reaches.
      </p>
    </Panel>
  );
};

/** Media, time and shutter for the shoot: sums a client can be told. */
export const DayPanel = () => {
  const selection = useSelection();
  const records = useRecords();
  const { camera, shoot, setup } = selection;
  const rows = useMemo(
    () => setupsOf(records, shoot.id).map((one) => ({ setup: one, ...costOf(records, one) })),
    [records, shoot.id],
  );
  const days = useMemo(() => daysOf(records, shoot.id), [records, shoot.id]);
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
            <Table className="figures words">
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
                {days.map(({ day, setups }) => {
                  const own = rows.filter((row) => setups.some(({ id }) => id === row.setup.id));
                  return (
                    <Fragment key={day}>
                      {own.map((row) => (
                        <CostRow key={row.setup.id} row={row} taken={row.setup.id === setup.id} />
                      ))}
                      {days.length > 1 && (
                        <tr className="sum">
                          <th scope="row">Day {day}</th>
                          <td className="num">{sum(own, (row) => row.setup.brief.minutes)}</td>
                          <td className="num">{sum(own, ({ gb }) => gb).toFixed(0)}</td>
                          <td className="num">{sum(own, ({ gb }) => cardsFor(gb))}</td>
                          <td className="num">{sum(own, (row) => row.setup.brief.clips)}</td>
                          <td className="num">{hours(sum(own, (row) => row.grading))}</td>
                        </tr>
                      )}
                    </Fragment>
                  );
                })}
              </tbody>
            </Table>
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
        <SlowMotion camera={camera} fps={setup.fps} />
        <Panel title="180 degrees" note={`on ${camera.name}’s own list`}>
          <Table className="figures">
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
          </Table>
        </Panel>
      </div>
    </div>
  );
};
