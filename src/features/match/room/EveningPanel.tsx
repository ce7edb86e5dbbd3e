'use client';

import { line } from 'd3-shape';
import { BANDS, DRIFT_KINDS } from '#core/room/watch.ts';
import type { DriftKind } from '#core/room/drift.ts';
import { eventSays, sizeWords, type RoomEvent } from '#core/room/events.ts';
import type { Minute } from '#core/room/history.ts';
import { trendOf } from '#core/room/trend.ts';
import { printSigned } from '#core/units.ts';
import type { SetupRecord } from '#store/records/setup.ts';
import { printHours, sunTurns, type Sun } from '#ui/bench/daylight.ts';
import type { RoomBenchState } from '#ui/bench/room/roomState.ts';
import type { Column } from '#ui/parts/column.ts';
import { DataTable } from '#ui/parts/DataTable.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { TableScroll } from '#ui/parts/TableScroll.tsx';
import { words } from '#ui/wording/room.ts';
import { clockOf } from './RoomAnswer.tsx';
import type { RoomCamera } from './roomModel.ts';

const [WIDE, HIGH] = [180, 30];
/** The last events in sight; the sheet has all of them. */
const IN_SIGHT = 8;

/** A kind of drift minute by minute, its band behind it. */
const MinuteChart = ({
  kind,
  minutes,
  label,
}: {
  kind: DriftKind;
  minutes: readonly Minute[];
  label: string;
}) => {
  const { on } = BANDS[kind];
  const told = minutes.flatMap(({ at, drift }) =>
    drift[kind] === undefined ? [] : [[at, drift[kind]] as const],
  );
  const reach = Math.max(2 * on, ...told.map(([, size]) => Math.abs(size)));
  const [first, last] = [told[0]?.[0] ?? 0, told.at(-1)?.[0] ?? 0];
  const path = line<readonly [number, number]>()
    .x(([at]) => (last > first ? (WIDE * (at - first)) / (last - first) : WIDE))
    .y(([, size]) => (HIGH / 2) * (1 - size / reach));
  return (
    <svg className="room-minutes" viewBox={`0 0 ${WIDE} ${HIGH}`} role="img" aria-label={label}>
      <rect
        className="band"
        x={0}
        width={WIDE}
        y={(HIGH / 2) * (1 - on / reach)}
        height={(HIGH * on) / reach}
      />
      <path d={path(told as [number, number][]) ?? ''} />
    </svg>
  );
};

type Row = { readonly kind: DriftKind };

const columnsFor = (
  cameras: readonly RoomCamera[],
  inputs: RoomBenchState['inputs'],
): readonly Column<Row>[] => [
  { id: 'kind', header: words.watched, cell: ({ kind }) => BANDS[kind].name },
  ...cameras.flatMap(({ id, camera: { name } }): Column<Row>[] => {
    const input = inputs[id];
    return [
      {
        id: `now-${id}`,
        header: words.now,
        group: name,
        className: 'num',
        cell: ({ kind }) => {
          const size = input?.drift[kind];
          if (size !== undefined) return printSigned(size, BANDS[kind].digits);
          return kind === 'black' && input ? <span className="quiet">{words.noDark}</span> : '';
        },
      },
      {
        id: `chart-${id}`,
        header: words.minutes,
        group: name,
        cell: ({ kind }) => (
          <MinuteChart
            kind={kind}
            minutes={input?.minutes ?? []}
            label={words.chartOf(BANDS[kind].name, name)}
          />
        ),
      },
    ];
  }),
  {
    id: 'on',
    header: words.toldFrom,
    className: 'num',
    cell: ({ kind }) => `${BANDS[kind].on} ${BANDS[kind].unit}`,
  },
  { id: 'off', header: words.overUnder, className: 'num', cell: ({ kind }) => BANDS[kind].off },
];

const logColumns = (nameOf: (id: string) => string): readonly Column<RoomEvent>[] => [
  { id: 'time', header: words.time, className: 'num', cell: ({ at }) => clockOf(at) },
  { id: 'input', header: words.input, cell: ({ inputId }) => nameOf(inputId) },
  { id: 'what', header: words.what, className: 'words', cell: eventSays },
];

/** What has changed since the moment that was kept, and what happened when. */
export const EveningPanel = ({
  cameras,
  setup,
  sun,
  state: { inputs, evening },
}: {
  cameras: readonly RoomCamera[];
  setup: SetupRecord;
  sun: Sun | undefined;
  state: Pick<RoomBenchState, 'inputs' | 'evening'>;
}) => {
  const isKept = Object.keys(evening.moments).length > 0;
  const nameOf = (id: string) => cameras.find((one) => one.id === id)?.camera.name ?? id;
  const latest = evening.events.slice(-IN_SIGHT).reverse();
  const turns = sun ? sunTurns(setup, sun) : [];
  const trends = cameras.flatMap(({ id, camera: { name } }) =>
    DRIFT_KINDS.flatMap((kind) => {
      const trend = trendOf(inputs[id]?.minutes ?? [], kind);
      if (!trend) return [];
      const going = words.trend(sizeWords(kind, trend.anHour), trend.minutes);
      return [`${name}: ${going}; ${words.toldIn(Math.ceil(trend.toldIn))}.`];
    }),
  );
  return (
    <Panel title={words.evening} note={words.eveningNote} className="room-evening">
      {isKept ? (
        <TableScroll label={words.evening}>
          <DataTable
            className="figures"
            label={words.evening}
            columns={columnsFor(cameras, inputs)}
            rows={DRIFT_KINDS.map((kind) => ({ kind }))}
            rowKey={({ kind }) => kind}
          />
        </TableScroll>
      ) : (
        <p className="quiet">{words.noMoment}</p>
      )}
      {trends.map((text) => (
        <p key={text}>{text}</p>
      ))}
      {turns.map(({ name, hour }) => (
        <p key={name}>{words.sunTurn(name, printHours(hour))}</p>
      ))}
      <h3>{words.log}</h3>
      {latest.length === 0 ? (
        <p className="quiet">{words.nothingHappened}</p>
      ) : (
        <DataTable
          className="figures words"
          label={words.log}
          columns={logColumns(nameOf)}
          rows={latest}
          rowKey={(event) => `${event.at} ${event.inputId} ${event.what} ${eventSays(event)}`}
        />
      )}
    </Panel>
  );
};
