import { compileProfile, type ProfileData, type ProfileSolution } from '#core/profile/index.ts';
import { profileFromBracket } from '#core/profile/making.ts';
import type { GamutSpec } from '#core/colour/gamut.ts';
import { failure, type Result } from '#core/result.ts';
import type { CardMark } from '#core/scopes/cardReading.ts';
import type { Coding, Range } from '#core/signal/scale.ts';
import { parseNumber, parseStops, printStops } from '#core/units.ts';
import type { FilmedCard } from '#workers/bracket/protocol.ts';
import { printOnPaper, readOnPaper, type PaperScaleId } from './scaleOptions.ts';

/** A reading of the card: how far the shutter opened it, and what was read. */
type BracketRow = { readonly stops: string; readonly text: string };

/** A frame of the card: where it stands in the bracket and, once read, what it holds. */
export type BracketFrame = {
  readonly name: string;
  readonly bytes: Blob;
  readonly stops: number;
  /** How its codes are laid out, where that is known; else as the camera records. */
  readonly range?: Range;
  readonly reading?: FilmedCard;
  readonly refused?: string;
};

/** A file as it was dropped. */
export type FrameFile = Pick<BracketFrame, 'name' | 'bytes' | 'range'>;

/** Readings typed in, or frames with the card marked once; an empty reading was not filmed. */
export type BracketFields = {
  readonly scale: PaperScaleId;
  readonly rows: readonly BracketRow[];
  readonly frames?: readonly BracketFrame[];
  readonly mark: CardMark;
};

const BRACKET_STOPS = Array.from({ length: 12 }, (_, i) => i - 4);
export const MAX_FRAMES = 24;

/** The middle ninth: where a card usually is. */
const MIDDLE: CardMark = { x: 0.42, y: 0.34, width: 0.16, height: 0.32 };

/** Nothing filmed yet. */
export const BLANK_BRACKET: BracketFields = {
  scale: 'signalPercent',
  rows: BRACKET_STOPS.map((stops) => ({ stops: printStops(stops), text: '' })),
  mark: MIDDLE,
};

/** What a profile would read at each offset, as an example. */
export const bracketFrom = (
  data: ProfileData,
  coding: Coding,
  scale: PaperScaleId = 'signalPercent',
): BracketFields => {
  const profile = compileProfile(data);
  return {
    ...BLANK_BRACKET,
    scale,
    rows: BRACKET_STOPS.map((stops) => ({
      stops: printStops(stops),
      text: printOnPaper(profile.signalAt(stops), scale, coding),
    })),
  };
};

const NAMED_STOPS = /(under|over|minus|plus|[+\-\u2212])[ _-]*(\d+(?:[.,]\d+)?)(?!.*\d)/i;

/** Stops a file's name tells: `card -3.png`, `over-1.5`; undefined when it tells none. */
export const stopsInName = (name: string): number | undefined => {
  const match = NAMED_STOPS.exec(name.replace(/\.[a-z]\w*$/i, ''));
  if (!match) return undefined;
  const size = Number(match[2].replace(',', '.'));
  return /under|minus|[-\u2212]/i.test(match[1]) ? -size : size;
};

/** Dropped files as frames: stops from their names when every name tells them, else a stop apart from −4. */
export const framesOf = (files: readonly FrameFile[]): BracketFrame[] => {
  const sorted = [...files]
    .sort((a, b) => a.name.localeCompare(b.name, 'en', { numeric: true }))
    .slice(0, MAX_FRAMES);
  const named = sorted.map(({ name }) => stopsInName(name));
  const told = named.every((stops) => stops !== undefined) && new Set(named).size === named.length;
  return sorted
    .map((file, i) => ({ ...file, at: told ? (named[i] ?? 0) : i - 4 }))
    .sort((a, b) => a.at - b.at)
    .map(({ at, ...file }) => ({ ...file, stops: at }));
};

const noStops = (text: string) =>
  failure('stops', `“${text.trim().slice(0, 20)}” is no number of stops, such as −2 or 1 1/3.`);

const solveFrames = (frames: readonly BracketFrame[], gamut: GamutSpec): Result<ProfileSolution> => {
  const readings = [];
  for (const { name, stops, reading, refused } of frames) {
    if (refused !== undefined) return failure(name, `${name}: ${refused}`);
    if (!reading) return failure('frames', 'Mark the card on the frame: every frame is read there.');
    readings.push({ stops, signal: reading.signal, deviation: reading.deviation });
  }
  return profileFromBracket(readings, gamut);
};

export const solveBracket = (
  { scale, rows, frames }: BracketFields,
  coding: Coding,
  gamut: GamutSpec,
): Result<ProfileSolution> => {
  if (frames) return solveFrames(frames, gamut);
  const readings = [];
  for (const { stops: at, text } of rows) {
    if (text.trim() === '') continue;
    const stops = parseStops(at);
    if (stops === undefined) return noStops(at);
    const value = parseNumber(text);
    if (!Number.isFinite(value))
      return failure(
        `at ${printStops(stops)}`,
        `At ${printStops(stops)}: “${text.trim().slice(0, 20)}” is no reading.`,
      );
    readings.push({ stops, signal: readOnPaper(value, scale, coding) });
  }
  return profileFromBracket(readings, gamut);
};
