import { ARCHETYPES, type ArchetypeId, type ProfileData } from '../profile/index.ts';
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

/** What a response along the grey axis is held against. */
export type PatternId = Exclude<ArchetypeId, 'standard'> | 'linear' | 'look';

type Pattern = {
  readonly kind: InputKind;
  readonly id: PatternId;
  readonly at: (v: number) => number;
};

export type InputGuess = {
  readonly kind: InputKind;
  /** The pattern that lies nearest along the grey axis, and how far off it is: root mean square, fraction of signal. */
  readonly like: PatternId;
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

type Made = { readonly kind: InputKind; readonly name: string; readonly data: ProfileData };
const madeFor = (id: Exclude<ArchetypeId, 'standard'>): Made => ({
  kind: 'log',
  name: ARCHETYPES[id].name,
  data: ARCHETYPES[id],
});

/** Profiles that LUTs are made for. Pulled, the milder ones look much like each other: they are one kind. */
const PROFILES: { readonly [K in Exclude<PatternId, 'look'>]: Made } = {
  wideLog: madeFor('wideLog'),
  classicLog: madeFor('classicLog'),
  mildLog: madeFor('mildLog'),
  cineFlat: madeFor('cineFlat'),
  flat: madeFor('flat'),
  hlg: madeFor('hlg'),
  linear: { kind: 'linear', name: 'linear light', data: LINEAR },
};

/** What a pattern is called. */
export const patternName = (id: PatternId): string => (id === 'look' ? 'a look' : PROFILES[id].name);

/** The profile that a pattern converts from; undefined for looks. */
export const patternProfile = (id: PatternId): ProfileData | undefined =>
  id === 'look' ? undefined : PROFILES[id].data;

/** Responses of conversions from a profile, at pulls and in tone scales. */
const conversionsOf = (data: ProfileData, output: OutputId, pulls: readonly number[]): Pattern['at'][] =>
  pulls.flatMap((pullStops) =>
    TONES.map((preset) => {
      const plain = monitoringRecipe({ profile: data, pullStops });
      const recipe = { ...plain, output, peak: 1000, tone: TONE_PRESETS[preset].tone };
      return compileRecipe(recipe).neutral;
    }),
  );

const patternsFor = (output: OutputId): Pattern[] => {
  const { grey } = outputOf(output);
  const conversions = (Object.keys(PROFILES) as (keyof typeof PROFILES)[]).flatMap((id) => {
    const { kind, data } = PROFILES[id];
    return conversionsOf(data, output, PULLS).map((at): Pattern => ({ kind, id, at }));
  });
  // A look turns about the output's own grey and keeps black and white.
  const bend = (contrast: number) => (v: number) =>
    v <= grey ? grey * (v / grey) ** contrast : 1 - (1 - grey) * ((1 - v) / (1 - grey)) ** contrast;
  const looks = CONTRASTS.flatMap((contrast) =>
    [bend(contrast), (v: number) => v ** contrast].map((at): Pattern => ({
      kind: 'display',
      id: 'look',
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
const inputFor = (grey: (v: number) => number, level: number): number | undefined => {
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
const offBy = (response: Float64Array, at: Pattern['at']): number => {
  let sum = 0;
  for (let i = 0; i <= SAMPLES; i += 1) sum += (response[i] - at(i / SAMPLES)) ** 2;
  return Math.sqrt(sum / (SAMPLES + 1));
};

const THIRDS = Array.from({ length: 13 }, (_, i) => -2 + i / 3);

/** How far the nearest conversion from this very profile lies off, root mean square, fraction of signal. */
export const offFrom = (grey: (v: number) => number, output: OutputId, data: ProfileData): number => {
  const response = responseOf(grey);
  return Math.min(...conversionsOf(data, output, THIRDS).map((at) => offBy(response, at)));
};

/**
 * What a LUT is made to be fed, from its response along the grey axis (signal 0..1 in and out): held against
 * conversions from the profiles we know, at pulls from −2 to +2, and against looks. A guess, given with its
 * evidence.
 */
export const guessInput = (grey: (v: number) => number, output: OutputId): InputGuess => {
  const response = responseOf(grey);
  const best = new Map<InputKind, { id: PatternId; off: number }>();
  for (const pattern of patterns(output)) {
    const { kind, id, at } = pattern;
    const off = offBy(response, at);
    if (off < (best.get(kind)?.off ?? Infinity)) best.set(kind, { id, off });
  }
  const ranked = [...best].toSorted(([, a], [, b]) => a.off - b.off);
  const [[kind, { id, off }], ...others] = ranked;
  const [lowest, highest] = [Math.min(...response), Math.max(...response)];
  const firstOver = response.findIndex((v) => v > lowest + LEVEL);
  const firstTop = response.findIndex((v) => v >= highest - LEVEL);
  return {
    kind,
    like: id,
    off,
    others: others.map(([other, found]) => ({ kind: other, off: found.off })),
    grey: inputFor(grey, outputOf(output).grey),
    black: Math.max(0, firstOver - 1) / SAMPLES,
    white: firstTop / SAMPLES,
  };
};
