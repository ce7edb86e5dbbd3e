import { stopsToReflectance } from '../../units.ts';
import { PUBLISHED, type Published } from './published.ts';

// What may stand between a reading and a log curve, and how likely each was before anything was read.
// All figures here are our own choice, tried on random curves (bench/profiles.ts).

/** How a curve may leave the log form. Sizes are standard deviations. */
export type FormModel = {
  readonly id: 'log' | 'toe' | 'other';
  /** Belief in it before any reading. */
  readonly share: number;
  /** Slope of the line under the cut against the tangent's, and its bend: parts of the tangent's slope. */
  readonly kink: number;
  /** A smooth departure anywhere, signal fraction. */
  readonly bend: number;
  /** A published curve in place of the log. */
  readonly published?: Published;
};

/** Belief in all published curves together. */
const ANY_PUBLISHED = 0.006;

export const FORMS: readonly FormModel[] = [
  { id: 'log', share: 0.688, kink: 0, bend: 0 },
  { id: 'toe', share: 0.3, kink: 0.2, bend: 0 },
  { id: 'other', share: 0.006, kink: 0, bend: 0.045 },
  ...PUBLISHED.map((published) => ({
    id: 'other' as const,
    share: ANY_PUBLISHED / PUBLISHED.length,
    kink: 0,
    bend: 0,
    published,
  })),
];

/** How far a step of a bracket may lie off its mark, stops: shutters of real bodies keep 0.03 to 0.1. */
export const STEP_ERRORS: readonly { readonly sd: number; readonly share: number }[] = [
  { sd: 0, share: 0.54 },
  { sd: 0.02, share: 0.02 },
  { sd: 0.04, share: 0.07 },
  { sd: 0.065, share: 0.22 },
  { sd: 0.12, share: 0.14 },
  { sd: 0.24, share: 0.01 },
];

/** Where "nominal" of a bracket lies when other readings say where grey is, stops. */
export const SERIES_OFFSET = 0.1;

// Bumps of one width, a width apart, over the whole length: their sum is a smooth curve without a place it prefers.
const BUMP_WIDTH = 1.4;
const BUMP_AT = Array.from({ length: 14 }, (_, i) => -9 + BUMP_WIDTH * i);
/** Sum of the squares of all bumps at one place: the variance of the sum. */
const BUMP_POWER = Math.sqrt(Math.PI);
/** Light under this many stops is one place: a curve ends in its black. */
const DARKEST = stopsToReflectance(-9);

export const BUMPS = BUMP_AT.length;

/** The bumps at a light (reflectance), scaled so that with standard normal weights their sum has variance 1. */
export const bumpsAt = (reflectance: number): number[] => {
  const at = Math.log2(Math.max(0, reflectance) / 0.18 + DARKEST / 0.18);
  return BUMP_AT.map((centre) => Math.exp(-0.5 * ((at - centre) / BUMP_WIDTH) ** 2) / Math.sqrt(BUMP_POWER));
};
