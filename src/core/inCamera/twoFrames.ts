import { edgeAcross, type EdgeStats } from '../cameraTest/find/edgeAcross.ts';
import type { Frame } from '../frame/frame.ts';
import { median, quantile } from '../maths/quantile.ts';
import { failure, success, type Result } from '../result.ts';
import { said } from '../said.ts';
import { flattened } from '../scopes/flattened.ts';
import { lumaPlane } from '../scopes/luma.ts';
import { LUMA } from '../signal/luma.ts';
import { codeToSignal, type Coding } from '../signal/scale.ts';

// Two frames of the same thing, with a setting and without it: what the setting does to the file. All of it is measured
// on codes, as the file holds them.

/** A figure of both frames. */
type Both = { readonly without: number; readonly with: number };

export type TwoFrames = {
  /** Deviation of luma on the evenest parts, codes. */
  readonly noise: Both;
  /** How far an edge in the middle third rises over its bright side, or falls under its dark one: part of the step. */
  readonly edge?: Both;
  /** Pixels in which that edge rises from a tenth of its step to nine tenths. */
  readonly rise?: Both;
  /** Colour as a vectorscope shows it (BT.709): turned by degrees, length times. */
  readonly colour?: { readonly hue: number; readonly saturation: number };
  /** How far the darkest thousandth, the middle tones and the brightest thousandth moved, codes. */
  readonly moved: { readonly black: number; readonly grey: number; readonly clip: number };
  /** How far each figure may lie otherwise (95 %), from how blocks and rows of the two frames scatter. */
  readonly within?: {
    readonly noise: Both;
    /** Parts of the step. */
    readonly edge?: number;
    /** Pixels. */
    readonly rise?: number;
    /** Degrees. */
    readonly hue?: number;
    readonly saturation?: number;
    /** Codes. */
    readonly moved: { readonly black: number; readonly grey: number; readonly clip: number };
  };
  /** Dark, middle and bright tones that the frame has: where they lie without it, how far they moved, codes. */
  readonly tones: readonly { readonly code: number; readonly moved: number }[];
};

/** Blocks across a frame, and the smallest block, pixels. */
const ACROSS = 40;
const SMALLEST = 8;
/** How far apart a block's quarters may lie, in deviations of their means, to count as even. Our own choice. */
const EVEN = 4;
/** Fine texture is even too: it is alike in both frames, as noise is not (correlation), and rougher than a wall. */
const TEXTURE = 0.35;
const [PLAIN, ROUGHER] = [0.25, 1.25];
const FEWEST = 12;
/** Blocks this near the ends of the frame's codes are cut off there: share of what lies between. */
const NEAR_END = 0.03;
/** Dark, middle, bright: thirds of the codes between the ends; fewest blocks of one. */
const THIRDS = [0, 1, 2] as const;
const FEWEST_TONES = 6;
/** Shortest length on the vectorscope that tells a hue, share of the codes. Fewest blocks of colour. */
const COLOURED = 0.04;
const FEWEST_COLOURED = 8;
/** Share of the pixels that is the frame's darkest and brightest. */
const ENDS = 0.001;
/** Frames of the same thing are alike block by block, at least so (correlation). Our own choice. */
const ALIKE = 0.96;

type Block = {
  readonly luma: number;
  readonly deviation: number;
  readonly even: number;
  readonly rgb: readonly number[];
  /** What is left of luma once a plane is taken out. */
  readonly rest: Float32Array;
};

const blockAt = (frame: Frame, luma: Uint16Array, x: number, y: number, size: number): Block => {
  const { mean, variance, rest } = flattened(luma, frame.width, { x, y, width: size, height: size });
  const half = Math.floor(size / 2);
  const quarters = [0, half].flatMap((dx) =>
    [0, half].map(
      (dy) => flattened(luma, frame.width, { x: x + dx, y: y + dy, width: half, height: half }).mean,
    ),
  );
  const sums = [0, 0, 0];
  for (let row = y; row < y + size; row += 1)
    for (let i = row * frame.width + x; i < row * frame.width + x + size; i += 1)
      [frame.r, frame.g, frame.b].forEach((plane, c) => {
        sums[c] += plane[i];
      });
  const deviation = Math.sqrt(variance);
  const apart = Math.max(...quarters) - Math.min(...quarters);
  return {
    luma: mean,
    deviation,
    even: apart / Math.max(0.25, deviation / half),
    rgb: sums.map((sum) => sum / (size * size)),
    rest,
  };
};

const blocksOf = (frame: Frame, luma: Uint16Array): readonly Block[] => {
  const size = Math.max(SMALLEST, Math.floor(frame.width / ACROSS));
  const blocks: Block[] = [];
  for (let y = 0; y + size <= frame.height; y += size)
    for (let x = 0; x + size <= frame.width; x += size) blocks.push(blockAt(frame, luma, x, y, size));
  return blocks;
};

