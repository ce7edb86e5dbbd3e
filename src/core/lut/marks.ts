import { compileProfile, type ProfileData } from '../profile/index.ts';
import type { Triple } from '../maths/matrix.ts';
import { LUMA } from '../signal/luma.ts';
import type { Coding } from '../signal/scale.ts';
import { bake } from './bake.ts';
import { cubeScale, type CubeScale } from './cubeScale.ts';
import { compileLut } from './lut.ts';
import { compileRecipe, type LutRecipe } from './recipe.ts';

/** A band of tones that a LUT paints in one colour. */
export type MarkBand = {
  readonly id: string;
  readonly name: string;
  /** Stops over grey; without an end it goes on. */
  readonly from?: number;
  readonly to?: number;
  /** Signal of the monitor, 0..1. */
  readonly colour: Triple;
  /** Painted where any channel lies in the band, not the luma alone. */
  readonly anyChannel?: boolean;
};

/** A LUT that makes any monitor show tones: what is in a band is painted, the rest is the picture, or nothing. */
export type Marks = {
  readonly profile: ProfileData;
  readonly bands: readonly MarkBand[];
  /** What is seen where no band is. */
  readonly picture?: LutRecipe;
};

/** A band begins a hair under the clip, so that the clip's own code is in it. */
export const CLIP_SLACK = 0.02;

/** Where tones are looked at, stops over grey. */
const ENDS = [-8, 8] as const;

const holds = ({ from = -Infinity, to = Infinity }: MarkBand, stops: number) => stops >= from && stops < to;

/** Signals of a recording to signals of the monitor. Bands are judged on luma (BT.709 weights, recorded signal). */
export const compileMarks = ({ profile: data, bands, picture }: Marks): ((signal: Triple) => Triple) => {
  const { stopsAt, signalAt, clipStops } = compileProfile(data);
  const { kr, kg, kb } = LUMA.bt709;
  const under = picture && compileRecipe(picture).rgb;
  // At the clip itself a profile answers with its clip's stop.
  const stopsOf = (signal: number) => (signal >= signalAt(clipStops) ? clipStops : stopsAt(signal));
  return (signal) => {
    const [r, g, b] = signal;
    const luma = stopsOf(kr * r + kg * g + kb * b);
    const brightest = stopsOf(Math.max(r, g, b));
    const band = bands.find((one) => holds(one, one.anyChannel ? brightest : luma));
    return band?.colour ?? under?.(signal) ?? [0, 0, 0];
  };
};

/**
 * What goes on upwards without an end, as a LUT of so many points can show it: begun at the point before, so that the
 * clip's own code lies between two painted points. Early is better than not at all; `edgeLosses` says how early.
 */
export const fittedBands = (marks: Marks, size: number, scale: CubeScale, coding: Coding): Marks => {
  const { signalAt, stopsAt } = compileProfile(marks.profile);
  const { toSignal, fromSignal } = cubeScale(scale, coding);
  const last = size - 1;
  const pointUnder = (stops: number) =>
    stopsAt(toSignal(Math.floor(fromSignal(signalAt(stops)) * last) / last));
  const bands = marks.bands.map((band) => {
    if (band.to === undefined && band.from !== undefined)
      return { ...band, from: Math.min(band.from, pointUnder(band.from) - CLIP_SLACK) };
    return band;
  });
  return { ...marks, bands };
};

/** How far an edge of a band lies off on a LUT of so many points, for neutrals. */
export type EdgeLoss = {
  readonly id: string;
  /** Worse of the band's edges, stops; undefined where the band does not show at all. */
  readonly stops?: number;
};

const STEP = 1 / 96;
/** Edges further off than this are not looked for, stops. */
const FAR = 3;
/** Nearer to the band's colour than this it is that colour, signal. */
const SHOWN = 0.2;

const apart = (a: Triple, b: Triple) => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);

/**
 * What a LUT of so many points loses of each band, by walking the neutral axis: an edge lies where what is read
 * between the points turns from the band's colour to its neighbour's.
 */
export const edgeLosses = (marks: Marks, size: number, scale: CubeScale, coding: Coding): EdgeLoss[] => {
  const { signalAt, clipStops } = compileProfile(marks.profile);
  const exact = compileMarks(marks);
  const fitted = compileMarks(fittedBands(marks, size, scale, coding));
  const { toSignal, fromSignal } = cubeScale(scale, coding);
  const lut = compileLut(bake(([r, g, b]) => fitted([toSignal(r), toSignal(g), toSignal(b)]), size)[0]);
  const at = (run: (signal: Triple) => Triple, stops: number): Triple => {
    const signal = signalAt(stops);
    return run([signal, signal, signal]);
  };
  const read = ([r, g, b]: Triple) => lut([fromSignal(r), fromSignal(g), fromSignal(b)]);
  return marks.bands.map(({ id, from, to, colour }): EdgeLoss => {
    const low = Math.max(ENDS[0] - 1, from ?? ENDS[0] - 1);
    const high = Math.min(clipStops, to ?? clipStops);
    const isIn = (stops: number) => apart(at(exact, stops), colour) < 1e-6;
    // Where the band shows best: another one may cover a part of it.
    const inside = Array.from({ length: Math.ceil((high - low) / STEP) + 1 }, (_, i) =>
      Math.min(high, low + i * STEP),
    );
    const seen = inside.filter((stops) => isIn(stops));
    if (seen.length === 0) return { id };
    const best = seen.reduce((a, b) => (apart(at(read, b), colour) < apart(at(read, a), colour) ? b : a));
    if (apart(at(read, best), colour) > SHOWN) return { id };
    const edge = (step: number): number | undefined => {
      let last = best;
      while (isIn(last + step) && Math.abs(last - best) < 20) last += step;
      const outside = last + step;
      // The ends of the scale have no edge.
      if (outside > clipStops || outside < ENDS[0] - 1) return undefined;
      const beyond = at(exact, outside);
      let found = best;
      while (
        Math.abs(found - best) < FAR + Math.abs(last - best) &&
        apart(at(read, found + step), colour) <= apart(at(read, found + step), beyond)
      )
        found += step;
      return Math.abs(found - last);
    };
    return { id, stops: Math.max(edge(-STEP) ?? 0, edge(STEP) ?? 0) };
  });
};
