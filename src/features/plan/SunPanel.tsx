'use client';

import { scaleLinear } from 'd3';
import { useState } from 'react';
import { sunDay, type SunDay } from '#core/day/sun.ts';
import type { ShootRecord } from '#store/records/shoot.ts';
import { useBench } from '#ui/bench/BenchProvider.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { typed } from '#ui/typed.ts';

type Sun = NonNullable<ShootRecord['sun']>;

const FIELDS = [
  ['latitude', 'Latitude, north +', -90, 90],
  ['longitude', 'Longitude, east +', -180, 180],
  ['clock', 'Clock, h from UTC', -12, 14],
] as const;

const HOUR = 3_600_000;
const WIDTH = 900;
const x = scaleLinear([0, 24], [4, WIDTH - 4]);

/** Hours on the clock of the place, 0..24 of its own day. */
const hoursOf = (at: Date, { date, clock }: Sun) =>
  (at.getTime() - Date.parse(`${date}T00:00:00Z`)) / HOUR + clock;
const printHours = (hours: number) => {
  const minutes = Math.round((((hours % 24) + 24) % 24) * 60);
  return `${String(Math.floor(minutes / 60) % 24).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`;
};

/** The day as a strip: dark, twilight, golden, day. */
const Strip = ({ day, sun }: { day: SunDay; sun: Sun }) => {
  const at = (id: string) => {
    const event = day.events.find((one) => one.id === id);
    return event && hoursOf(event.at, sun);
  };
  const spans = (
    [
      ['dawn', 'sunrise', 'twilight'],
      ['sunrise', 'goldenEnd', 'gold'],
      ['goldenEnd', 'golden', 'daylight'],
      ['golden', 'sunset', 'gold'],
      ['sunset', 'dusk', 'twilight'],
    ] as const
  ).flatMap(([from, to, kind]) => {
    const [a, b] = [at(from), at(to)];
    return a === undefined || b === undefined
      ? []
      : [{ kind, from: Math.max(0, a), to: Math.min(24, b), key: from }];
  });
  return (
    <svg
      className="day-strip"
      viewBox={`0 0 ${WIDTH} 64`}
      role="img"
      aria-label={day.events
        .map(({ name, at: when }) => `${name} ${printHours(hoursOf(when, sun))}`)
        .join(', ')}
    >
      <rect
        className={day.polar === 'alwaysUp' ? 'daylight' : 'night'}
        x={x(0)}
        width={x(24) - x(0)}
        y={8}
        height={24}
      />
      {spans.map(({ kind, from, to, key }) => (
        <rect key={key} className={kind} x={x(from)} width={Math.max(0, x(to) - x(from))} y={8} height={24} />
      ))}
      {[0, 3, 6, 9, 12, 15, 18, 21, 24].map((hour) => (
        <g key={hour} className="grid">
          <line x1={x(hour)} x2={x(hour)} y1={32} y2={38} />
          <text x={x(hour)} y={52} textAnchor={hour === 0 ? 'start' : hour === 24 ? 'end' : 'middle'}>
            {hour}
          </text>
        </g>
      ))}
    </svg>
  );
};

/** Sun times of a typed place and day; kept with the shoot. */
export const SunPanel = () => {
  const { selection, book } = useBench();
  const { shoot } = selection;
  const [texts, setTexts] = useState<Partial<Record<keyof Sun, string>>>({});
  const sun = shoot.sun ?? {
    latitude: 0,
    longitude: 0,
    date: new Date().toISOString().slice(0, 10),
    clock: 0,
  };
  const wrong = FIELDS.find(([id, , low, high]) => {
    const text = texts[id];
    return text !== undefined && !(typed(text) >= low && typed(text) <= high);
  });
  const set = (id: keyof Sun, text: string) => {
    setTexts({ ...texts, [id]: text });
    const field = FIELDS.find(([one]) => one === id);
    const value = id === 'date' ? text : typed(text);
    if (text.trim() === '' || (field && !((value as number) >= field[2] && (value as number) <= field[3])))
      return;
    void book.edit({
      label: 'Place and day',
      changes: [
        { table: 'shoots', id: shoot.id, before: shoot, after: { ...shoot, sun: { ...sun, [id]: value } } },
      ],
    });
  };
  const day = shoot.sun ? sunDay(sun.date, sun) : undefined;
  return (
    <Panel title="Sun" note={shoot.place}>
      <div className="anchor-form">
        <div className="anchor-half">
          <label htmlFor="sun-date">Day</label>
          <input
            id="sun-date"
            type="date"
            className="form-control"
            value={texts.date ?? sun.date}
            onChange={(event) => set('date', event.target.value)}
          />
        </div>
        {FIELDS.map(([id, label]) => (
          <div className="anchor-half" key={id}>
            <label htmlFor={`sun-${id}`}>{label}</label>
            <input
              id={`sun-${id}`}
              className={`form-control num${wrong?.[0] === id ? ' is-invalid' : ''}`}
              inputMode="decimal"
              value={texts[id] ?? String(sun[id])}
              onChange={(event) => set(id, event.target.value)}
            />
          </div>
        ))}
      </div>
      {wrong && (
        <p className="field-error" role="alert">
          {wrong[1]}: type {wrong[2]} to {wrong[3]}; {sun[wrong[0]]} stays.
        </p>
      )}
      {day?.ok && (
        <>
          <Strip day={day.value} sun={sun} />
          <p className="sun-times">
            {day.value.events.map(({ id, name, at }) => (
              <span key={id}>
                {name} <strong className="num">{printHours(hoursOf(at, sun))}</strong>
              </span>
            ))}
          </p>
          {day.value.says && <p className="text-warn mb-0">{day.value.says}</p>}
        </>
      )}
      {day && !day.ok && <p className="field-error">{day.reason}</p>}
      {!day && <p className="quiet mb-0">Type the place, and the day’s light stands here.</p>}
    </Panel>
  );
};
