'use client';

import { useMemo, useState } from 'react';
import Form from 'react-bootstrap/Form';
import { useBench, useRecords, useSelection } from '#ui/bench/hooks.ts';
import { Panel } from '#ui/parts/Panel.tsx';
import { typed } from '#ui/typed.ts';
import {
  clockHours,
  dateOfDay,
  daysOf,
  printHours,
  reminders,
  sunOfDay,
  whenOf,
  type Sun,
} from './dayModel.ts';
import { DayStrip } from './DayStrip.tsx';

const FIELDS = [
  ['latitude', 'Latitude, north +', -90, 90],
  ['longitude', 'Longitude, east +', -180, 180],
  ['clock', 'Clock, h from UTC', -12, 14],
] as const;

/** Sun times of a typed place and day; kept with the shoot. */
export const SunPanel = () => {
  const { book } = useBench();
  const selection = useSelection();
  const records = useRecords();
  const { shoot, setup } = selection;
  const days = useMemo(() => daysOf(records, shoot.id), [records, shoot.id]);
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
  const today = whenOf(setup).day;
  const found = shoot.sun && sunOfDay(sun, today);
  const clock = { date: dateOfDay(sun, today), clock: sun.clock };
  return (
    <Panel title="The days on the clock" note={shoot.place}>
      <div className="anchor-form">
        <div className="anchor-half">
          <label htmlFor="sun-date">Day</label>
          <Form.Control
            id="sun-date"
            type="date"
            value={texts.date ?? sun.date}
            onChange={(event) => set('date', event.target.value)}
          />
        </div>
        {FIELDS.map(([id, label]) => (
          <div className="anchor-half" key={id}>
            <label htmlFor={`sun-${id}`}>{label}</label>
            <Form.Control
              id={`sun-${id}`}
              isInvalid={wrong?.[0] === id}
              className="num"
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
      {days.map((one) => (
        <div key={one.day}>
          <p className="day-name">
            Day {one.day} <span className="quiet">{shoot.sun ? dateOfDay(sun, one.day) : ''}</span>
          </p>
          <DayStrip of={one} sun={shoot.sun} />
        </div>
      ))}
      <p className="quiet small-print">
        Drag a set-up along its day, or arrow keys by a quarter of an hour and from day to day. Length: three
        times what it records.
      </p>
      {found?.ok && (
        <>
          <p className="sun-times">
            <span>Day {today}</span>
            {found.value.events.map(({ id, name, at }) => (
              <span key={id}>
                {name} <strong className="num">{printHours(clockHours(at, clock))}</strong>
              </span>
            ))}
          </p>
          {found.value.says && <p className="text-warn mb-0">{found.value.says}</p>}
        </>
      )}
      {found && !found.ok && <p className="field-error">{found.reason}</p>}
      {!found && <p className="quiet mb-0">Type the place, and the day’s light stands here.</p>}
      {reminders(setup, shoot.sun).map((text) => (
        <p key={text} className="text-warn mb-0">
          {setup.name}: {text}
        </p>
      ))}
    </Panel>
  );
};
