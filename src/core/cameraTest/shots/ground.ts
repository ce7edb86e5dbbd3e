import { shutterSeconds, type Shutter } from '../../exposure/shutter.ts';
import type { ListBasis, Shot, ShotKindId, ShotSettings, TestedCamera, View } from '../types.ts';

// What all shots of a list stand on: its shutters, its nominal one, the settings that are left alone.

/** Darkest and brightest place of the card in a bracket, stops over grey: clips lie from +3 to +7, two steps beyond. */
const BRACKET_FROM = -6;
const BRACKET_TO = 8;

/** Stops by which a step of a bracket may lie off a whole stop; shutters are marked in thirds or whole ones. */
const NEAR_STEP = 0.26;
/** Kelvin where that of the light is not known: daylight. */
const UNKNOWN_KELVIN = 5600;
/** Seconds a shot is held: a thorough test measures noise on more frames. */
const HELD = { short: 4, usual: 4, thorough: 8 } as const;

export const firstBase = ({ baseIsos }: Pick<TestedCamera, 'baseIsos'>): number => Math.min(...baseIsos);

type Timed = { readonly shutter: Shutter; readonly seconds: number };

/** A camera's shutters that are no longer than a frame, the fastest first. */
const timed = ({ shutters, fps }: TestedCamera): readonly Timed[] =>
  shutters
    .map((shutter) => ({ shutter, seconds: shutterSeconds(shutter, fps) }))
    .filter(({ seconds }) => seconds <= 1.001 / fps)
    .sort((a, b) => a.seconds - b.seconds);

/**
 * Exposure time in which the card stands at grey in the first light, seconds: the fastest shutter has it at the
 * bracket's dark end, unless the slowest is nearer than that.
 */
export const nominalSeconds = (camera: TestedCamera): number => {
  const all = timed(camera);
  const [fastest, slowest] = [all[0], all[all.length - 1]];
  const wanted = fastest.seconds * 2 ** -BRACKET_FROM;
  return nearest(camera, Math.min(wanted, slowest.seconds)).seconds;
};

/** The shutter nearest to a time, in stops. */
export const nearest = (camera: TestedCamera, seconds: number): Timed =>
  timed(camera).reduce((best, one) =>
    Math.abs(Math.log2(one.seconds / seconds)) < Math.abs(Math.log2(best.seconds / seconds)) ? one : best,
  );

export type Step = { readonly shutter: Shutter; readonly stops: number; readonly moreLight: number };

/**
 * A bracket by shutter alone as far as the shutters reach, the darkest first; where they do not reach clip, again with
 * more light, from the fastest shutter on again: the same shutter at two places tells its own error from the curve.
 * @param apart Stops between two steps
 */
export const bracketSteps = (camera: TestedCamera, apart: number): readonly (readonly Step[])[] => {
  const nominal = nominalSeconds(camera);
  const all = timed(camera).map(({ shutter, seconds }) => ({ shutter, stops: Math.log2(seconds / nominal) }));
  const reach = all[all.length - 1].stops;
  const parts: Step[][] = [];
  let top = -Infinity;
  for (let moreLight = 0; top < BRACKET_TO - 0.5 && parts.length < 6;) {
    const low = BRACKET_FROM + moreLight;
    const part: Step[] = [];
    for (let at = low; at <= BRACKET_TO + 1e-9; at += apart) {
      const wanted = at - moreLight;
      const best = all.reduce((a, b) => (Math.abs(b.stops - wanted) < Math.abs(a.stops - wanted) ? b : a));
      if (Math.abs(best.stops - wanted) > NEAR_STEP || part.some(({ shutter }) => shutter === best.shutter))
        continue;
      part.push({ shutter: best.shutter, stops: best.stops + moreLight, moreLight });
    }
    if (part.length === 0) break;
    parts.push(part);
    const before = top;
    top = part[part.length - 1].stops;
    if (!(top > before + 0.5)) break;
    moreLight = Math.ceil(Math.min(BRACKET_TO, top - 1 - BRACKET_FROM + reach) - reach);
  }
  return parts;
};

/** Settings that nothing has been changed on: card at grey, base ISO, dial at the light. */
export const plainSettings = ({ camera, have }: ListBasis): ShotSettings => {
  const { shutter } = nearest(camera, nominalSeconds(camera));
  return {
    shutter,
    iso: firstBase(camera),
    kelvin: dialled(camera, have.kelvin ?? UNKNOWN_KELVIN),
    tint: 0,
    processing: 'lowest',
    stops: 0,
    moreLight: 0,
  };
};

/** A Kelvin as the dial can be set. */
export const dialled = ({ kelvinStep, kelvinRange: [low, high] }: TestedCamera, kelvin: number): number =>
  Math.min(high, Math.max(low, Math.round(kelvin / kelvinStep) * kelvinStep));

/** A shot with what is changed on it. */
export const shotOf = (
  basis: ListBasis,
  kind: ShotKindId,
  view: View,
  id: string,
  changed: Partial<ShotSettings> = {},
): Shot => ({
  id,
  kind,
  view,
  seconds: HELD[basis.length],
  settings: { ...plainSettings(basis), ...changed },
});

/** A list without repeats, rising. */
export const rising = (values: readonly number[]): number[] => [...new Set(values)].sort((a, b) => a - b);
