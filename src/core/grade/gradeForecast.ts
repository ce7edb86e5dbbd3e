import { DITHER, SEEN_STEP } from '../advice/rules.ts';
import type { Frame } from '../frame/frame.ts';
import { atOnce, type InParts } from '../inParts.ts';
import { outputOf } from '../lut/outputs.ts';
import type { Triple } from '../maths/matrix.ts';
import { snrAt, type SensorModel } from '../noise/sensorNoise.ts';
import { compileProfile } from '../profile/index.ts';
import { LUMA } from '../signal/luma.ts';
import { codeToSignal, signalsByCode } from '../signal/scale.ts';
import { MIDDLE_GREY, stopsToReflectance } from '../units.ts';
import { compileGrade, type Looks } from './compileGrade.ts';
import { PICTURE_LIGHT } from './pictureLight.ts';
import type { Grade } from './rows/types.ts';

/** What may break in the graded picture. */
export const BREAKS = {
  bands: {
    name: 'May band',
    says: 'A step of the recording is over 1.5 % of the picture’s light, and too little noise hides it',
  },
  noise: { name: 'Noise', says: 'The recording’s noise comes to more than 3 % of the picture’s signal' },
  topped: { name: 'Clipped by the grade', says: 'A channel is at the top here and was not in the recording' },
  crushed: {
    name: 'Crushed by the grade',
    says: 'All channels are at 0 here and lay over the floor in the recording',
  },
} as const satisfies { readonly [id: string]: { readonly name: string; readonly says: string } };
export type BreakId = keyof typeof BREAKS;
export const BREAK_IDS = Object.keys(BREAKS) as BreakId[];

/** Share of the picture and the cells of {@link FORECAST_GRID} where it happens most. */
type Break = { readonly share: number; readonly cells: readonly number[] };
export type GradeForecast = { readonly [B in BreakId]: Break };

/** The picture in cells, across and down. */
export const FORECAST_GRID = { columns: 32, rows: 18 } as const;
/** Share of a cell from which it is marked. Our own. */
const MARKED = 0.25;
/** Pixels of a cell that are looked at, across and down. */
const EACH = 3;
/** Noise of the picture that is seen, of its signal. Our own. */
const GRAINY = 0.03;
const TOP = 1 - 0.5 / 1023;

/** Standard deviation of a tone's code, from the sensor's noise through the curve; codes. */
const codeNoise = (grade: Grade, frame: Frame, sensor: SensorModel, overBase: number): Float64Array => {
  const { transfer, stopsAt } = compileProfile(grade.recipe.profile);
  const floor = stopsToReflectance(-12);
  return Float64Array.from({ length: 2 ** frame.bitDepth }, (_, code) => {
    const signal = codeToSignal(code, frame);
    const light = Math.max(floor, transfer.decode(signal));
    const sd = light / snrAt(sensor, Math.max(-12, stopsAt(signal)), overBase);
    const step =
      transfer.decode(codeToSignal(code + 0.5, frame)) - transfer.decode(codeToSignal(code - 0.5, frame));
    return step > 0 ? sd / step : 0;
  });
};

/**
 * Where the graded picture would break, and how much of it: looked at on some pixels of each cell. A step of a code is
 * taken through the whole grade at each of them. Noise is the sensor's model; what a codec smoothed is not known.
 */
export function* gradeForecastInParts(
  grade: Grade,
  frame: Frame,
  sensor: SensorModel,
  overBase = 0,
  looks?: Looks,
): InParts<GradeForecast> {
  const { run } = compileGrade(grade, looks);
  const { decode } = PICTURE_LIGHT[grade.recipe.output];
  const { clipSignal, transfer } = compileProfile(grade.recipe.profile);
  const weights = LUMA[outputOf(grade.recipe.output).luma];
  const lumaOf = ([r, g, b]: Triple) => weights.kr * r + weights.kg * g + weights.kb * b;
  const signals = signalsByCode(frame);
  const step = signals[1] - signals[0];
  const noise = codeNoise(grade, frame, sensor, overBase);
  const floorLight = stopsToReflectance(grade.floorStops);
  const white = decode(outputOf(grade.recipe.output).grey) / MIDDLE_GREY;
  const { columns, rows } = FORECAST_GRID;
  const counts = { bands: 0, noise: 0, topped: 0, crushed: 0 };
  const cells: { [B in BreakId]: number[] } = { bands: [], noise: [], topped: [], crushed: [] };

  const look = (i: number) => {
    const rgb: Triple = [signals[frame.r[i]], signals[frame.g[i]], signals[frame.b[i]]];
    const half = step / 2;
    const now = run(rgb);
    const up = run([rgb[0] + half, rgb[1] + half, rgb[2] + half]);
    const down = run([rgb[0] - half, rgb[1] - half, rgb[2] - half]);
    const [high, low] = [decode(lumaOf(up)), decode(lumaOf(down))];
    const sd = (noise[frame.r[i]] + 2 * noise[frame.g[i]] + noise[frame.b[i]]) / 4;
    const lights = rgb.map((v) => transfer.decode(v));
    return {
      // Very dark steps are not seen on a display with a room round it.
      bands: low > 0.002 * white && Math.log2(high / low) > SEEN_STEP && sd < DITHER,
      noise: sd * (lumaOf(up) - lumaOf(down)) > GRAINY,
      topped: now.some((v, c) => v >= TOP && rgb[c] < clipSignal - 2 * step),
      crushed: now.every((v) => v <= 0.5 / 1023) && lights.some((v) => v > floorLight),
    };
  };

  for (let cell = 0; cell < columns * rows; cell += 1) {
    const [cx, cy] = [cell % columns, Math.floor(cell / columns)];
    const here = { bands: 0, noise: 0, topped: 0, crushed: 0 };
    for (let k = 0; k < EACH * EACH; k += 1) {
      const x = Math.floor(((cx + ((k % EACH) + 0.5) / EACH) * frame.width) / columns);
      const y = Math.floor(((cy + (Math.floor(k / EACH) + 0.5) / EACH) * frame.height) / rows);
      const found = look(y * frame.width + x);
      for (const id of BREAK_IDS) if (found[id]) here[id] += 1;
    }
    for (const id of BREAK_IDS) {
      counts[id] += here[id];
      if (here[id] >= MARKED * EACH * EACH) cells[id].push(cell);
    }
    if (cx === columns - 1) yield;
  }
  const total = columns * rows * EACH * EACH;
  const of = (id: BreakId): Break => ({ share: counts[id] / total, cells: cells[id] });
  return { bands: of('bands'), noise: of('noise'), topped: of('topped'), crushed: of('crushed') };
}

/** The same at once. */
export const gradeForecast = atOnce(gradeForecastInParts);
