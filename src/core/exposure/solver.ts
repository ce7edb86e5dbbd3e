import { printStopsLength, stopsWord } from '../units.ts';
import { exactFNumber } from './aperture.ts';
import { luminanceFor } from './meter.ts';
import { ndChoices, type NdSet } from './nd.ts';
import { isFlickerSafe, shutterSeconds, type Shutter } from './shutter.ts';

/** What may move while exposing, and what is locked. */
export type ExposureChoices = {
  /** Marked f-numbers that may be used; one when the iris is locked or fixed. */
  readonly irises: readonly number[];
  readonly shutters: readonly Shutter[];
  readonly isos: readonly number[];
  readonly nd: readonly NdStack[];
  /** The light on the subject may be changed. */
  readonly lightMoves: boolean;
};

/** Glass before the lens: none, one filter, or two of the bag. */
export type NdStack = {
  readonly stops: number;
  readonly names: readonly string[];
  readonly setIds: readonly string[];
};

/** More glass than this before a lens vignettes and costs sharpness; our own choice. */
const MOST_GLASS = 2;

/**
 * Every way to put the bag's glass together: nothing, each filter, and two different ones. A variable filter is not
 * stacked on a variable one: crossed polarisers colour and go black.
 */
export const ndStacks = (sets: readonly NdSet[]): NdStack[] => {
  const single = sets.flatMap((set) =>
    ndChoices(set).map(({ stops, name }) => ({ set, stops, name: name.trim(), key: `${set.id} ${stops}` })),
  );
  const stacks: NdStack[] = [{ stops: 0, names: [], setIds: [] }];
  for (const one of single) stacks.push({ stops: one.stops, names: [one.name], setIds: [one.set.id] });
  if (MOST_GLASS > 1) {
    single.forEach((one, i) => {
      for (const two of single.slice(i + 1)) {
        const turning = [one, two].filter(({ set }) => set.kind === 'variable').length;
        const same = one.set.id === two.set.id && one.set.kind === 'variable';
        if (turning > 1 || same) continue;
        stacks.push({
          stops: one.stops + two.stops,
          names: [one.name, two.name],
          setIds: [one.set.id, two.set.id],
        });
      }
    });
  }
  const sorted = stacks.sort((a, b) => a.stops - b.stops || a.names.length - b.names.length);
  // Of several ways to the same density the one with the fewest pieces stands.
  return sorted.filter(({ stops }, i) => i === 0 || stops - sorted[i - 1].stops > 1e-6);
};

export type Exposure = {
  readonly iris: number;
  readonly shutter: Shutter;
  readonly iso: number;
  readonly nd: NdStack;
};

export type ExposureAnswer = Exposure & {
  /** Where the card lands minus where it was asked, stops; what rounding to the lists leaves. */
  readonly residual: number;
  /** Light that has to change, stops; 0 when the light stays. */
  readonly light: number;
  /** What cannot be reached, in words; undefined when it can. */
  readonly short?: string;
};

/** Within this the card is where it was asked for: half of the finest step people set. */
const REACHED = 1 / 6 + 1e-9;

/** Recorded stops over grey of an 18 % card of this luminance, at these settings. */
export const recordedStops = (grey: number, { iris, shutter, iso, nd }: Exposure, fps: number): number => {
  const settings = {
    fNumber: exactFNumber(iris),
    seconds: shutterSeconds(shutter, fps),
    iso,
    ndStops: nd.stops,
  };
  return Math.log2(grey / luminanceFor(settings));
};

/**
 * Settings of this camera's own lists that put a card of luminance `grey` at `placement`. Preference, in the order the
 * trade gives: little residual, then the iris nearest the wanted one, the base ISO, few pieces of glass, the
 * first shutter. What is left over goes to the light where it may move.
 * @throws RangeError when a list is empty or grey is not above 0.
 */
export const solveExposure = (
  grey: number,
  placement: number,
  knobs: ExposureChoices,
  wanted: { readonly iris: number; readonly baseIsos: readonly number[] },
  fps: number,
): ExposureAnswer => {
  const { irises, shutters, isos, nd } = knobs;
  if (!(grey > 0)) throw new RangeError(`solveExposure: grey must be above 0, got ${grey}`);
  if ([irises, shutters, isos, nd].some((list) => list.length === 0))
    throw new RangeError('solveExposure: every list needs an entry');
  // Everything is additive in stops, so that each list is turned to stops once.
  const base = Math.log2(grey / luminanceFor({ fNumber: 1, seconds: 1, iso: 1, ndStops: 0 })) - placement;
  const irisCosts = irises.map((iris) => ({
    iris,
    stops: -2 * Math.log2(exactFNumber(iris)),
    price: Math.abs(2 * Math.log2(exactFNumber(iris) / exactFNumber(wanted.iris))),
  }));
  const shutterCosts = shutters.map((shutter, i) => ({
    shutter,
    stops: Math.log2(shutterSeconds(shutter, fps)),
    price: 0.4 * i,
  }));
  const isoCosts = isos.map((iso) => ({
    iso,
    stops: Math.log2(iso),
    price: 0.6 * Math.min(...wanted.baseIsos.map((one) => Math.abs(Math.log2(iso / one)))),
  }));
  let best: Exposure | undefined;
  let bestOff = 0;
  let bestCost = Infinity;
  for (const a of irisCosts)
    for (const b of shutterCosts)
      for (const c of isoCosts) {
        const open = base + a.stops + b.stops + c.stops;
        const price = a.price + b.price + c.price;
        if (price >= bestCost) continue;
        for (const glass of nd) {
          const residual = open - glass.stops;
          const off = Math.abs(residual);
          // A third of a stop off weighs as much as a stop of iris: the card comes first, then the depth of field.
          const total = (off <= REACHED ? 0 : 3 * off) + 0.5 * off + price + 0.15 * glass.names.length;
          if (total >= bestCost) continue;
          best = { iris: a.iris, shutter: b.shutter, iso: c.iso, nd: glass };
          [bestOff, bestCost] = [residual, total];
        }
      }
  const found = best as Exposure;
  if (Math.abs(bestOff) <= REACHED) return { ...found, residual: bestOff, light: 0 };
  if (knobs.lightMoves) return { ...found, residual: 0, light: -bestOff };
  const size = `${printStopsLength(bestOff)} ${stopsWord(bestOff)}`;
  return {
    ...found,
    residual: bestOff,
    light: 0,
    short:
      bestOff > 0
        ? `${size} too much light: stronger ND, a smaller iris or less light.`
        : `${size} short of light: open, take filters off, raise the ISO or bring light.`,
  };
};

/** Neutral density that is missing to reach a placement at one iris, shutter and ISO; under 0: light is missing. */
export const ndNeeded = (
  grey: number,
  placement: number,
  exposure: Omit<Exposure, 'nd'>,
  fps: number,
): number => recordedStops(grey, { ...exposure, nd: { stops: 0, names: [], setIds: [] } }, fps) - placement;

/** Shutters of a list that do not flicker under the mains, slowest first; all when none does. */
export const flickerSafe = (
  shutters: readonly Shutter[],
  fps: number,
  mainsHz: 50 | 60,
): readonly Shutter[] => {
  const safe = shutters.filter((shutter) => isFlickerSafe(shutterSeconds(shutter, fps), mainsHz));
  return safe.length > 0 ? safe : shutters;
};
