import { miredShift } from '#core/colour/balance.ts';
import { ND_UNITS, type NdUnit } from '#core/exposure/nd.ts';
import { failure, success, type Result } from '#core/result.ts';
import { parseStops, printStops, printStopsDecimal, printStopsExact } from '#core/units.ts';
import type { BookRecords } from '#store/book.ts';
import type { Change, Edit } from '#store/edits.ts';
import type { Selection } from '#store/selection.ts';
import { TABLES, type RecordOf } from '#store/tables.ts';
import { numbersIn } from '../camera/field.ts';
import { typed } from '../ways/way.ts';

/** Tables of the kit that are kept as short lists. */
export type BagTable = 'ndSets' | 'lights' | 'gels' | 'monitors' | 'subjects';

export type BagTexts = Readonly<Record<string, string>>;
type BagField = {
  readonly id: string;
  readonly label: string;
  /** Text when nothing is typed yet. */
  readonly empty: string;
  readonly options?: readonly (readonly [string, string])[];
  /** Options that come from the kit. */
  readonly optionsOf?: (records: BookRecords) => readonly (readonly [string, string])[];
  readonly hint?: string;
};

/** One kind of thing in the bag: its questions, how a record answers them, and what the answers make. */
export type BagKind<T extends BagTable = BagTable> = {
  readonly table: T;
  readonly title: string;
  readonly one: string;
  readonly says: string;
  readonly fields: readonly BagField[];
  readonly textsOf: (record: RecordOf<T>) => BagTexts;
  readonly read: (texts: BagTexts, id: string, selection: Selection) => Result<unknown>;
  /** What stands behind the name in the list. */
  readonly line: (record: RecordOf<T>, selection: Selection, records: BookRecords) => string;
  readonly rows?: (records: BookRecords, selection: Selection) => readonly RecordOf<T>[];
  /** Further changes when one is added or taken out. */
  readonly added?: (id: string, selection: Selection) => readonly Change[];
  readonly removed?: (id: string, records: BookRecords) => readonly Change[];
};

const NAME: BagField = { id: 'name', label: 'Name', empty: '' };
const leanFields = [
  { id: 'mired', label: 'leans, mired', empty: '0', hint: 'warm +' },
  { id: 'tint', label: 'tint', empty: '0', hint: 'thousandths of Duv, green +' },
] as const;

const number = (
  texts: BagTexts,
  id: string,
  label: string,
  ok: (v: number) => boolean,
  such: string,
): Result<number> => {
  const value = typed(texts[id]);
  return ok(value) ? success(value) : failure(id, `${label}: type ${such}.`);
};
const all = <T extends Readonly<Record<string, Result<number>>>>(
  parts: T,
): Result<{ [K in keyof T]: number }> => {
  const values: Record<string, number> = {};
  for (const [key, part] of Object.entries(parts)) {
    if (!part.ok) return part;
    values[key] = part.value;
  }
  return success(values as { [K in keyof T]: number });
};
const tintOf = (texts: BagTexts) =>
  number(texts, 'tint', 'Tint', (v) => Math.abs(v) <= 100, 'thousandths of Duv from −100 to 100, green +');
const miredOf = (texts: BagTexts, most: number) =>
  number(texts, 'mired', 'Mired', (v) => Math.abs(v) <= most, `a shift from −${most} to ${most}, warm +`);
const signed = (value: number) =>
  value === 0 ? '0' : printStopsDecimal(value, Number.isInteger(value) ? 0 : 1);
const leanWords = ({ mired, tint }: { mired: number; tint: number }) =>
  mired === 0 && tint === 0
    ? 'neutral'
    : `leans ${signed(mired)} mired${tint === 0 ? '' : `, tint ${signed(tint)}`}`;

const ndSets: BagKind<'ndSets'> = {
  table: 'ndSets',
  title: 'ND',
  one: 'ND set',
  says: 'Squares, caps, a turning filter; as written on the glass.',
  fields: [
    NAME,
    {
      id: 'kind',
      label: 'Kind',
      empty: 'fixed',
      options: [
        ['fixed', 'single filters'],
        ['variable', 'one that turns'],
      ],
    },
    {
      id: 'unit',
      label: 'Written in',
      empty: 'stops',
      options: Object.entries(ND_UNITS).map(([id, { name }]) => [id, name]),
    },
    { id: 'values', label: 'Values, or least and most', empty: '', hint: '0.3 0.6 0.9' },
    {
      id: 'fits',
      label: 'Goes on',
      empty: '',
      optionsOf: ({ cameras }) => [
        ['', 'every camera'],
        ...[...cameras.values()].map(({ id, name }) => [id, `only ${name}`] as const),
      ],
    },
    ...leanFields,
  ],
  textsOf: ({ name, kind, unit, stops, lean, fits }) => ({
    name,
    kind,
    unit,
    values: stops.map((s) => Number(ND_UNITS[unit].fromStops(s).toFixed(2))).join(' '),
    fits: fits ?? '',
    mired: String(lean.mired),
    tint: String(lean.tint),
  }),
  read: (texts, id) => {
    const unit = texts.unit as NdUnit;
    const stops = numbersIn(texts.values).map(ND_UNITS[unit].toStops);
    if (stops.length === 0 || !stops.every((s) => s > 0 && s <= 20))
      return failure(
        'values',
        'Values: type what is on the glass, such as 0.3 0.6 0.9, or the least and the most.',
      );
    if (texts.kind === 'variable' && !(stops.length === 2 && stops[1] > stops[0]))
      return failure('values', 'Values: a filter that turns has a least and a most, such as 2 5.');
    const lean = all({ mired: miredOf(texts, 300), tint: tintOf(texts) });
    if (!lean.ok) return lean;
    const fits = texts.fits || undefined;
    return success({ id, name: texts.name, kind: texts.kind, unit, stops, lean: lean.value, fits });
  },
  line: ({ kind, unit, stops, lean, fits }, _selection, { cameras }) => {
    const span = stops.map((value) => printStopsExact(value).replace('+', '')).join(' to ');
    const values = kind === 'fixed' ? stops.map(ND_UNITS[unit].print).join(', ') : `turns ${span} stops`;
    return `${values}; ${leanWords(lean)}${fits ? `; only for ${cameras.get(fits)?.name ?? 'a camera that is gone'}` : ''}`;
  },
};

