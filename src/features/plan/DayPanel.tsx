'use client';

import { useMemo } from 'react';
import { cardMinutes, gigabytes, megabitsPerFrame } from '#core/day/media.ts';
import { shutterTable } from '#core/exposure/shutterTable.ts';
import { printShutter } from '#core/exposure/shutter.ts';
import { camerasOf, setupsOf } from '#store/selection.ts';
import type { BookRecords } from '#store/book.ts';
import type { Selection } from '#store/selection.ts';
import { gradingOf, printMinutes } from '#ui/bench/gradingOf.ts';
import { useRecords, useSelection } from '#ui/bench/hooks.ts';
import type { Column } from '#ui/parts/column.ts';
import { DataTable } from '#ui/parts/DataTable.tsx';
import { TableScroll } from '#ui/parts/TableScroll.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { recordingAt } from './adviceModel.ts';
import { daysOf, type ShootDay } from './dayModel.ts';
import { shuttersOf } from '#store/records/camera.ts';
import { Briefing } from './Briefing.tsx';
import { FlickerPanel } from './FlickerPanel.tsx';
import { HourPanel } from './HourPanel.tsx';
import { OrderPanel } from './OrderPanel.tsx';
import { SlowMotion } from './SlowMotion.tsx';
import { SunPanel } from './SunPanel.tsx';
import { WindowPanel } from './WindowPanel.tsx';
import { dayTotals } from './planWords.ts';
import { words } from '#ui/wording/plan.ts';

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
  const grading = gradingOf(records, setup);
  return { gb, grading, unknown };
};

type Cost = ReturnType<typeof costOf> & { readonly setup: Selection['setup'] };

const sum = (rows: readonly Cost[], of: (row: Cost) => number) =>
  rows.reduce((total, row) => total + of(row), 0);

/** Cards a set-up fills, a tenth kept free on each. */
const cardsFor = (gb: number) => Math.ceil(gb / (CARD_GB * 0.9));

/** A set-up, or a day of them. */
type CostLine = {
  readonly id: string;
  readonly name: string;
  readonly of: readonly Cost[];
  readonly isDay: boolean;
};
const unknownOf = ({ of }: CostLine) => of.flatMap(({ unknown }) => unknown);
const gbOf = ({ of }: CostLine) => sum(of, ({ gb }) => gb);
const minutesOf = ({ of }: CostLine) => sum(of, ({ grading }) => grading);

const COST_COLUMNS: readonly Column<CostLine>[] = [
  { id: 'setup', header: words.setUp, cell: ({ name }) => name },
  {
    id: 'minutes',
    header: words.min,
    className: 'num',
    cell: ({ of }) => sum(of, ({ setup }) => setup.brief.minutes),
  },
  {
    id: 'gb',
    header: words.gb,
    className: 'num',
    cell: (line) => `${gbOf(line).toFixed(0)}${!line.isDay && unknownOf(line).length > 0 ? ' +?' : ''}`,
    title: (line) =>
      unknownOf(line).length > 0 ? `bit rate unknown: ${unknownOf(line).join(', ')}` : undefined,
  },
  { id: 'cards', header: words.cards, className: 'num', cell: ({ of }) => sum(of, ({ gb }) => cardsFor(gb)) },
  {
    id: 'clips',
    header: words.clips,
    className: 'num',
    cell: ({ of }) => sum(of, ({ setup }) => setup.brief.clips),
  },
  {
    id: 'grading',
    header: words.grading,
    className: 'num',
    cell: (line) =>
      line.of.some(({ setup }) => setup.brief.graded) ? printMinutes(minutesOf(line)) : 'none',
  },
];

/** The set-ups of each day, and under those of a longer shoot the day. */
const costLines = (days: readonly ShootDay[], costs: readonly Cost[]): CostLine[] =>
  days.flatMap(({ day, setups }) => {
    const own = costs.filter((cost) => setups.some(({ id }) => id === cost.setup.id));
    const lines = own.map((cost) => ({ id: cost.setup.id, name: cost.setup.name, of: [cost], isDay: false }));
    return days.length > 1
      ? [...lines, { id: `day ${day}`, name: `Day ${day}`, of: own, isDay: true }]
      : lines;
  });

type ShutterRow = ReturnType<typeof shutterTable>[number];
const flickers = (safe: boolean) => (safe ? 'safe' : 'flickers');
const SHUTTER_COLUMNS: readonly Column<ShutterRow>[] = [
  { id: 'fps', header: words.fps, cell: ({ fps }) => fps },
  { id: 'exact', header: '1/x s', className: 'num', cell: ({ exact }) => exact.toFixed(0) },
  { id: 'nearest', header: words.nearest, className: 'num', cell: ({ nearest }) => printShutter(nearest) },
  { id: 'at50', header: words.at50Hz, cell: ({ safe50 }) => flickers(safe50) },
  { id: 'at60', header: words.at60Hz, cell: ({ safe60 }) => flickers(safe60) },
];

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
  const lines = useMemo(() => costLines(days, rows), [days, rows]);
  const shutters = useMemo(() => shutterTable(shuttersOf(camera)), [camera]);
  const total = rows.reduce((sum, { gb }) => sum + gb, 0);
  const grading = rows.reduce((sum, row) => sum + row.grading, 0);
  const recording = recordingAt(camera, setup.fps);
  return (
    <>
      <HourPanel />
      <WindowPanel />
      <div className="plan-columns">
        <div className="kit-side">
          <SunPanel />
          <Panel title={words.mediaAndGrading} note={dayTotals(total, COPIES, printMinutes(grading))}>
            <TableScroll label={words.mediaAndGrading}>
              <DataTable
                label={words.mediaAndGrading}
                className="figures words"
                columns={COST_COLUMNS}
                rows={lines}
                rowKey={({ id }) => id}
                rowProps={({ id, isDay }) => ({
                  className: isDay ? 'sum' : id === setup.id ? 'taken' : undefined,
                })}
              />
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
          <SlowMotion />
          <FlickerPanel />
          <Panel title={words.at180Degrees} note={words.onSOwnList(camera.name)}>
            <DataTable
              label={words.at180Degrees}
              columns={SHUTTER_COLUMNS}
              rows={shutters}
              rowKey={({ fps }) => String(fps)}
              rowProps={({ fps }) => ({ className: fps === setup.fps ? 'taken' : undefined })}
            />
          </Panel>
        </div>
      </div>
    </>
  );
};
