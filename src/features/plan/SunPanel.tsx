'use client';

import { useMemo, useState } from 'react';
import Form from 'react-bootstrap/Form';
import { dateIn } from '#core/day/clock.ts';
import { sunSchema } from '#store/records/shoot.ts';
import { useBench, useRecords, useSelection } from '#ui/bench/hooks.ts';
import { NumberField } from '#ui/forms/NumberField.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { clockHours, dateOfDay, printHours, sunOfDay, whenOf, type Sun } from '#ui/bench/daylight.ts';
import { daysOf, reminders } from './dayModel.ts';
import { DayStrip } from './DayStrip.tsx';
import { words } from '#ui/wording/plan.ts';

const FIELDS = [
  ['latitude', 'Latitude, north +', 'Type degrees from −90 to 90'],
  ['longitude', 'Longitude, east +', 'Type degrees from −180 to 180'],
  ['clock', 'Clock, h from UTC', 'Type hours from −12 to 14'],
] as const;

/** Days before this one are years half typed. */
const FIRST_DAY = '1900-01-01';

/** Sun times of a typed place and day; kept with the shoot. */
export const SunPanel = () => {
  const { book } = useBench();
  const selection = useSelection();
  const records = useRecords();
  const { shoot, setup } = selection;
  const days = useMemo(() => daysOf(records, shoot.id), [records, shoot.id]);
  const [date, setDate] = useState<string>();
  const sun = shoot.sun ?? { latitude: 0, longitude: 0, date: dateIn(new Date()), clock: 0 };
  const set = (part: Partial<Sun>) =>
    void book.edit({
      label: words.placeAndDay,
      changes: [
        { table: 'shoots', id: shoot.id, before: shoot, after: { ...shoot, sun: { ...sun, ...part } } },
      ],
    });
  const today = whenOf(setup).day;
  const found = shoot.sun && sunOfDay(sun, today);
  const clock = { date: dateOfDay(sun, today), clock: sun.clock };
  return (
    <Panel title={words.theDaysOnThe} note={shoot.place}>
      <div className="anchor-form">
        <Form.Group className="anchor-half" controlId="sun-date">
          <Form.Label>{words.day}</Form.Label>
          <Form.Control
            type="date"
            min={FIRST_DAY}
            value={date ?? sun.date}
            onChange={({ target }) => {
              setDate(target.value);
              const read = sunSchema.shape.date.safeParse(target.value);
              // A year half typed is a date as well, of the year 20.
              if (read.success && read.data >= FIRST_DAY) set({ date: read.data });
            }}
            onBlur={() => setDate(undefined)}
          />
        </Form.Group>
        {FIELDS.map(([id, label, says]) => (
          <NumberField
            key={id}
            className="anchor-half"
            label={label}
            rule={{ schema: sunSchema.shape[id], says }}
            value={sun[id]}
            onSet={(value) => set({ [id]: value })}
          />
        ))}
      </div>
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
