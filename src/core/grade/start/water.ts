import { gamutMatrix } from '../../colour/gamut.ts';
import { apply } from '../../maths/matrix.ts';
import { BODY } from '../rows/balance.ts';
import { printStopsDecimal, reflectanceToStops } from '../../units.ts';
import { median } from '../../maths/quantile.ts';
import { readingAfter, rowsOf } from './reading.ts';
import type { Proposer, StartInput } from './types.ts';

const stops = (v: number) => printStopsDecimal(v, 2);
const round = (v: number) => Math.round(24 * v) / 24 || 0;

const least = 1e-6;
const part = (share: number) => `${Math.round(100 * share)} %`;

/** Green and blue meet in the middle of what lies between them. */
export const startChannels: Proposer = (input, before) => {
  if (!input.isUnderWater) return undefined;
  const all = input.sample.map(readingAfter(input, rowsOf(before)).light);
  const [g, b] = [1, 2].map((c) => Math.max(least, median(all.map((rgb) => rgb[c]))));
  const apart = Math.log2(g / b);
  return {
    on: Math.abs(apart) > 1 / 12,
    values: { green: round(-apart / 2), blue: round(apart / 2) },
    ground: 'measured',
    why: `Green lies ${Math.abs(apart).toFixed(1)} stop ${apart >= 0 ? 'over' : 'under'} blue: they meet half way`,
    arithmetic: [{ label: 'middle of green over middle of blue', value: `${stops(apart)} stops` }],
  };
};

/** Share of the picture with red over the floor under which it is left alone. Our own. */
const FEW = 0.2;
/** Red is raised by no more, stops. Our own. */
const MOST = 2;

/** Red only where there is some. */
export const startRed: Proposer = (input, before) => {
  if (!input.isUnderWater) return undefined;
  const { grade, light } = readingAfter(input, rowsOf(before));
  const all = input.sample.map(light);
  const { floor } = grade.spaces.before;
  const over = all.filter(([r]) => r > floor);
  const share = over.length / Math.max(1, all.length);
  const gap = Math.log2(
    Math.max(least, median(over.map(([, g]) => g))) / Math.max(least, median(over.map(([r]) => r))),
  );
  const has = share >= FEW && Number.isFinite(gap) && gap > 0;
  const value = has ? Math.min(MOST, round(gap / 2)) : 0;
  return {
    on: has && value > 0,
    values: { stops: value },
    ground: 'measured',
    why: has
      ? `Red lies over the noise in ${part(share)} of the picture: raised there, and nowhere else`
      : `Red lies under the noise in ${part(1 - share)} of the picture: raised, it would be invented`,
    arithmetic: [
      {
        label: 'usable floor after the exposure',
        value: `${printStopsDecimal(reflectanceToStops(floor))} stops`,
      },
      { label: 'red over it in', value: `${(100 * share).toFixed(0)} % of the picture` },
      ...(has ? [{ label: 'red under green there', value: `${stops(gap)} stops, half of it at most` }] : []),
    ],
  };
};

/** What an automatic balance would do: the mean of each of the body's channels alike, whatever is noise. Stops. */
export const automaticBalance = (
  input: Pick<StartInput, 'base' | 'sample'>,
): { readonly red: number; readonly blue: number } => {
  const { light } = readingAfter(input, []);
  const toBody = gamutMatrix(input.base.recipe.profile.gamut, BODY);
  const all = input.sample.map((signal) => apply(toBody, light(signal)));
  const [r, g, b] = [0, 1, 2].map((c) =>
    Math.max(least, all.reduce((sum, rgb) => sum + rgb[c], 0) / Math.max(1, all.length)),
  );
  return { red: Math.log2(g / r), blue: Math.log2(g / b) };
};
