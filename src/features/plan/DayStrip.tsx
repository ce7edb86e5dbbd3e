'use client';

import { scaleLinear } from 'd3-scale';
import { useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { SunDay } from '#core/day/sun.ts';
import type { SetupRecord } from '#store/records/setup.ts';
import { setupsOf } from '#store/selection.ts';
import { useBench, useRecords, useSelect, useSelection } from '#ui/bench/hooks.ts';
import {
  clockHours,
  dateOfDay,
  hoursOnSet,
  printHours,
  sunOfDay,
  whenOf,
  type Sun,
  type When,
} from '#ui/bench/daylight.ts';
import { movedTo, type ShootDay } from './dayModel.ts';
import { words } from '#ui/wording/plan.ts';

const WIDTH = 460;
const ROW = 22;
const SKY = 12;
const x = scaleLinear([0, 24], [4, WIDTH - 4]);

/** Dark, twilight, golden, day. */
const SPANS = [
  ['dawn', 'sunrise', 'twilight'],
  ['sunrise', 'goldenEnd', 'gold'],
  ['goldenEnd', 'golden', 'daylight'],
  ['golden', 'sunset', 'gold'],
  ['sunset', 'dusk', 'twilight'],
] as const;

const Sky = ({ sky, sun, day }: { sky: SunDay; sun: Sun; day: number }) => {
  const clock = { date: dateOfDay(sun, day), clock: sun.clock };
  const at = (id: string) => {
    const event = sky.events.find((one) => one.id === id);
    return event && clockHours(event.at, clock);
  };
  return (
    <g>
      <rect
        className={sky.polar === 'alwaysUp' ? 'daylight' : 'night'}
        x={x(0)}
        width={x(24) - x(0)}
        height={SKY}
      />
      {SPANS.map(([from, to, kind]) => {
        const [a, b] = [at(from), at(to)];
        if (a === undefined || b === undefined) return null;
        const [left, right] = [x(Math.max(0, a)), x(Math.min(24, b))];
        return <rect key={from} className={kind} x={left} width={Math.max(0, right - left)} height={SKY} />;
      })}
    </g>
  );
};

/** A day of the shoot: its light, and its set-ups on the clock, dragged or nudged by arrow keys. */
export const DayStrip = ({ of: { day, setups }, sun }: { of: ShootDay; sun: Sun | undefined }) => {
  const { book } = useBench();
  const selection = useSelection();
  const records = useRecords();
  const select = useSelect();
  const [drag, setDrag] = useState<{ id: string; hour: number; grip: number }>();
  const sky = sun && sunOfDay(sun, day);
  const height = SKY + ROW * Math.max(1, setups.length) + 18;
  const move = (setup: SetupRecord, when: When) => {
    const changes = movedTo(setupsOf(records, selection.shoot.id), setup.id, when);
    if (changes.length > 0) void book.edit({ label: `${setup.name} at ${printHours(when.hour)}`, changes });
  };
  const hourUnder = (event: PointerEvent<SVGElement>) => {
    const svg = event.currentTarget.ownerSVGElement;
    if (!svg) return 0;
    const box = svg.getBoundingClientRect();
    return x.invert(((event.clientX - box.left) / box.width) * WIDTH);
  };
  const onKey = (setup: SetupRecord, event: KeyboardEvent) => {
    const { day: at, hour } = whenOf(setup);
    const next = {
      ArrowLeft: { day: at, hour: hour - 0.25 },
      ArrowRight: { day: at, hour: hour + 0.25 },
      ArrowUp: { day: at - 1, hour },
      ArrowDown: { day: at + 1, hour },
    }[event.key];
    if (event.key === 'Enter') select({ setup: setup.id });
    if (!next) return;
    event.preventDefault();
    move(setup, next);
  };
  return (
    <svg
      className="day-strip"
      viewBox={`0 0 ${WIDTH} ${height}`}
      role="group"
      aria-label={words.dayNumbered(day)}
    >
      {sky?.ok && sun ? (
        <Sky sky={sky.value} sun={sun} day={day} />
      ) : (
        <rect className="night" x={x(0)} width={x(24) - x(0)} height={SKY} />
      )}
      {[0, 3, 6, 9, 12, 15, 18, 21, 24].map((hour) => (
        <g key={hour} className="grid">
          <line x1={x(hour)} x2={x(hour)} y1={SKY} y2={height - 18} />
          <text x={x(hour)} y={height - 2} textAnchor={hour === 0 ? 'start' : hour === 24 ? 'end' : 'middle'}>
            {hour}
          </text>
        </g>
      ))}
      {setups.map((setup, i) => {
        const hour = drag?.id === setup.id ? drag.hour : whenOf(setup).hour;
        const left = x(hour);
        const width = Math.max(16, x(Math.min(24, hour + hoursOnSet(setup))) - left);
        const right = left + width > WIDTH * 0.63;
        return (
          <g key={setup.id} className={setup.id === selection.setup.id ? 'block taken' : 'block'}>
            <rect
              role="slider"
              tabIndex={0}
              aria-label={words.startsNamed(setup.name)}
              aria-valuemin={0}
              aria-valuemax={24}
              aria-valuenow={hour}
              aria-valuetext={`day ${day}, ${printHours(hour)}`}
              x={left}
              width={width}
              y={SKY + ROW * i + 3}
              height={ROW - 6}
              rx={2}
              onKeyDown={(event) => onKey(setup, event)}
              onDoubleClick={() => select({ setup: setup.id })}
              onPointerDown={(event) => {
                event.currentTarget.setPointerCapture(event.pointerId);
                setDrag({ id: setup.id, hour, grip: hourUnder(event) - hour });
              }}
              onPointerMove={(event) => {
                if (drag?.id !== setup.id) return;
                const next = Math.round((hourUnder(event) - drag.grip) * 4) / 4;
                setDrag({ ...drag, hour: Math.min(23.75, Math.max(0, next)) });
              }}
              onPointerUp={() => {
                if (drag && drag.hour !== whenOf(setup).hour) move(setup, { day, hour: drag.hour });
                setDrag(undefined);
              }}
              onPointerCancel={() => setDrag(undefined)}
            />
            <text
              x={right ? left - 6 : left + width + 6}
              y={SKY + ROW * i + 15}
              textAnchor={right ? 'end' : 'start'}
              pointerEvents="none"
            >
              {printHours(hour)} {setup.name}
            </text>
          </g>
        );
      })}
    </svg>
  );
};
