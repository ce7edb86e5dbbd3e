'use client';

import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import {
  SPOT_ROLES,
  SPOT_UNIT_IDS,
  SPOT_UNITS,
  type Spot,
  type SpotRole,
  type SpotUnit,
} from '#core/exposure/survey.ts';
import { MIDDLE_GREY, printStopsDecimal } from '#core/units.ts';
import { useSelection } from '#ui/bench/hooks.ts';
import { typed } from '#ui/typed.ts';
import { settingsOf } from './planModel.ts';

const ROLE_IDS = Object.keys(SPOT_ROLES) as SpotRole[];

/** Who or what a spot is: a role, or a face by name. */
const roleValue = ({ role, subjectId }: Spot) => (role === 'skin' && subjectId ? `skin ${subjectId}` : role);

const AT_FIELDS = [
  ['iso', 'ISO', (v: number) => v, (v: number) => v],
  ['iris', 'f/', (v: number) => v, (v: number) => v],
  ['seconds', '1/', (v: number) => Number((1 / v).toFixed(1)), (v: number) => 1 / v],
  ['ndStops', 'ND stops', (v: number) => v, (v: number) => v],
] as const;

/** The settings a reading was taken at; the plan's when the spot was made, changed here. */
const ReadAt = ({ spot, onChange }: { spot: Spot; onChange: (spot: Spot) => void }) => {
  const [texts, setTexts] = useState<Partial<Record<string, string>>>({});
  const { at } = spot;
  if (!at) return null;
  const keep = (id: keyof typeof at, back: (v: number) => number) => {
    const value = typed(texts[id] ?? '');
    setTexts({ ...texts, [id]: undefined });
    if (value > 0 || (id === 'ndStops' && value === 0))
      onChange({ ...spot, at: { ...at, [id]: back(value) } });
  };
  return (
    <p className="spot-at">
      <span className="quiet">read at</span>
      {AT_FIELDS.filter(([id]) => id !== 'iris' || spot.unit === 'meter').map(([id, label, shown, back]) => (
        <label key={id}>
          <span className="quiet">{label}</span>
          <Form.Control
            className="num"
            inputMode="decimal"
            value={texts[id] ?? String(shown(at[id]))}
            onChange={(event) => setTexts({ ...texts, [id]: event.target.value })}
            onBlur={() => texts[id] !== undefined && keep(id, back)}
            onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
          />
        </label>
      ))}
    </p>
  );
};

/** What the light falls on: lux become luminance by it. */
const Surface = ({ spot, onChange }: { spot: Spot; onChange: (spot: Spot) => void }) => {
  const [text, setText] = useState<string>();
  const keep = () => {
    const percent = typed(text ?? '');
    if (percent > 0 && percent <= 100) onChange({ ...spot, reflectance: percent / 100 });
    setText(undefined);
  };
  const wrong = text !== undefined && !(typed(text) > 0 && typed(text) <= 100);
  return (
    <p className="spot-at">
      <label>
        <span className="quiet">on a matt surface of</span>
        <Form.Control
          isInvalid={wrong}
          className="num"
          inputMode="decimal"
          aria-label={`Reflectance of ${spot.name}, percent`}
          value={text ?? String(Number((100 * (spot.reflectance ?? MIDDLE_GREY)).toFixed(1)))}
          onChange={(event) => setText(event.target.value)}
          onBlur={() => text !== undefined && keep()}
          onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
        />
        <span className="quiet">{wrong ? '%: type 1 to 100' : '%'}</span>
      </label>
    </p>
  );
};

/** One reading of the light: what it is, what was read in which unit, where it stands over the card. */
export const SpotRow = ({
  spot,
  stops,
  onChange,
  onRemove,
}: {
  spot: Spot;
  stops?: number;
  onChange: (spot: Spot) => void;
  onRemove: () => void;
}) => {
  const selection = useSelection();
  const { plan, subjects, setup } = selection;
  const [value, setValue] = useState<string>();
  const [name, setName] = useState<string>();
  const unit = SPOT_UNITS[spot.unit];
  const keepValue = () => {
    if (value === undefined) return;
    const next = typed(value);
    if (Number.isFinite(next) && next !== spot.value) onChange({ ...spot, value: next });
    setValue(undefined);
  };
  const keepName = () => {
    if (name !== undefined && name.trim() !== '' && name !== spot.name)
      onChange({ ...spot, name: name.trim() });
    setName(undefined);
  };
  const setRole = (text: string) => {
    const [role, subjectId] = text.split(' ') as [SpotRole, string | undefined];
    onChange({ ...spot, role, subjectId });
  };
  const setUnit = (next: SpotUnit) =>
    onChange({ ...spot, unit: next, at: SPOT_UNITS[next].settings ? settingsOf(plan, setup) : undefined });
  const wrong = value !== undefined && !Number.isFinite(typed(value));
  const enter = (event: { key: string; currentTarget: HTMLElement }) => {
    if (event.key === 'Enter') event.currentTarget.blur();
  };
  return (
    <li className="spot">
      <Form.Control
        aria-label="Name of the spot"
        maxLength={80}
        value={name ?? spot.name}
        onChange={(event) => setName(event.target.value)}
        onBlur={keepName}
        onKeyDown={enter}
      />
      <Form.Select
        aria-label={`What ${spot.name} is`}
        value={roleValue(spot)}
        onChange={(event) => setRole(event.target.value)}
      >
        {ROLE_IDS.filter((id) => id !== 'skin').map((id) => (
          <option key={id} value={id}>
            {SPOT_ROLES[id].name}
          </option>
        ))}
        {subjects.map((subject) => (
          <option key={subject.id} value={`skin ${subject.id}`}>
            face of {subject.name}
          </option>
        ))}
        {spot.role === 'skin' && !subjects.some(({ id }) => id === spot.subjectId) && (
          <option value={roleValue(spot)}>a face</option>
        )}
      </Form.Select>
      <Form.Control
        isInvalid={wrong}
        className="num"
        aria-label={`Reading of ${spot.name}`}
        inputMode="decimal"
        value={value ?? String(spot.value)}
        onChange={(event) => setValue(event.target.value)}
        onBlur={keepValue}
        onKeyDown={enter}
      />
      <Form.Select
        aria-label={`Unit of ${spot.name}`}
        title={unit.name}
        value={spot.unit}
        onChange={(event) => setUnit(event.target.value as SpotUnit)}
      >
        {SPOT_UNIT_IDS.map((id) => (
          <option key={id} value={id}>
            {SPOT_UNITS[id].short}
          </option>
        ))}
      </Form.Select>
      <span className="num spot-stops" title="stops over the card">
        {stops === undefined ? '–' : printStopsDecimal(stops)}
      </span>
      <Button variant="bare" className="icon-button" aria-label={`Take ${spot.name} out`} onClick={onRemove}>
        <Trash2 size={15} aria-hidden />
      </Button>
      {spot.at && unit.settings && <ReadAt spot={spot} onChange={onChange} />}
      {unit.falling && <Surface spot={spot} onChange={onChange} />}
    </li>
  );
};
