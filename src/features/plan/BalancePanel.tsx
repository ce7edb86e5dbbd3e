'use client';

import { useMemo } from 'react';
import Button from 'react-bootstrap/Button';
import {
  BALANCE_SCHOOLS,
  balanceAnswers,
  castInMired,
  closingGels,
  miredShift,
  printCast,
  SEEN_MIRED,
  type Source,
} from '#core/colour/balance.ts';
import { castEffect, printNeutral, printSkin } from '#core/verdict/castEffect.ts';
import { balancedLight, neutralOf, TINT_STEP } from '#core/colour/lean.ts';
import { planId } from '#store/records/plan.ts';
import type { Selection } from '#store/selection.ts';
import { waterSchema } from '#store/records/setup.ts';
import { MOST_RED_LIFT, underWater } from '#core/water.ts';
import { printStopsDecimal } from '#core/units.ts';
import { useCard, useEditPlan, useRecords, useSelection } from '#ui/bench/hooks.ts';
import { printKelvin, THIN } from '#ui/format.ts';
import { NumberField } from '#ui/forms/NumberField.tsx';
import type { Column } from '#ui/parts/column.ts';
import { DataTable } from '#ui/parts/DataTable.tsx';
import { TableScroll } from '#ui/parts/TableScroll.tsx';
import { reminders } from './dayModel.ts';
import { MiredScale } from './MiredScale.tsx';
import { Term } from '#ui/help/Term.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { Toggle } from '#ui/parts/Toggle.tsx';
import { CAUTION_CLOSE, CAUTIONS } from '#core/cautions.ts';
import { useEditSetup } from '#ui/bench/useEditSetup.ts';
import { words } from '#ui/wording/plan.ts';

const WATER = [
  ['depth', 'Depth, m', 'Type 0 to 200 m'],
  ['distance', 'Distance, m', 'Type 0 to 50 m'],
] as const;

const CHANNELS = ['red', 'green', 'blue'] as const;
type Drowned = { readonly channel: (typeof CHANNELS)[number]; readonly lost: number };
const WATER_COLUMNS: readonly Column<Drowned>[] = [
  { id: 'channel', header: words.channel, cell: ({ channel }) => channel },
  {
    id: 'left',
    header: words.lightLeft,
    className: 'num',
    cell: ({ lost }) => `${(100 * 2 ** -lost).toFixed(lost > 3 ? 1 : 0)} %`,
  },
  { id: 'lost', header: words.stopsLost, className: 'num', cell: ({ lost }) => lost.toFixed(1) },
];

const Water = () => {
  const selection = useSelection();
  const { numbers } = useCard();
  const editSetup = useEditSetup();
  const { water } = selection.setup;
  if (!water) return null;
  const found = underWater(water.depth, water.distance, numbers.floorStops);
  const set = (part: Partial<typeof water>) => editSetup('Water', { water: { ...water, ...part } });
  return (
    <Panel title={words.underWater} note={words.mOfWaterFrom(found.path)}>
      <div className="anchor-form">
        {WATER.map(([id, label, says]) => (
          <NumberField
            key={id}
            className="anchor-half"
            label={label}
            rule={{ schema: waterSchema.shape[id], says }}
            value={water[id]}
            onSet={(value) => set({ [id]: value })}
          />
        ))}
      </div>
      <div className="mt-2">
        <DataTable
          label={words.whatWaterLeavesOf}
          className="figures words"
          columns={WATER_COLUMNS}
          rows={CHANNELS.map((channel) => ({ channel, lost: found.lost[channel] }))}
          rowKey={({ channel }) => channel}
        />
      </div>
      <p className="mt-2">
        Red stands <strong className="num">{found.redUnderGreen.toFixed(1)}</strong> stops under green
        {found.redGone
          ? ': under the floor. Do not raise it in post; bring a lamp close or balance by blue and green.'
          : found.redUnderGreen > MOST_RED_LIFT
            ? `: more than the ${MOST_RED_LIFT} a grade should lift. Balance at depth, or bring a lamp.`
            : ': a balance at depth or a filter brings it back.'}{' '}
        On this camera it is gone from <span className="num">{found.redGoneAt.toFixed(0)}</span>
        {THIN}m down.
      </p>
      <p className="quiet mb-0">
        Absorption of pure water, Pope and Fry 1997; green coastal water takes more, blue too.{' '}
        {CAUTIONS.diving} {CAUTION_CLOSE}
      </p>
    </Panel>
  );
};

/** A light as the camera renders it. */
type Rendered = {
  readonly source: Source;
  /** Mired from the first light, warm +. */
  readonly split: number;
  /** Mired that a neutral there shows, the body's lean in it. */
  readonly cast: number;
  readonly effect: ReturnType<typeof castEffect>;
};

const renderedBy = (
  sources: readonly Source[],
  { camera, plan }: Pick<Selection, 'camera' | 'plan'>,
): Rendered[] =>
  sources.map((source) => ({
    source,
    split: miredShift(source.kelvin, sources[0].kelvin),
    cast: castInMired(source, plan.kelvin, camera.lean?.mired ?? 0),
    effect: castEffect(
      { kelvin: source.kelvin, duv: TINT_STEP * source.tint },
      balancedLight(plan, camera.lean),
    ),
  }));

const figure = (id: string, header: string, of: (row: Rendered) => number): Column<Rendered> => ({
  id,
  header,
  className: 'num',
  cell: (row) => printStopsDecimal(of(row), 0),
  sortBy: of,
});

