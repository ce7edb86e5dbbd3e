'use client';

import { Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import {
  incidentAgainstSpot,
  luxOfGrey,
  SPOT_ROLES,
  SPOT_UNIT_IDS,
  SPOT_UNITS,
  type Spot,
  type SpotRole,
  type SpotUnit,
  type Survey,
} from '#core/exposure/survey.ts';
import type { Result } from '#core/result.ts';
import { MIDDLE_GREY, printStops, printStopsDecimal } from '#core/units.ts';
import { useBench } from '#ui/bench/BenchProvider.tsx';
import { printLight } from '#ui/format.ts';
import { Panel } from '#ui/parts/Panel.tsx';
import { typed } from '#ui/typed.ts';
import { landsAt, newSpot, settingsOf, spotsOfFrame } from './planModel.ts';
import { useEditSetup } from './useSetup.ts';

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
          <input
            className="form-control num"
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
        <input
          className={`form-control num${wrong ? ' is-invalid' : ''}`}
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

const SpotRow = ({
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
  const { selection } = useBench();
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
  const enter = (event: { key: string; currentTarget: HTMLInputElement }) => {
    if (event.key === 'Enter') event.currentTarget.blur();
  };
  return (
    <li className="spot">
      <input
        className="form-control"
        aria-label="Name of the spot"
        maxLength={80}
        value={name ?? spot.name}
        onChange={(event) => setName(event.target.value)}
        onBlur={keepName}
        onKeyDown={enter}
      />
      <select
        className="form-select"
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
      </select>
      <input
        className={`form-control num${wrong ? ' is-invalid' : ''}`}
        aria-label={`Reading of ${spot.name}`}
        inputMode="decimal"
        value={value ?? String(spot.value)}
        onChange={(event) => setValue(event.target.value)}
        onBlur={keepValue}
        onKeyDown={enter}
      />
      <select
        className="form-select"
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
      </select>
      <span className="num spot-stops" title="stops over the card">
        {stops === undefined ? '–' : printStopsDecimal(stops)}
      </span>
      <button type="button" className="icon-button" aria-label={`Take ${spot.name} out`} onClick={onRemove}>
        <Trash2 size={15} aria-hidden />
      </button>
      {spot.at && unit.settings && <ReadAt spot={spot} onChange={onChange} />}
      {unit.falling && <Surface spot={spot} onChange={onChange} />}
    </li>
  );
};

const Lands = ({ survey }: { survey: Survey }) => {
  const { selection, numbers } = useBench();
  if (survey.grey === undefined)
    return (
      <p className="quiet mb-0">
        All read in stops: the range is known, the settings are not. Read one spot in light.
      </p>
    );
  const lands = landsAt(selection, numbers, survey.grey);
  const off = lands - selection.plan.placement;
  return (
    <p className="mb-0">
      Card <span className="num">{printLight(survey.grey)}</span> cd/m² (
      <span className="num">{printLight(luxOfGrey(survey.grey))}</span> lx): the card’s settings put it at{' '}
      <strong className="num">{printStopsDecimal(lands)}</strong>
      {Math.abs(off) <= 1 / 6 ? (
        ', as planned.'
      ) : (
        <span className="text-warn">, planned {printStops(selection.plan.placement)}.</span>
      )}
    </p>
  );
};

/** A meter constant, one of the usual ones. */
const Constant = ({
  id,
  name,
  value,
  options,
}: {
  id: string;
  name: 'K' | 'C';
  value: number;
  options: readonly number[];
}) => {
  const editSetup = useEditSetup();
  return (
    <select
      id={id}
      className="form-select form-select-sm meter-k"
      value={value}
      onChange={(event) =>
        editSetup(`${name} ${event.target.value}`, { [`meter${name}`]: Number(event.target.value) })
      }
    >
      {[...new Set([...options, value])].map((one) => (
        <option key={one}>{one}</option>
      ))}
    </select>
  );
};

/** The light on the set, spot by spot, on one scale. */
export const SurveyPanel = ({ survey }: { survey: Result<Survey> }) => {
  const { selection, numbers, bench } = useBench();
  const editSetup = useEditSetup();
  const { spots } = selection.setup;
  const measured = bench.measurement;
  const against = incidentAgainstSpot({ k: selection.setup.meterK, c: selection.setup.meterC });
  const change = (label: string, next: readonly Spot[]) => editSetup(label, { spots: [...next] });
  const fromFrame = () => {
    if (!measured) return;
    const found = spotsOfFrame(selection, numbers, measured);
    const ids = new Set(found.map(({ id }) => id));
    change('Spots from the frame', [...found, ...spots.filter(({ id }) => !ids.has(id))]);
  };
  return (
    <Panel
      title="Light on the set"
      tools={
        <>
          {measured && measured.patches.length > 0 && (
            <button type="button" className="btn btn-sm btn-outline-secondary" onClick={fromFrame}>
              From the frame
            </button>
          )}
          <button
            type="button"
            className="btn btn-sm btn-outline-secondary"
            onClick={() => change('New spot', [...spots, newSpot(crypto.randomUUID(), selection)])}
          >
            <Plus size={15} aria-hidden /> Add a spot
          </button>
        </>
      }
    >
      {spots.length === 0 && (
        <p className="quiet">
          Read a grey card first, then what must hold: the brightest and the darkest thing.
        </p>
      )}
      <ul className="spots">
        {spots.map((spot) => (
          <SpotRow
            key={spot.id}
            spot={spot}
            stops={survey.ok ? survey.value.spots.find((one) => one.spot.id === spot.id)?.stops : undefined}
            onChange={(next) =>
              change(
                `Spot ${next.name}`,
                spots.map((one) => (one.id === spot.id ? next : one)),
              )
            }
            onRemove={() =>
              change(
                `${spot.name} out`,
                spots.filter((one) => one.id !== spot.id),
              )
            }
          />
        ))}
      </ul>
      {survey.ok ? (
        <>
          <Lands survey={survey.value} />
          {survey.value.warnings.map((warning) => (
            <p key={warning} className="text-warn mb-0">
              {warning}
            </p>
          ))}
        </>
      ) : (
        spots.length > 0 && (
          <p className="field-error mb-0" role="alert">
            {survey.reason}
          </p>
        )
      )}
      <p className="quiet small-print">
        <label htmlFor="meter-k">Spot meter’s K</label>{' '}
        <Constant id="meter-k" name="K" value={selection.setup.meterK} options={[12.5, 13.4, 14]} />{' '}
        <label htmlFor="meter-c">incident meter’s C</label>{' '}
        <Constant id="meter-c" name="C" value={selection.setup.meterC} options={[250, 320, 340]} /> (ISO
        2720): on an 18 % card the incident one {against > 0 ? 'closes down' : 'opens up'}{' '}
        <span className="num">{Math.abs(against).toFixed(2)}</span> stop against the spot.
      </p>
    </Panel>
  );
};
