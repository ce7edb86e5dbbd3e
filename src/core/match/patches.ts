import { gamutOf, rgbToXyz, type GamutSpec } from '../colour/gamut.ts';
import { xyzToLab, type Lab } from '../colour/lab.ts';
import { apply, type Matrix3, type Triple } from '../maths/matrix.ts';
import type { PatchKind } from '../scopes/measure.ts';

/** What a patch is; `colour` of a board, `tone` a share of the whole picture that has no place in it. */
export type MatchKind = PatchKind | 'colour' | 'tone';

/** A patch as one camera recorded it. */
export type PatchLight = {
  /** Mean linear light, 1.0 = diffuse white, in the primaries that the match is solved in. */
  readonly light: Triple;
  /** Standard error of that mean, each channel. */
  readonly error: Triple;
  /** Shares of its pixels with a channel at the clip, and under the floor. */
  readonly clipped: number;
  readonly underFloor: number;
};

/** The same thing before both cameras. */
export type MatchPatch = {
  readonly name: string;
  readonly kind: MatchKind;
  readonly from: PatchLight;
  readonly hero: PatchLight;
};

export type MatchedPatch = {
  readonly name: string;
  readonly kind: MatchKind;
  /** CIEDE2000 against the hero's: as recorded, after the match, and after one that has not seen this patch. */
  readonly before: number;
  readonly after: number;
  readonly unseen?: number;
  /** What noise alone makes of it, ΔE: one standard deviation. */
  readonly noise: number;
};

/** Why a patch is not used. */
export type LeftOut = {
  readonly name: string;
  readonly why: 'clipped' | 'dark';
  readonly of: 'camera' | 'hero';
};

/** A patch with more of its pixels than this at an end says nothing of its light. Our own. */
const MOST_AT_END = 0.005;
/** Patches whose mean is less than so many standard errors are nothing but noise. Our own. */
const LEAST_SIGNAL = 3;

const faultOf = ({ light, error, clipped, underFloor }: PatchLight): LeftOut['why'] | undefined => {
  if (clipped > MOST_AT_END) return 'clipped';
  const isNoise = light.some((v, c) => v <= LEAST_SIGNAL * error[c]);
  return isNoise || underFloor > 0.5 ? 'dark' : undefined;
};

/** The patches that can be compared, and those that cannot, with the reason. */
export const comparable = (
  patches: readonly MatchPatch[],
): { readonly used: readonly MatchPatch[]; readonly leftOut: readonly LeftOut[] } => {
  const leftOut = patches.flatMap(({ name, from, hero }): LeftOut[] => {
    for (const [of, one] of [
      ['camera', from],
      ['hero', hero],
    ] as const) {
      const why = faultOf(one);
      if (why) return [{ name, why, of }];
    }
    return [];
  });
  const names = new Set(leftOut.map(({ name }) => name));
  return { used: patches.filter(({ name }) => !names.has(name)), leftOut };
};

/**
 * L*a*b* of linear light as it is seen once the hero's placement is taken off: a perfect white has L* 100.
 * @param level stops that the hero lies over its place
 */
export const labOfLight = (primaries: GamutSpec, level: number): ((light: Triple) => Lab) => {
  const toXyz = rgbToXyz(gamutOf(primaries));
  const gain = 2 ** -level;
  const white = apply(toXyz, [1, 1, 1]);
  return (light) => xyzToLab(apply(toXyz, [gain * light[0], gain * light[1], gain * light[2]]), white);
};

/** Standard errors of channels that a matrix mixes, taken to be independent. */
export const errorThrough = (matrix: Matrix3, error: Triple): Triple => {
  const squared = matrix.map((v) => v * v) as unknown as Matrix3;
  const [r, g, b] = apply(squared, [error[0] ** 2, error[1] ** 2, error[2] ** 2]);
  return [Math.sqrt(r), Math.sqrt(g), Math.sqrt(b)];
};

/** The same patch on several frames as one: their mean, and the error that is left of it. */
export const meanOfFrames = (frames: readonly PatchLight[]): PatchLight => {
  const mean = (of: (one: PatchLight) => number) =>
    frames.reduce((sum, one) => sum + of(one), 0) / frames.length;
  const triple = (of: (one: PatchLight, c: number) => number): Triple => [
    mean((one) => of(one, 0)),
    mean((one) => of(one, 1)),
    mean((one) => of(one, 2)),
  ];
  const variance = triple(({ error }, c) => error[c] ** 2);
  return {
    light: triple(({ light }, c) => light[c]),
    error: variance.map((v) => Math.sqrt(v / frames.length)) as unknown as Triple,
    clipped: mean(({ clipped }) => clipped),
    underFloor: mean(({ underFloor }) => underFloor),
  };
};
