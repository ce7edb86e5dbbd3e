import { outputOf } from '../../lut/outputs.ts';
import type { Triple } from '../../maths/matrix.ts';
import { MIDDLE_GREY, printStopsDecimal } from '../../units.ts';
import { quantile } from '../../maths/quantile.ts';
import { readingAfter, rowsOf, solved } from './reading.ts';
import type { Proposer, StartInput } from './types.ts';

/** Shares of the picture that stand for its darkest and its brightest. Our own. */
const DARKEST = 0.005;
const BRIGHTEST = 0.995;
/** The darkest of a picture that lies over this has nothing black in it: fog, mist, a bright room. Our own. */
const BLACK_UNDER = -3;
/** Share under the usable floor from which something is truly black. Our own. */
const TRULY_BLACK = 0.02;
/** The brightest lies under this where nothing comes near white paper in the key light: nothing is bright. Our own. */
const BRIGHT_OVER = Math.log2(1 / MIDDLE_GREY) - 1 / 3;
/** How far highlights are drawn out at most. Our own. */
const WHITE_LIMITS = [1, 1.6] as const;
const HIGHLIGHTS = { ninety: 0.9, hundred: 1 } as const;

const percent = (v: number) => `${(100 * v).toFixed(1)} %`;
const stops = (v: number) => printStopsDecimal(v, 1);

/** Light of the darkest, where there is something dark: what is taken off. */
const startBlack = (input: StartInput, at: readonly number[], luminance: (stops: number) => number) => {
  const darkest = quantile(at, DARKEST);
  if (darkest > BLACK_UNDER)
    return {
      black: 0,
      says: `The darkest lies at ${stops(darkest)}: nothing is black here, so nothing is pulled to 0`,
    };
  const under = at.filter((v) => v < input.base.floorStops).length / at.length;
  const isBlack = under > TRULY_BLACK;
  const from = isBlack ? quantile(at, 2 * DARKEST) : darkest;
  const says = isBlack
    ? `${percent(under)} lies under the usable floor: a little goes under 0`
    : `The darkest, ${stops(darkest)}, goes to 0`;
  return { black: Math.min(luminance(from), 0.05), says };
};

/** Black to 0 where something is black; highlights to their level where something is bright. */
export const startPoints: Proposer = (input, before) => {
  const rows = rowsOf(before);
  const reading = readingAfter(input, rows);
  const at = input.sample.map(reading.stops);
  const { black, says } = startBlack(input, at, (v) => MIDDLE_GREY * 2 ** v);
  const bright = quantile(at, BRIGHTEST);
  const target = HIGHLIGHTS[input.schools.highlights];
  const brightest = input.sample[at.findIndex((v) => v >= bright)] as Triple | undefined;
  const withWhite = (white: number) => [
    ...rows,
    { id: 'points', kind: 'points', on: true, side: 'before' as const, values: { black, white } },
  ];
  const levelWith = (white: number) =>
    brightest ? readingAfter(input, withWhite(white)).shown(brightest) : 0;
  // In HDR the conversion's own shoulder brings them to the display's peak: 90 % of PQ would be 4000 cd/m2.
  const isHdr = outputOf(input.base.recipe.output).range === 'HDR';
  const has = bright >= BRIGHT_OVER && brightest !== undefined;
  // What lies between its level and the top already has its place.
  const isShort = has && !isHdr && levelWith(1) < target - 0.005;
  const white = isShort ? Math.round(100 * solved(levelWith, target - 1e-3, WHITE_LIMITS, 0.005)) / 100 : 1;
  return {
    on: black !== 0 || white !== 1,
    values: { black, white },
    ground: 'measured',
    why: has
      ? `${says}; the brightest ${isShort ? 'goes to' : 'stays at'} ${percent(levelWith(white))}`
      : `${says}. Nothing is bright: highlights stay`,
    arithmetic: [
      { label: `darkest ${percent(DARKEST)} of the picture`, value: `${stops(quantile(at, DARKEST))} stops` },
      { label: 'veil', value: `${(100 * black).toFixed(2)} % of white` },
      { label: `brightest ${percent(1 - BRIGHTEST)}`, value: `${stops(bright)} stops` },
      {
        label: 'its level',
        value: isHdr
          ? `${percent(levelWith(1))}: HDR, where the conversion puts it`
          : `${percent(levelWith(1))} → ${percent(levelWith(white))}, wanted ${percent(target)}`,
      },
    ],
  };
};
