import { ARCHETYPES, type ProfileData } from '../profile/index.ts';
import { monitoringRecipe } from './monitoring.ts';
import { outputOf, type OutputId } from './outputs.ts';
import { TONE_PRESETS } from './toneScale.ts';
import { compileRecipe } from './recipe.ts';

/** What a LUT is made to be fed. */
export type InputKind = 'log' | 'display' | 'linear';

export const INPUT_KINDS = {
  log: { name: 'log or flat' },
  display: { name: 'a display picture' },
  linear: { name: 'linear light' },
} as const satisfies Record<InputKind, { readonly name: string }>;

type Pattern = {
  readonly kind: InputKind;
  readonly name: string;
  readonly at: (v: number) => number;
};

export type InputGuess = {
  readonly kind: InputKind;
  /** The pattern that lies nearest along the grey axis, and how far off it is: root mean square, fraction of signal. */
  readonly like: string;
  readonly off: number;
  /** The nearest of each other kind, nearest first. */
  readonly others: readonly { readonly kind: InputKind; readonly off: number }[];
  /** Input that comes out as the output's grey; undefined when none does. */
  readonly grey?: number;
  /** Input up to which the output stays at its lowest, and from which it stays at its highest. */
  readonly black: number;
  readonly white: number;
};

const SAMPLES = 128;
/** What still counts as lowest and highest: a quarter of an 8-bit code. */
const LEVEL = 0.25 / 255;
/** Pulls that a monitoring LUT may carry, stops. */
const PULLS = [-2, -4 / 3, -2 / 3, 0, 2 / 3, 4 / 3, 2];
/** Tone scales that they are made with, as far as ours go. */
const TONES = ['plain', 'soft', 'firm', 'guarded'] as const;
/** Contrasts of looks that expect a display picture. */
const CONTRASTS = [0.7, 0.8, 0.9, 1, 1.1, 1.2, 1.3, 1.4];

const LINEAR: ProfileData = {
  gamut: 'bt709',
  clipStops: Math.log2(1 / 0.18),
  curve: { kind: 'standard', transfer: 'linear', gain: 1 },
};

/** Profiles that LUTs are made for. Pulled, the milder ones look much like each other: they are one kind. */
const PROFILES: readonly { readonly kind: InputKind; readonly name: string; readonly data: ProfileData }[] = [
  { kind: 'log', name: 'wide log', data: ARCHETYPES.wideLog },
  { kind: 'log', name: 'classic log', data: ARCHETYPES.classicLog },
  { kind: 'log', name: 'mild log', data: ARCHETYPES.mildLog },
  { kind: 'log', name: 'cine flat', data: ARCHETYPES.cineFlat },
  { kind: 'log', name: 'flat', data: ARCHETYPES.flat },
  { kind: 'log', name: 'HLG', data: ARCHETYPES.hlg },
  { kind: 'linear', name: 'linear light', data: LINEAR },
];

/** Conversions from a profile, at pulls and in tone scales. */
const conversionsOf = (
  { kind, name, data }: { readonly kind: InputKind; readonly name: string; readonly data: ProfileData },
  output: OutputId,
  pulls: readonly number[],
): Pattern[] =>
  pulls.flatMap((pullStops) =>
    TONES.map((preset) => {
      const plain = monitoringRecipe({ profile: data, pullStops });
      const recipe = { ...plain, output, peak: 1000, tone: TONE_PRESETS[preset].tone };
      return { kind, name, at: compileRecipe(recipe).neutral };
    }),
  );

const patternsFor = (output: OutputId): Pattern[] => {
  const { grey } = outputOf(output);
  const conversions = PROFILES.flatMap((profile) => conversionsOf(profile, output, PULLS));
  // A look turns about the output's own grey and keeps black and white.
  const bend = (contrast: number) => (v: number) =>
    v <= grey ? grey * (v / grey) ** contrast : 1 - (1 - grey) * ((1 - v) / (1 - grey)) ** contrast;
  const looks = CONTRASTS.flatMap((contrast) =>
    [bend(contrast), (v: number) => v ** contrast].map((at) => ({
      kind: 'display' as const,
      name: 'a look',
      at,
    })),
  );
  return [...conversions, ...looks];
};

const made = new Map<OutputId, readonly Pattern[]>();
const patterns = (output: OutputId): readonly Pattern[] => {
  const known = made.get(output) ?? patternsFor(output);
  made.set(output, known);
  return known;
};

/** The first input at which a rising response reaches a level; undefined when it never does. */
export const inputFor = (grey: (v: number) => number, level: number): number | undefined => {
  const steps = 1024;
  for (let i = 0; i <= steps; i += 1) {
    const v = i / steps;
    if (grey(v) < level) continue;
    if (i === 0) return 0;
    let [low, high] = [v - 1 / steps, v];
    for (let n = 0; n < 30; n += 1) {
      const mid = (low + high) / 2;
      if (grey(mid) < level) low = mid;
      else high = mid;
    }
    return high;
  }
  return undefined;
};

const responseOf = (grey: (v: number) => number) =>
  Float64Array.from({ length: SAMPLES + 1 }, (_, i) => grey(i / SAMPLES));

/** Root mean square of a response against a pattern. */
const offBy = (response: Float64Array, { at }: Pattern): number => {
  let sum = 0;
  for (let i = 0; i <= SAMPLES; i += 1) sum += (response[i] - at(i / SAMPLES)) ** 2;
  return Math.sqrt(sum / (SAMPLES + 1));
};

const THIRDS = Array.from({ length: 13 }, (_, i) => -2 + i / 3);

/** How far the nearest conversion from this very profile lies off, root mean square, fraction of signal. */
export const offFrom = (grey: (v: number) => number, output: OutputId, data: ProfileData): number => {
  const response = responseOf(grey);
  const own = conversionsOf({ kind: 'log', name: 'own', data }, output, THIRDS);
  return Math.min(...own.map((pattern) => offBy(response, pattern)));
};

/**
 * What a LUT is made to be fed, from its response along the grey axis (signal 0..1 in and out): held against conversions from the
 * profiles we know, at pulls from −2 to +2, and against looks. A guess, given with its evidence.
 */
export const guessInput = (grey: (v: number) => number, output: OutputId): InputGuess => {
  const response = responseOf(grey);
  const best = new Map<InputKind, { name: string; off: number }>();
  for (const pattern of patterns(output)) {
    const off = offBy(response, pattern);
    const { kind, name } = pattern;
    if (off < (best.get(kind)?.off ?? Infinity)) best.set(kind, { name, off });
  }
  const ranked = [...best].toSorted(([, a], [, b]) => a.off - b.off);
  const [[kind, { name, off }], ...others] = ranked;
  const [lowest, highest] = [Math.min(...response), Math.max(...response)];
  const firstOver = response.findIndex((v) => v > lowest + LEVEL);
  const firstTop = response.findIndex((v) => v >= highest - LEVEL);
  return {
    kind,
    like: name,
    off,
    others: others.map(([other, found]) => ({ kind: other, off: found.off })),
    grey: inputFor(grey, outputOf(output).grey),
    black: Math.max(0, firstOver - 1) / SAMPLES,
    white: firstTop / SAMPLES,
  };
};
