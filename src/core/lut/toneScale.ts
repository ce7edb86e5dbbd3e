import type { Triple } from '../maths/matrix.ts';
import { MIDDLE_GREY, stopsToReflectance } from '../units.ts';
import { monotoneSpline, type Knot } from './monotoneSpline.ts';
import type { OutputDefinition } from './outputs.ts';

/** How scene light is put onto an output, as data. Levels are signal fractions of the output. */
export type ToneScale = {
  /** Where middle grey lands; without it, where the output has it. */
  readonly grey?: number;
  /** Where diffuse white lands; without it, where contrast and shoulder leave it. */
  readonly white?: number;
  /** Power on light about grey: 1 is the output's own contrast. */
  readonly contrast: number;
  /** −1..1: shadows opened or held down; 0 leaves them. */
  readonly toe: number;
  /** 0..1: how early highlights begin to roll off. */
  readonly shoulder: number;
};

/** What the sliders reach. */
export const TONE_LIMITS = {
  grey: { min: 0.2, max: 0.6 },
  white: { min: 0.5, max: 0.98 },
  contrast: { min: 0.6, max: 1.6 },
  toe: { min: -1, max: 1 },
  shoulder: { min: 0, max: 1 },
} as const satisfies Record<keyof ToneScale, { readonly min: number; readonly max: number }>;

/** Tone scales to begin with; the names are ours. What each does is said in `toneWords.ts`. */
export const TONE_PRESETS = {
  plain: {
    name: 'plain',
    tone: { contrast: 1, toe: 0, shoulder: 0.5 },
  },
  soft: {
    name: 'soft',
    tone: { contrast: 0.85, toe: -0.3, shoulder: 0.65 },
  },
  firm: { name: 'firm', tone: { contrast: 1.2, toe: 0.25, shoulder: 0.55 } },
  guarded: {
    name: 'guarded',
    tone: { contrast: 0.95, toe: 0, shoulder: 1, white: 0.7 },
  },
  even: {
    name: 'even',
    tone: { contrast: 1, toe: 0, shoulder: 0 },
  },
  deep: {
    name: 'deep',
    tone: { contrast: 1, toe: 0.7, shoulder: 0.5 },
  },
} as const satisfies Record<string, { readonly name: string; readonly tone: ToneScale }>;

export type TonePresetId = keyof typeof TONE_PRESETS;
export const TONE_PRESET_IDS = Object.keys(TONE_PRESETS) as TonePresetId[];

/** The plain tone scale. */
export const PLAIN_TONE: ToneScale = TONE_PRESETS.plain.tone;

export type CompiledTone = {
  /** Scene light in the output's primaries to the tone scale's signal, held to 0 and the top; written to `into`. */
  readonly rgb: (r: number, g: number, b: number, into: Float64Array) => void;
  /** The inverse, for signals under the top; a signal at the top gives the least light that reaches it. */
  readonly scene: (signal: Triple) => Triple;
  readonly neutral: (light: number) => number;
  /** Scene light of a neutral's signal: the darkest that gives it. */
  readonly light: (signal: number) => number;
  /** Signal where highlights begin to roll off; the top where nothing does. */
  readonly straightTo: number;
};

const mix = (a: number, b: number, t: number) => a + (b - a) * t;
/** Least distance between knots. */
const APART = 1e-3;

/** Slope at the end of a segment that makes of it one hyperbola, the plainest roll-off. */
const plainEnd = (from: Knot, x: number, y: number) => {
  const secant = (y - from.y) / (x - from.x);
  return secant ** 2 / from.slope;
};

