import type { Triple } from '#core/maths/matrix.ts';
import { from709, neutral } from './light.ts';
import type { Material, Thing } from './material.ts';
import type { Vec } from './shapes.ts';

/** The board's proportion, width to height. */
export const BOARD_RATIO = 1.5;

/** Neutral steps of the wedge, reflectances a half stop apart from 90 % down. */
export const WEDGE: readonly number[] = Array.from({ length: 11 }, (_, i) => 0.9 * 2 ** (-i / 2));

// Reflectances of the 24 patches, linear BT.709, our own: skins, nature, six hues at two strengths, six greys.
const CHART: readonly (readonly [string, number, number, number])[] = [
  ['deep skin', 0.12, 0.068, 0.046],
  ['medium skin', 0.29, 0.17, 0.115],
  ['light skin', 0.56, 0.37, 0.28],
  ['sand', 0.5, 0.41, 0.27],
  ['leaf', 0.1, 0.15, 0.05],
  ['sky', 0.16, 0.25, 0.4],
  ['red', 0.42, 0.045, 0.04],
  ['orange', 0.58, 0.22, 0.035],
  ['yellow', 0.72, 0.56, 0.05],
  ['green', 0.06, 0.3, 0.08],
  ['cyan', 0.04, 0.3, 0.36],
  ['blue', 0.03, 0.06, 0.3],
  ['magenta', 0.4, 0.07, 0.26],
  ['violet', 0.12, 0.05, 0.2],
  ['rose', 0.58, 0.27, 0.3],
  ['lime', 0.34, 0.5, 0.07],
  ['ice', 0.42, 0.6, 0.66],
  ['straw', 0.68, 0.62, 0.4],
  ['grey 1', 0.85, 0.85, 0.85],
  ['grey 2', 0.57, 0.57, 0.57],
  ['grey 3', 0.36, 0.36, 0.36],
  ['grey 4', 0.19, 0.19, 0.19],
  ['grey 5', 0.088, 0.088, 0.088],
  ['grey 6', 0.032, 0.032, 0.032],
];

/** A patch of the board: a rectangle in 0..1 from its upper left. */
export type BoardPatch = Thing & {
  readonly rect: readonly [x: number, y: number, width: number, height: number];
  readonly reflectance: Triple;
};

const patches = (): BoardPatch[] => {
  const card: BoardPatch = {
    name: 'grey card',
    kind: 'card',
    rect: [0.03, 0.045, 0.36, 0.6],
    reflectance: neutral(0.18),
  };
  const white: BoardPatch = {
    name: 'white',
    kind: 'white',
    rect: [0.03, 0.68, 0.17, 0.275],
    reflectance: neutral(0.9),
  };
  const trap: BoardPatch = {
    name: 'black trap',
    kind: 'trap',
    rect: [0.22, 0.68, 0.17, 0.275],
    reflectance: neutral(0.004),
  };
  const chart = CHART.map(([name, r, g, b], i): BoardPatch => {
    const [column, row] = [i % 6, Math.floor(i / 6)];
    return {
      name,
      kind: 'patch',
      rect: [0.42 + column * 0.0935, 0.045 + row * 0.178, 0.083, 0.158],
      reflectance: from709(r, g, b),
    };
  });
  const wedge = WEDGE.map((v, i): BoardPatch => ({
    name: `step ${i + 1}`,
    kind: 'wedge',
    rect: [0.42 + (i * 0.55) / WEDGE.length, 0.79, 0.55 / WEDGE.length, 0.165],
    reflectance: neutral(v),
  }));
  return [card, white, trap, ...chart, ...wedge];
};
export const BOARD_PATCHES: readonly BoardPatch[] = patches();

const EDGE = neutral(0.035);

/** The board's look and names, on a quad of half width `hx`; its own x to the right as seen, y up. */
export const boardOf = (hx: number) => {
  const hy = hx / BOARD_RATIO;
  const patchAt = (x: number, y: number): BoardPatch | undefined => {
    const [u, v] = [(x / hx + 1) / 2, (1 - y / hy) / 2];
    return BOARD_PATCHES.find(
      ({ rect: [left, top, width, height] }) => u >= left && u < left + width && v >= top && v < top + height,
    );
  };
  const albedo = (x: number, y: number, _z: number, out: Vec) => {
    const [r, g, b] = patchAt(x, y)?.reflectance ?? EDGE;
    out[0] = r;
    out[1] = g;
    out[2] = b;
  };
  const material: Material = { albedo };
  return { half: [hx, hy] as const, material, naming: (x: number, y: number) => patchAt(x, y) };
};
