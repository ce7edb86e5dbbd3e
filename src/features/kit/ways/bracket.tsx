'use client';

import { printStops } from '#core/units.ts';
import { ScaleSelect } from '../ScaleSelect.tsx';
import { bracketFrom, solveBracket, type BracketFields } from './bracketModel.ts';
import type { Way, WayProps } from './way.ts';

const Fields = ({ fields, onChange, failure }: WayProps<BracketFields>) => (
  <>
    <p className="anchor-wide quiet">
      Film a grey card, lens and light locked; move only the shutter. Type what waveform or zebra reads; leave
      empty what you did not film.
    </p>
    <ScaleSelect id="bracket-scale" value={fields.scale} onPick={(scale) => onChange({ ...fields, scale })} />
    {fields.readings.map(({ stops, text }, i) => (
      <div className="anchor-sixth" key={stops}>
        <label htmlFor={`bracket-${stops}`}>{printStops(stops)}</label>
        <input
          id={`bracket-${stops}`}
          className={`form-control num${failure?.where === `at ${printStops(stops)}` ? ' is-invalid' : ''}`}
          inputMode="decimal"
          autoComplete="off"
          value={text}
          onChange={(event) =>
            onChange({
              ...fields,
              readings: fields.readings.map((r, n) => (n === i ? { ...r, text: event.target.value } : r)),
            })
          }
        />
      </div>
    ))}
  </>
);

export const bracket: Way<BracketFields> = {
  id: 'bracket',
  name: 'Bracket',
  says: 'A grey card filmed from under to over by shutter: the curve, its clip and what lies off.',
  start: bracketFrom,
  solve: solveBracket,
  Fields,
};
