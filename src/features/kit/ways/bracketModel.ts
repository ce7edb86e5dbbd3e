import {
  compileProfile,
  profileFromBracket,
  type ProfileData,
  type ProfileSolution,
} from '#core/profile/index.ts';
import { failure, type Result } from '#core/result.ts';
import { SCALES, type Coding, type ScaleId } from '#core/signal/scale.ts';
import { printStops } from '#core/units.ts';
import type { GamutSpec } from '#core/colour/gamut.ts';
import { typed } from './way.ts';

/** Readings of a card by shutter, a field for each stop; an empty field was not filmed. */
export type BracketFields = {
  readonly scale: ScaleId;
  readonly readings: readonly { readonly stops: number; readonly text: string }[];
};

export const BRACKET_STOPS = Array.from({ length: 12 }, (_, i) => i - 4);

/** What the profile in use would read, to the whole percent. */
export const bracketFrom = (data: ProfileData): BracketFields => {
  const profile = compileProfile(data);
  return {
    scale: 'signalPercent',
    readings: BRACKET_STOPS.map((stops) => ({ stops, text: (100 * profile.signalAt(stops)).toFixed(0) })),
  };
};

export const solveBracket = (
  { scale, readings }: BracketFields,
  coding: Coding,
  gamut: GamutSpec,
): Result<ProfileSolution> => {
  const filled = readings.filter(({ text }) => text.trim() !== '');
  const bad = filled.find(({ text }) => !Number.isFinite(typed(text)));
  if (bad) {
    const at = printStops(bad.stops);
    return failure(`at ${at}`, `At ${at}: “${bad.text.trim().slice(0, 20)}” is no reading.`);
  }
  return profileFromBracket(
    filled.map(({ stops, text }) => ({ stops, signal: SCALES[scale].toSignal(typed(text), coding) })),
    gamut,
  );
};