/** How alike two lists are, -1 to 1 (Pearson). 0 where one of them does not vary. */
const correlation = (a: ArrayLike<number>, b: ArrayLike<number>): number => {
  const [listA, listB] = [Array.from(a), Array.from(b)];
  const [meanA, meanB] = [listA, listB].map((list) => list.reduce((sum, v) => sum + v, 0) / list.length);
  let [products, squaresA, squaresB] = [0, 0, 0];
  listA.forEach((v, i) => {
    products += (v - meanA) * (b[i] - meanB);
    squaresA += (v - meanA) ** 2;
    squaresB += (b[i] - meanB) ** 2;
  });
  return squaresA > 0 && squaresB > 0 ? products / Math.sqrt(squaresA * squaresB) : 0;
};

/** A median's 95 %: 1.96 standard errors, sqrt(pi / 2) of a mean's for a normal spread (told by the MAD). */
const medianWithin = (values: readonly number[]): number => {
  const middle = median(values);
  const spread = median(values.map((value) => Math.abs(value - middle))) / 0.6745;
  return (1.96 * Math.sqrt(Math.PI / 2) * spread) / Math.sqrt(values.length);
};

/** The code under which a share of the pixels lies. */
const codeUnder = (luma: Uint16Array, share: number): number => {
  const sorted = luma.slice().sort();
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))];
};

/** Taking the quieter blocks makes noise a little too low: by so much of it, as a test on drawn noise shows. */
const CHOSEN = 0.02;
const noiseWithin = (deviations: readonly number[]): number =>
  Math.hypot(medianWithin(deviations), CHOSEN * median(deviations));

/** Luma by every fourth row: four samples of one picture. */
const PARTS = [0, 1, 2, 3] as const;
/** Student's t of 95 % for four samples. */
const T_OF_4 = 3.182;
const partOf = (luma: Uint16Array, width: number, part: number): Uint16Array => {
  const rows = Math.ceil((luma.length / width - part) / PARTS.length);
  const out = new Uint16Array(rows * width);
  for (let row = 0; row < rows; row += 1) {
    const from = (part + row * PARTS.length) * width;
    out.set(luma.subarray(from, from + width), row * width);
  }
  return out;
};

/** How far a shift of one end of the picture may lie otherwise, from how four samples of it differ; codes. */
const endWithin = (a: readonly Uint16Array[], b: readonly Uint16Array[], share: number): number => {
  const shifts = a.map((luma, i) => codeUnder(b[i], share) - codeUnder(luma, share));
  const mean = shifts.reduce((sum, one) => sum + one, 0) / shifts.length;
  const variance = shifts.reduce((sum, one) => sum + (one - mean) ** 2, 0) / (shifts.length - 1);
  return (T_OF_4 * Math.sqrt(variance)) / Math.sqrt(shifts.length);
};

/**
 * Of the overshoot, parts of the step, and of the rise, pixels: noise of a line that is the mean of the rows looked
 * at, in both frames. On an edge as steep as its rise says, noise moves both ends of it.
 */
const edgeWithin = (a: EdgeStats, b: EdgeStats, noise: Both, coding: Coding) => {
  const signal = codeToSignal(Math.hypot(noise.without, noise.with), coding) - codeToSignal(0, coding);
  const edge = (1.96 * signal) / (Math.sqrt(a.rows) * (a.bright - a.dark));
  return { edge, rise: (Math.SQRT2 * edge * Math.max(a.rise, b.rise)) / 0.8 };
};

/** A block's place on a vectorscope of BT.709, codes. */
const chroma = ([r, g, b]: readonly number[]) => {
  const { kr, kg, kb } = LUMA.bt709;
  const luma = kr * r + kg * g + kb * b;
  return { cb: (b - luma) / (2 * (1 - kb)), cr: (r - luma) / (2 * (1 - kr)) };
};

const colourOf = (a: readonly Block[], b: readonly Block[], span: number) => {
  const turns: number[] = [];
  const times: number[] = [];
  a.forEach((block, i) => {
    const [from, to] = [chroma(block.rgb), chroma(b[i].rgb)];
    const length = Math.hypot(from.cb, from.cr);
    if (length < COLOURED * span) return;
    const turn = Math.atan2(to.cr, to.cb) - Math.atan2(from.cr, from.cb);
    turns.push((Math.atan2(Math.sin(turn), Math.cos(turn)) * 180) / Math.PI);
    times.push(Math.hypot(to.cb, to.cr) / length);
  });
  if (turns.length < FEWEST_COLOURED) return undefined;
  return {
    hue: median(turns),
    saturation: median(times),
    within: { hue: medianWithin(turns), saturation: medianWithin(times) },
  };
};