/** What the camera makes of each light when it is dialled to a Kelvin, and what that does to a neutral and to skin. */
const lightColumns = (kelvin: number): readonly Column<Rendered>[] => [
  {
    id: 'light',
    header: `At ${printKelvin(kelvin)}`,
    cell: ({ source }) => source.name,
    sortBy: ({ source }) => source.name,
  },
  figure('tint', 'Tint', ({ source }) => source.tint),
  figure('split', 'Split', ({ split }) => split),
  figure('cast', 'Cast', ({ cast }) => cast),
  { id: 'neutral', header: words.redBlue, className: 'num', cell: ({ effect }) => printNeutral(effect) },
  { id: 'skin', header: words.skin, className: 'num', cell: ({ effect }) => printSkin(effect) },
];

/** Sources of the set-up on the mired scale, what each school dials, and the gels that close the split. */
export const BalancePanel = () => {
  const selection = useSelection();
  const records = useRecords();
  const editPlan = useEditPlan();
  const editSetup = useEditSetup();
  const { camera, setup, plan } = selection;
  const sources = setup.lightIds.flatMap((id) => records.lights.get(id) ?? []);
  const columns = useMemo(() => lightColumns(plan.kelvin), [plan.kelvin]);
  const first = records.cameras.get(setup.cameraIds[0]);
  const firstPlan = first && records.plans.get(planId(setup.id, first.id));
  const answers = balanceAnswers({
    sources,
    kelvinStep: camera.kelvinStep,
    kelvinRange: camera.kelvinRange,
    leanMired: camera.lean?.mired ?? 0,
    outside: setup.brief.outside,
    changing: setup.brief.changing,
    agreed: first && firstPlan && neutralOf(firstPlan.kelvin, first.lean?.mired ?? 0),
  });
  const closing = closingGels(sources, [...records.gels.values()]);
  const flip = (id: string, name: string) =>
    editSetup(`${name} ${setup.lightIds.includes(id) ? 'off' : 'on'}`, {
      lightIds: setup.lightIds.includes(id)
        ? setup.lightIds.filter((one) => one !== id)
        : [...setup.lightIds, id],
    });
  return (
    <div className="plan-columns">
      <div className="kit-side">
        <Panel title={words.lightsThatPlayHere} note={words.theFirstOneIs}>
          <div className="choices">
            {[...records.lights.values()].map(({ id, name, kelvin }) => (
              <Toggle
                key={id}
                on={setup.lightIds.includes(id)}
                name={`${setup.lightIds[0] === id ? '1  ' : ''}${name} ${printKelvin(kelvin)}`}
                onFlip={() => flip(id, name)}
              />
            ))}
          </div>
          {sources.length === 0 && (
            <p className="quiet mb-0">Pick the light on the skin first, then what else is in frame.</p>
          )}
          {sources.length > 0 && <MiredScale sources={sources} dial={plan.kelvin} />}
          {sources.length > 0 && (
            <TableScroll label={words.whatTheCameraMakes}>
              <DataTable
                label={words.whatTheCameraMakes}
                className="figures words tight"
                columns={columns}
                rows={renderedBy(sources, selection)}
                rowKey={({ source }) => source.id}
              />
            </TableScroll>
          )}
          {sources.length > 0 && (
            <p className="quiet small-print">
              <Term id="split">Split</Term>: <Term id="mired">mired</Term> from the first light, warm +. Cast:
              what a neutral there shows, the body’s <Term id="lean">lean</Term> in it; red and blue: of that
              neutral against its green, stops. Skin: degrees its hue turns (towards yellow +) from the skin
              line of BT.709, and how many times its colour.
            </p>
          )}
          {closing.map(({ source, gel, before, after }) => (
            <p key={source.id} className="mt-2 mb-0">
              {gel.name} on {source.name}: the split of{' '}
              <span className="num">{printStopsDecimal(before, 0)}</span> mired closes to{' '}
              <span className="num">{printStopsDecimal(after, 0)}</span>
              {Math.abs(after) <= SEEN_MIRED ? ', hardly seen' : ''}; it costs {gel.lossStops} stop.
            </p>
          ))}
          {reminders(setup, selection.shoot.sun).map((text) => (
            <p key={text} className="text-warn mt-2 mb-0">
              {text}
            </p>
          ))}
        </Panel>
        <Water />
      </div>
      <Panel
        title={words.whatToDialSchool}
        note={camera.lean ? words.sLeanTakenOff(camera.name) : words.sLeanIsNot(camera.name)}
      >
        {answers.map(({ id, dial, cast }) => (
          <div key={id} className={`balance${dial === undefined ? ' dim' : ''}`}>
            <Button
              variant="bare"
              className="row-pick"
              disabled={dial === undefined}
              aria-pressed={dial === plan.kelvin}
              onClick={() => dial !== undefined && editPlan(`White balance ${dial} K`, { kelvin: dial })}
            >
              <strong>{BALANCE_SCHOOLS[id].name}</strong>{' '}
              <span className="num">
                {dial === undefined ? BALANCE_SCHOOLS[id].without : printKelvin(dial)}
              </span>
            </Button>
            <p className="quiet mb-0">
              {BALANCE_SCHOOLS[id].says}{' '}
              {cast.map(({ source, mired }) => `${source.name} ${printCast(mired)}`).join('; ')}
              {cast.length > 0 && '.'}
            </p>
          </div>
        ))}
      </Panel>
    </div>
  );
};
