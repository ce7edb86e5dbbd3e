import { BOARD_RATIO, boardPatchAt } from '#core/scene/board.ts';
import { neutral } from './light.ts';
import type { Material } from './material.ts';
import type { Vec } from './shapes.ts';

const EDGE = neutral(0.035);

/** The board's look and names, on a quad of half width `hx`; its own x to the right as seen, y up. */
export const boardOf = (hx: number) => {
  const hy = hx / BOARD_RATIO;
  const patchAt = (x: number, y: number) => boardPatchAt(((x / hx + 1) / 2) * BOARD_RATIO, (1 - y / hy) / 2);
  const albedo = (x: number, y: number, _z: number, out: Vec) => {
    const [r, g, b] = patchAt(x, y)?.reflectance ?? EDGE;
    out[0] = r;
    out[1] = g;
    out[2] = b;
  };
  const material: Material = { albedo };
  return { half: [hx, hy] as const, material, naming: (x: number, y: number) => patchAt(x, y) };
};
