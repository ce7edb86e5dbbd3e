import { compileProfile, type Anchor, type ProfileData, type ProfileSolution } from '#core/profile/index.ts';
import { ANCHOR_NAMES, profileFromAnchors } from '#core/profile/making.ts';
import { failure, success, type Result } from '#core/result.ts';
import type { Coding } from '#core/signal/scale.ts';
import type { GamutSpec } from '#core/colour/gamut.ts';
import { parseNumber, parseStops, reflectanceToStops } from '#core/units.ts';
import { ownEntry } from '#core/ownEntry.ts';
import { onPaper, printOnPaper, readOnPaper, type PaperScaleId } from './scaleOptions.ts';

/** How exactly the light of a reading is known; a further way is a row. Our own choice of figures. */
const KNOWN_BY = {
  shutter: { name: 'set by shutter, ±0.05 stop', sd: 0.05 },
  chip: { name: 'a chip, ±10 %', sd: Math.log2(1.1) },
  paper: { name: 'printed with the camera', sd: 0 },
} as const;
type KnownBy = keyof typeof KNOWN_BY;
export const KNOWN_OPTIONS = (Object.keys(KNOWN_BY) as KnownBy[]).map(
  (id) => [id, KNOWN_BY[id].name] as const,
);

/** A reading of the user's own at some stop; without a word of how its light is known, a chip's % is a chip. */
type ExtraField = { readonly stops: string; readonly reading: string; readonly known?: string };

/** What stands in the fields, as typed. */
export type PrintedFields = {
  readonly scale: PaperScaleId;
  readonly black: string;
  readonly grey: string;
  readonly white: string;
  readonly clip: string;
  readonly clipStops: string;
  readonly extra: readonly ExtraField[];
};

export const ANCHOR_IDS = ['black', 'grey', 'white', 'clip'] as const;
/** Four printed anchors and two of one's own: six in all. */
export const MAX_EXTRA = 2;

/** What a number is printed to: `40.6` to 0.1, `419` to 1. */
const stepOf = (text: string): number => 10 ** -(/[.,](\d+)\s*$/.exec(text)?.[1].length ?? 0);

/** Nothing typed yet. */
export const BLANK_PRINTED: PrintedFields = {
  scale: 'signalPercent',
  black: '',
  grey: '',
  white: '',
  clip: '',
  clipStops: '',
  extra: [],
};

/** What the paper of a profile would say, as an example. */
export const printedFrom = (
  data: ProfileData,
  coding: Coding,
  scale: PaperScaleId = 'signalPercent',
): PrintedFields => {
  const { transfer, clipSignal, clipStops } = compileProfile(data);
  const reading = (signal: number) => printOnPaper(signal, scale, coding);
  return {
    scale,
    black: reading(transfer.encode(0)),
    grey: reading(transfer.encode(0.18)),
    white: reading(transfer.encode(0.9)),
    clip: reading(clipSignal),
    clipStops: Number(clipStops.toFixed(2)).toString(),
    extra: [],
  };
};

/** The same readings on another scale; what is no number stays as typed. */
export const rescaled = (fields: PrintedFields, scale: PaperScaleId, coding: Coding): PrintedFields => {
  const turn = (text: string) => {
    const value = parseNumber(text);
    return Number.isFinite(value)
      ? printOnPaper(readOnPaper(value, fields.scale, coding), scale, coding)
      : text;
  };
  return {
    ...fields,
    scale,
    black: turn(fields.black),
    grey: turn(fields.grey),
    white: turn(fields.white),
    clip: turn(fields.clip),
    extra: fields.extra.map((field) => ({ ...field, reading: turn(field.reading) })),
  };
};

const noNumber = (name: string, text: string, where = name) =>
  failure(where, `Type a number for ${name}${text.trim() ? `: “${text.trim().slice(0, 20)}” is none` : ''}.`);

/** Stops over grey, or a chip's reflectance: `−3`, `2 %`. */
const placeOf = (text: string): number | undefined => {
  if (!text.trim().endsWith('%')) return parseStops(text);
  const reflectance = parseNumber(text.replace('%', '')) / 100;
  return reflectance > 0 ? reflectanceToStops(reflectance) : undefined;
};

const readExtra = (extra: readonly ExtraField[]): Result<readonly Anchor[]> => {
  const anchors: Anchor[] = [];
  for (const [i, { stops: at, reading, known }] of extra.entries()) {
    if (at.trim() === '' && reading.trim() === '') continue;
    const stops = placeOf(at);
    if (stops === undefined) return noNumber('the stop of the further reading', at, `extra.${i}.stops`);
    if (!Number.isFinite(parseNumber(reading)))
      return noNumber(`the reading at ${at}`, reading, `extra.${i}.reading`);
    const by = ownEntry(KNOWN_BY, known || (at.trim().endsWith('%') ? 'chip' : 'shutter'));
    anchors.push({
      id: 'extra',
      stops,
      reading: parseNumber(reading),
      step: stepOf(reading),
      placeSd: by?.sd ?? KNOWN_BY.shutter.sd,
    });
  }
  return success(anchors);
};

/** What the fields solve to, or the one sentence that says which is wrong. */
export const solvePrinted = (
  fields: PrintedFields,
  coding: Coding,
  gamut: GamutSpec,
): Result<ProfileSolution> => {
  const anchors: Anchor[] = [];
  for (const id of ANCHOR_IDS) {
    if (fields[id].trim() === '') continue;
    if (!Number.isFinite(parseNumber(fields[id]))) return noNumber(ANCHOR_NAMES[id], fields[id]);
    anchors.push({ id, reading: parseNumber(fields[id]), step: stepOf(fields[id]) });
  }
  if (fields.clipStops.trim() !== '') {
    const stops = parseStops(fields.clipStops);
    if (stops === undefined) {
      const said = fields.clipStops.slice(0, 20);
      return failure('clip stops', `Clip stops: type a number such as 6 or 5 2/3, not “${said}”.`);
    }
    const at = anchors.findIndex(({ id }) => id === 'clip');
    if (at >= 0) anchors[at] = { ...anchors[at], stops };
  }
  const extra = readExtra(fields.extra);
  if (!extra.ok) return extra;
  const paper = onPaper(fields.scale, coding);
  if (!paper) return failure('scale', 'Choose the scale that the paper prints its readings in.');
  return profileFromAnchors([...anchors, ...extra.value], paper.scale, paper.coding, gamut);
};