/** The knots above grey: where the roll-off begins, white, the clip. */
const highlightKnots = (grey: Knot, tone: ToneScale, base: Base, output: Levels): Knot[] => {
  const { top, straightTo } = output;
  if (base.clip <= grey.x + APART) return [{ x: grey.x + 1, y: grey.y + 1, slope: 1 }];
  const { white } = tone;
  if (white === undefined && base.clip <= top) return [{ x: base.clip, y: base.clip, slope: 1 }];
  const begin =
    tone.shoulder < 0.5
      ? mix(Math.max(straightTo, 0.93 * top), straightTo, 2 * tone.shoulder)
      : mix(straightTo, grey.y, 2 * tone.shoulder - 1);
  const last = { x: base.clip, y: Math.min(top, Math.max(base.clip, (white ?? 0) + APART)) };
  const knots: Knot[] = [];
  const ceiling =
    white === undefined ? last : { x: Math.min(base.white, base.clip), y: Math.min(white, last.y) };
  let from = grey;
  if (begin > grey.y + APART && begin < ceiling.y - APART && begin < ceiling.x - APART) {
    from = { x: begin, y: begin, slope: 1 };
    knots.push(from);
  }
  if (
    white !== undefined &&
    base.white > from.x + APART &&
    base.white < last.x - APART &&
    white > from.y + APART &&
    white < last.y
  ) {
    // prettier-ignore
    const before = (white - from.y) / (base.white - from.x);
    const after = (last.y - white) / (last.x - base.white);
    from = { x: base.white, y: white, slope: (2 * before * after) / (before + after) };
    knots.push(from);
  }
  const secant = (last.y - from.y) / (last.x - from.x);
  knots.push({ ...last, slope: Math.min(secant, plainEnd(from, last.x, last.y)) });
  return knots;
};

type Base = { readonly clip: number; readonly white: number };
type Levels = { readonly top: number; readonly straightTo: number };

/**
 * A tone scale for an output and for light that ends at `clipStops` over grey (after the pull): light about
 * grey to the power of the contrast, the output's own curve, then a spline on its signal that holds grey,
 * opens or closes the toe and brings the clip to the top. It never falls, whatever the sliders say.
 * @throws RangeError when a level or slider is not a finite number.
 */
export const compileTone = (
  tone: ToneScale,
  output: OutputDefinition,
  peak: number,
  clipStops: number,
): CompiledTone => {
  for (const [name, value] of Object.entries(tone))
    if (value !== undefined && !Number.isFinite(value))
      throw new RangeError(`compileTone: ${name} must be finite, got ${value}`);
  const { encode, decode } = output.neutral;
  const top = output.top(peak);
  const wanted = tone.grey ?? output.grey;
  const gain = decode(wanted) / MIDDLE_GREY;
  const { contrast } = tone;
  const bent = (light: number) =>
    contrast === 1 ? light * gain : light <= 0 ? 0 : MIDDLE_GREY * (light / MIDDLE_GREY) ** contrast * gain;
  const unbent = (light: number) => MIDDLE_GREY * (light / gain / MIDDLE_GREY) ** (1 / contrast);
  const grey = { x: wanted, y: wanted, slope: 1 };
  const base = { clip: encode(bent(stopsToReflectance(clipStops))), white: encode(bent(1)) };
  const levels = { top, straightTo: Math.max(output.straightTo, wanted + 0.05) };
  const above = highlightKnots(grey, tone, base, levels);
  const spline = monotoneSpline([{ x: 0, y: 0, slope: 2 ** (-2 * tone.toe) }, grey, ...above]);
  const toDisplay = (signal: number) => Math.min(top, Math.max(0, spline.at(signal)));
  const unshown = (signal: number) => Math.max(0, spline.inverse(Math.min(top, signal)));
  return {
    rgb: (r, g, b, into) => {
      const [x, y, z] = [bent(r), bent(g), bent(b)];
      const k = output.gain ? output.gain(x, y, z) : 1;
      into[0] = toDisplay(output.encode(k * x));
      into[1] = toDisplay(output.encode(k * y));
      into[2] = toDisplay(output.encode(k * z));
    },
    scene: (signal) => {
      const [r, g, b] = output.scene([unshown(signal[0]), unshown(signal[1]), unshown(signal[2])]);
      return [unbent(r), unbent(g), unbent(b)];
    },
    neutral: (light) => toDisplay(encode(bent(light))),
    light: (signal) => unbent(decode(unshown(signal))),
    straightTo: above.length > 1 || base.clip > top ? above[0].y : top,
  };
};