const lights: BagKind<'lights'> = {
  table: 'lights',
  title: 'Lights',
  one: 'light',
  says: 'Lamps and skies, measured or off the box; the split is against the dial of this plan.',
  fields: [
    NAME,
    { id: 'kelvin', label: 'Kelvin', empty: '5600' },
    { id: 'tint', label: 'tint', empty: '0', hint: 'thousandths of Duv, green +' },
  ],
  textsOf: ({ name, kelvin, tint }) => ({ name, kelvin: String(kelvin), tint: String(tint) }),
  read: (texts, id) => {
    const kelvin = number(
      texts,
      'kelvin',
      'Kelvin',
      (v) => v >= 1000 && v <= 25_000,
      '1000 to 25000, such as 5600',
    );
    const parts = all({ kelvin, tint: tintOf(texts) });
    return parts.ok ? success({ id, name: texts.name, ...parts.value }) : parts;
  },
  line: ({ kelvin, tint }, { plan }) =>
    `${kelvin} K, ${(1e6 / kelvin).toFixed(0)} mired${tint === 0 ? '' : `, tint ${signed(tint)}`}; ${signed(Math.round(miredShift(kelvin, plan.kelvin)))} mired off the dial`,
};

const gels: BagKind<'gels'> = {
  table: 'gels',
  title: 'Gels',
  one: 'gel',
  says: 'Mired shifts add up; each costs light.',
  fields: [
    NAME,
    { id: 'mired', label: 'shift, mired', empty: '0', hint: 'warm +' },
    { id: 'tint', label: 'tint', empty: '0', hint: 'thousandths of Duv, green +' },
    { id: 'loss', label: 'loss, stops', empty: '0' },
  ],
  textsOf: ({ name, mired, tint, lossStops }) => ({
    name,
    mired: String(mired),
    tint: String(tint),
    loss: String(lossStops),
  }),
  read: (texts, id) => {
    const lossStops = number(texts, 'loss', 'Loss', (v) => v >= 0 && v <= 10, 'the stops it costs, 0 to 10');
    const parts = all({ mired: miredOf(texts, 400), tint: tintOf(texts), lossStops });
    return parts.ok ? success({ id, name: texts.name, ...parts.value }) : parts;
  },
  line: ({ mired, tint, lossStops }) => {
    // Shown on the light it is made for: warm ones on daylight, cool ones on tungsten.
    const on = mired < 0 ? 3200 : 5600;
    const turned = Math.round(1e5 / (1e6 / on + mired)) * 10;
    return `${signed(mired)} mired${tint === 0 ? '' : `, tint ${signed(tint)}`}, costs ${printStopsDecimal(lossStops).replace('+', '')} stop${mired === 0 ? '' : `; ${on} K becomes ${turned} K`}`;
  },
};

const monitors: BagKind<'monitors'> = {
  table: 'monitors',
  title: 'Monitors',
  one: 'monitor',
  says: 'What can show the picture, and how large a LUT each one loads.',
  fields: [
    NAME,
    { id: 'points', label: 'LUT points a side', empty: '33', hint: '0: loads none' },
    { id: 'inches', label: 'size, inches', empty: '7' },
    { id: 'peak', label: 'peak, cd/m²', empty: '300' },
    {
      id: 'range',
      label: 'Shows',
      empty: 'SDR',
      options: [
        ['SDR', 'SDR'],
        ['HDR', 'HDR'],
      ],
    },
  ],
  textsOf: ({ name, lutPoints, inches, peak, range }) => ({
    name,
    points: String(lutPoints),
    inches: String(inches),
    peak: String(peak),
    range,
  }),
  read: (texts, id) => {
    const whole = (v: number) => v === 0 || (Number.isInteger(v) && v >= 2 && v <= 129);
    const parts = all({
      lutPoints: number(texts, 'points', 'LUT points', whole, '2 to 129, such as 33, or 0 for none'),
      inches: number(texts, 'inches', 'Size', (v) => v > 0 && v <= 200, 'its diagonal in inches, such as 7'),
      peak: number(texts, 'peak', 'Peak', (v) => v > 0 && v <= 10_000, 'its peak in cd/m², such as 300'),
    });
    return parts.ok ? success({ id, name: texts.name, ...parts.value, range: texts.range }) : parts;
  },
  line: ({ lutPoints, inches, peak, range }) =>
    `${lutPoints === 0 ? 'no LUT: shows the recording as it is' : `${lutPoints}-point LUT`}, ${inches} in, ${peak} cd/m² ${range}`,
};

