'use client';

import * as z from 'zod/mini';
import { Trash2 } from 'lucide-react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { SPOT_ROLES, SPOT_UNIT_IDS, type Spot, type SpotRole, type SpotUnit } from '#core/exposure/spot.ts';
import { inUnit, SPOT_UNITS } from '#core/exposure/survey.ts';
import { MIDDLE_GREY, printStopsDecimal } from '#core/units.ts';
import { spotSchema, spotSettingsSchema } from '#store/records/setup.ts';
import { positive, positiveTo } from '#store/records/common.ts';
import { useSelection } from '#ui/bench/hooks.ts';
import { NameField } from '#ui/forms/NameField.tsx';
import { NumberField } from '#ui/forms/NumberField.tsx';
import { settingsOf } from './planModel.ts';
import { words } from '#ui/wording/plan.ts';

/** Glass takes light, it gives none. */
const glass = spotSettingsSchema.shape.ndStops.check(z.minimum(0));
const ROLE_IDS = Object.keys(SPOT_ROLES) as SpotRole[];

/** Who or what a spot is: a role, or a face by name. */
const roleValue = ({ role, subjectId }: Spot) => (role === 'skin' && subjectId ? `skin ${subjectId}` : role);

const same = (value: number) => value;
/** Settings a reading was taken at: how each stands in its field, and what is kept of it. */
const AT_FIELDS = [
  { id: 'iso', label: words.iso, says: words.typeAnIsoOver, shown: same, kept: same },
  { id: 'iris', label: 'f/', says: words.typeAnFNumber, shown: same, kept: same },
  {
    id: 'seconds',
    label: '1/',
    says: words.typeTheDenominatorOf,
    shown: (seconds: number) => Number((1 / seconds).toFixed(1)),
    kept: (denominator: number) => 1 / denominator,
  },
  { id: 'ndStops', label: words.ndStops, says: words.typeTheStopsOf, shown: same, kept: same },
] as const;

/** The settings a reading was taken at; the plan's when the spot was made, changed here. */
const ReadAt = ({ spot, onChange }: { spot: Spot; onChange: (spot: Spot) => void }) => {
  const { at } = spot;
  if (!at) return null;
  return (
    <p className="spot-at">
      <span className="quiet">{words.readAt}</span>
      {AT_FIELDS.filter(({ id }) => id !== 'iris' || spot.unit === 'meter').map(
        ({ id, label, says, shown, kept }) => (
          <span key={id} className="spot-setting">
            <span className="quiet" aria-hidden>
              {label}
            </span>
            <NumberField
              isInline
              label={label}
              rule={{ schema: id === 'ndStops' ? glass : positive, says }}
              value={shown(at[id])}
              onSet={(value) => onChange({ ...spot, at: { ...at, [id]: kept(value) } })}
            />
          </span>
        ),
      )}
    </p>
  );
};

/** What the light falls on: lux become luminance by it. */
const Surface = ({ spot, onChange }: { spot: Spot; onChange: (spot: Spot) => void }) => (
  <p className="spot-at">
    <span className="spot-setting">
      <span className="quiet">{words.onAMattSurface}</span>
      <NumberField
        isInline
        label={words.reflectanceOfPercent(spot.name)}
        rule={{ schema: positiveTo(100), says: words.type1To100 }}
        value={Number((100 * (spot.reflectance ?? MIDDLE_GREY)).toFixed(1))}
        onSet={(percent) => onChange({ ...spot, reflectance: percent / 100 })}
      />
      <span className="quiet">%</span>
    </span>
  </p>
);

/** One reading of the light: what it is, what was read in which unit, where it stands over the card. */
export const SpotRow = ({
  spot,
  stops,
  grey,
  isNew = false,
  onChange,
  onRead,
  onRemove,
}: {
  spot: Spot;
  stops?: number;
  /** Luminance of the card, cd/m². */
  grey?: number;
  /** Not read yet: it counts for nothing until a reading is typed. */
  isNew?: boolean;
  onChange: (spot: Spot) => void;
  /** A reading was typed; else it is a change like any other. */
  onRead?: (spot: Spot) => void;
  onRemove: () => void;
}) => {
  const selection = useSelection();
  const { plan, subjects, setup } = selection;
  const unit = SPOT_UNITS[spot.unit];
  const setRole = (text: string) => {
    const [role, subjectId] = text.split(' ') as [SpotRole, string | undefined];
    onChange({ ...spot, role, subjectId });
  };
  const setUnit = (next: SpotUnit) =>
    onChange(
      inUnit(spot, next, settingsOf(plan, setup), {
        grey,
        constants: { k: setup.meterK, c: setup.meterC },
      }),
    );
  return (
    <li className="spot">
      <NameField
        label={words.nameOfTheSpot}
        schema={spotSchema.shape.name}
        value={spot.name}
        onSet={(name) => onChange({ ...spot, name })}
      />
      <Form.Select
        aria-label={words.whatIsNamed(spot.name)}
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
          <option value={roleValue(spot)}>{words.aFace}</option>
        )}
      </Form.Select>
      <NumberField
        isInline
        label={words.readingOfNamed(spot.name)}
        rule={{ schema: spotSchema.shape.value, says: words.typeWhatWasRead(unit.short) }}
        value={spot.value}
        isExample={isNew}
        autoFocus={isNew}
        onSet={(value) => (onRead ?? onChange)({ ...spot, value })}
      />
      <Form.Select
        aria-label={words.unitOfNamed(spot.name)}
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
      <span className="num spot-stops" title={words.stopsOverTheCard}>
        {stops === undefined ? '–' : printStopsDecimal(stops)}
      </span>
      <Button
        variant="bare"
        className="icon-button"
        aria-label={words.takeOutNamed(spot.name)}
        onClick={onRemove}
      >
        <Trash2 size={15} aria-hidden />
      </Button>
      {spot.at && unit.settings && <ReadAt spot={spot} onChange={onChange} />}
      {unit.falling && <Surface spot={spot} onChange={onChange} />}
    </li>
  );
};