/**
 * What a setting does, from two frames of the same thing on a tripod that differ in it alone.
 * @returns a sentence where they differ in size or coding, or do not show the same thing
 */
export const twoFrames = (without: Frame, withIt: Frame): Result<TwoFrames> => {
  if (without.width !== withIt.width || without.height !== withIt.height)
    return failure(
      'frames',
      said(
        `The two frames differ in size: ${without.width}×${without.height} and ${withIt.width}×${withIt.height}.`,
        'Film both the same way.',
      ),
    );
  if (without.bitDepth !== withIt.bitDepth)
    return failure(
      'frames',
      `The two frames differ in bit depth: ${without.bitDepth} and ${withIt.bitDepth}. Film both the same way.`,
    );
  const [lumaA, lumaB] = [without, withIt].map((frame) => lumaPlane(frame, LUMA.bt709));
  const [a, b] = [blocksOf(without, lumaA), blocksOf(withIt, lumaB)];
  if (a.length < FEWEST)
    return failure('frames', 'The frames are too small to measure: film at the size of the job.');
  const lumas = [a, b].map((blocks) => blocks.map(({ luma }) => luma));
  if (correlation(lumas[0], lumas[1]) < ALIKE)
    return failure(
      'frames',
      'The two frames do not show the same thing: put the camera on a tripod and change the setting alone.',
    );
  const [low, high] = [codeUnder(lumaA, ENDS), codeUnder(lumaA, 1 - ENDS)];
  const span = high - low;
  const inside = ({ luma }: Block) => luma > low + NEAR_END * span && luma < high - NEAR_END * span;
  const even = a
    .map((_, i) => i)
    .filter((i) => inside(a[i]) && a[i].even < EVEN && b[i].even < EVEN)
    .filter((i) => correlation(a[i].rest, b[i].rest) < TEXTURE);
  if (even.length < FEWEST)
    return failure(
      'frames',
      'There is hardly an even part in the frames: film a plain wall or a card with it.',
    );
  // Chosen by both together, so that neither is taken for quieter than it is.
  const both = (i: number) => a[i].deviation + b[i].deviation;
  const under = ROUGHER * quantile(even.map(both), PLAIN);
  const quiet = even.filter((i) => both(i) <= under);
  const [edgeA, edgeB] = [edgeAcross(without, lumaA), edgeAcross(withIt, lumaB)];
  const tones = THIRDS.flatMap((third) => {
    const own = a
      .map((_, i) => i)
      .filter((i) => inside(a[i]) && Math.floor((3 * (a[i].luma - low)) / span) === third);
    if (own.length < FEWEST_TONES) return [];
    return [
      {
        third,
        code: median(own.map((i) => a[i].luma)),
        moved: median(own.map((i) => b[i].luma - a[i].luma)),
        within: medianWithin(own.map((i) => b[i].luma - a[i].luma)),
      },
    ];
  });
  const evenMoved = even.map((i) => b[i].luma - a[i].luma);
  const grey = tones.find(({ third }) => third === 1) ?? {
    moved: median(evenMoved),
    within: medianWithin(evenMoved),
  };
  const colour = colourOf(a, b, span);
  const [noiseA, noiseB] = [a, b].map((blocks) => quiet.map((i) => blocks[i].deviation));
  const noise = { without: median(noiseA), with: median(noiseB) };
  const [partsA, partsB] = [lumaA, lumaB].map((luma) =>
    PARTS.map((part) => partOf(luma, without.width, part)),
  );
  return success({
    noise,
    ...(edgeA && edgeB
      ? {
          edge: { without: Math.max(edgeA.over, edgeA.under), with: Math.max(edgeB.over, edgeB.under) },
          rise: { without: edgeA.rise, with: edgeB.rise },
        }
      : {}),
    ...(colour ? { colour: { hue: colour.hue, saturation: colour.saturation } } : {}),
    within: {
      noise: { without: noiseWithin(noiseA), with: noiseWithin(noiseB) },
      ...(edgeA && edgeB ? edgeWithin(edgeA, edgeB, noise, without) : {}),
      ...colour?.within,
      moved: {
        black: endWithin(partsA, partsB, ENDS),
        grey: grey.within,
        clip: endWithin(partsA, partsB, 1 - ENDS),
      },
    },
    moved: {
      black: codeUnder(lumaB, ENDS) - low,
      grey: grey.moved,
      clip: codeUnder(lumaB, 1 - ENDS) - high,
    },
    tones: tones.map(({ code, moved }) => ({ code, moved })),
  });
};
