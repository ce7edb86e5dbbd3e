import { ND_UNITS, type NdUnit } from '#core/exposure/nd.ts';
import { failure, success } from '#core/result.ts';
import { printStopsExact } from '#core/units.ts';
import type { NdSetRecord } from '#store/records/bag.ts';
import { leanSchema } from '#store/records/camera.ts';
import { numbersIn } from '../../camera/field.ts';
import { miredField, signed, tintField, tintWords, type BagKind } from './bagKind.ts';
import { words } from '#ui/wording/kitBag.ts';

type NdValues = {
  readonly kind: NdSetRecord['kind'];
  readonly unit: NdUnit;
  readonly values: string;
  readonly fits: string;
  readonly mired: number;
  readonly tint: number;
};

const leanWords = ({ mired, tint }: NdSetRecord['lean']) =>
  mired === 0 && tint === 0 ? 'neutral' : `leans ${signed(mired)} mired${tintWords(tint)}`;

const NEUTRAL = { mired: 0, tint: 0 };

const GLASS = 'Values: type what is on the glass, such as 0.3 0.6 0.9, or the least and the most.';
const TURNS = 'Values: a variable ND has a least and a most, such as 2 5.';

export const ndSets: BagKind<'ndSets', NdValues> = {
  table: 'ndSets',
  title: words.nd,
  one: 'ND set',
  says: 'Square filters, screw-in filters, a variable ND; as written on the glass.',
  fields: [
    {
      id: 'kind',
      label: words.kind,
      empty: 'fixed',
      options: [
        ['fixed', 'single filters'],
        ['variable', 'one that turns'],
      ],
    },
    {
      id: 'unit',
      label: words.writtenIn,
      empty: 'stops',
      options: Object.entries(ND_UNITS).map(([id, { name }]) => [id, name]),
    },
    { id: 'values', label: words.valuesOrLeastAnd, empty: '', hint: '0.3 0.6 0.9' },
    {
      id: 'fits',
      label: words.goesOn,
      empty: '',
      optionsOf: ({ cameras }) => [
        ['', 'every camera'],
        ...[...cameras.values()].map(({ id, name }) => [id, `only ${name}`] as const),
      ],
    },
    miredField('leans, mired', leanSchema.shape.mired, 300),
    tintField,
  ],
  textsOf: ({ kind, unit, stops, lean, fits }) => ({
    kind,
    unit,
    values: stops.map((s) => Number(ND_UNITS[unit].fromStops(s).toFixed(3))).join(' '),
    fits: fits ?? '',
    mired: String(lean.mired),
    tint: String(lean.tint),
  }),
  make: ({ kind, unit, values, fits, mired, tint }) => {
    const stops = numbersIn(values).map(ND_UNITS[unit].toStops);
    if (stops.length === 0 || !stops.every((s) => s > 0 && s <= 20)) return failure('values', GLASS);
    if (kind === 'variable' && !(stops.length === 2 && stops[1] > stops[0])) return failure('values', TURNS);
    return success({ kind, unit, stops, lean: { mired, tint }, fits: fits || undefined });
  },
  common: [
    {
      name: 'Squares',
      kind: 'fixed',
      unit: 'density',
      stops: [0.3, 0.6, 0.9, 1.2, 1.8].map(ND_UNITS.density.toStops),
      lean: NEUTRAL,
    },
    { name: 'Turning ND', kind: 'variable', unit: 'stops', stops: [2, 5], lean: NEUTRAL },
  ],
  line: ({ kind, unit, stops, lean, fits }, _selection, { cameras }) => {
    const span = stops.map((value) => printStopsExact(value).replace('+', '')).join(' to ');
    const values = kind === 'fixed' ? stops.map(ND_UNITS[unit].print).join(', ') : `turns ${span} stops`;
    const only = fits ? `; only for ${cameras.get(fits)?.name ?? 'a camera that is gone'}` : '';
    return `${values}; ${leanWords(lean)}${only}`;
  },
};