/** Offset of a face from the card beside it: typed, or from what both read on this profile. */
const offsetOf = (
  texts: BagTexts,
  { profile }: Selection,
  signalStops: (percent: number) => number,
): Result<number> => {
  const [card, face] = [texts.card, texts.face].map(typed);
  if (texts.card.trim() !== '' || texts.face.trim() !== '') {
    if (!Number.isFinite(card) || !Number.isFinite(face))
      return failure('card', `Readings: type what card and face read on ${profile.name}, in % of signal.`);
    const apart = signalStops(face) - signalStops(card);
    return Math.abs(apart) <= 4
      ? success(Math.round(20 * apart) / 20)
      : failure(
          'face',
          'Readings: card and face lie more than four stops apart; read both in the same light.',
        );
  }
  const stops = parseStops(texts.offset);
  return stops !== undefined && Math.abs(stops) <= 4
    ? success(stops)
    : failure('offset', 'Offset: type stops from −4 to +4, such as +1.2 or 2/3.');
};

const subjects = (signalStops: (percent: number) => number): BagKind<'subjects'> => ({
  table: 'subjects',
  title: 'Subjects',
  one: 'subject',
  says: 'The key side of a face from grey, measured beside the card. Nobody is assumed.',
  fields: [
    NAME,
    { id: 'offset', label: 'offset, stops', empty: '', hint: '+1.2' },
    { id: 'card', label: 'or card reads, %', empty: '' },
    { id: 'face', label: 'and the face, %', empty: '' },
  ],
  textsOf: ({ name, skinOffset }) => ({ name, offset: printStopsExact(skinOffset), card: '', face: '' }),
  read: (texts, id, selection) => {
    const offset = offsetOf(texts, selection, signalStops);
    return offset.ok
      ? success({ id, shootId: selection.setup.shootId, name: texts.name, skinOffset: offset.value })
      : offset;
  },
  line: ({ id, skinOffset }, { setup, plan }) =>
    `${printStopsDecimal(skinOffset)} from grey; at ${printStops(plan.placement)} on ${printStopsDecimal(plan.placement + skinOffset)}${setup.subjectIds.includes(id) ? '' : '; not in this set-up'}`,
  rows: (records, { setup }) =>
    [...records.subjects.values()].filter(({ shootId }) => shootId === setup.shootId),
  added: (id, { setup }) => [
    {
      table: 'setups',
      id: setup.id,
      before: setup,
      after: { ...setup, subjectIds: [...setup.subjectIds, id] },
    },
  ],
  removed: (id, records) =>
    [...records.setups.values()]
      .filter(({ subjectIds }) => subjectIds.includes(id))
      .map((before) => ({
        table: 'setups',
        id: before.id,
        before,
        after: { ...before, subjectIds: before.subjectIds.filter((one) => one !== id) },
      })),
});

/** What is in the bag, in the order it is packed. A further kind is a row and a table. */
export const bagKinds = (signalStops: (percent: number) => number): readonly BagKind[] =>
  [subjects(signalStops), ndSets, lights, gels, monitors] as unknown as readonly BagKind[];

/** The texts of a record that is not there yet. */
export const emptyTexts = ({ fields }: BagKind): BagTexts =>
  Object.fromEntries(fields.map(({ id, empty }) => [id, empty]));

/** The edit that the texts make of a new record or of the one they were filled from. */
export const bagEdit = (
  kind: BagKind,
  texts: BagTexts,
  selection: Selection,
  id: string,
  before?: RecordOf<BagTable>,
): Result<Edit> => {
  if (texts.name.trim() === '') return failure('name', `Name: give the ${kind.one} one.`);
  const read = kind.read({ ...texts, name: texts.name.trim() }, id, selection);
  if (!read.ok) return read;
  const parsed = TABLES[kind.table].safeParse(read.value);
  if (!parsed.success) return failure('name', `${kind.title}: ${parsed.error.issues[0].message}.`);
  return success({
    label: `${kind.one} ${parsed.data.name}`,
    changes: [
      { table: kind.table, id, before, after: parsed.data },
      ...(before ? [] : (kind.added?.(id, selection) ?? [])),
    ],
  });
};

/** Takes a record out of the bag; undo brings it back with all that named it. */
export const bagRemoval = (kind: BagKind, record: RecordOf<BagTable>, records: BookRecords): Edit => ({
  label: `${record.name} out of the bag`,
  changes: [
    { table: kind.table, id: record.id, before: record },
    ...(kind.removed?.(record.id, records) ?? []),
  ],
});
