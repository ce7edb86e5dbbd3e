import { atOnce, type InParts } from '../inParts.ts';
import type { Coding } from '../signal/scale.ts';
import type { Lattice } from './lattice.ts';
import { cubeScale, type CubeScale } from './cubeScale.ts';
import { compileRecipe, type LutRecipe } from './recipe.ts';

/** `recipeLattice` row by row. */
export function* recipeLatticeInParts(
  recipe: LutRecipe,
  scale: CubeScale,
  coding: Coding,
  size = 33,
): InParts<Lattice> {
  const { channel, light, picture } = compileRecipe(recipe);
  const { toSignal, fromSignal } = cubeScale(scale, coding);
  const last = size - 1;
  const signals = Float64Array.from({ length: size }, (_, i) => toSignal(i / last));
  const data = new Float32Array(size ** 3 * 3);
  const out = channel && signals.map((signal) => fromSignal(channel(signal)));
  const lights = signals.map(light);
  const shown = new Float64Array(3);
  let at = 0;
  for (let b = 0; b < size; b += 1) {
    for (let g = 0; g < size; g += 1) {
      for (let r = 0; r < size; r += 1, at += 3) {
        if (out) {
          data[at] = out[r];
          data[at + 1] = out[g];
          data[at + 2] = out[b];
          continue;
        }
        picture(lights[r], lights[g], lights[b], shown);
        data[at] = fromSignal(shown[0]);
        data[at + 1] = fromSignal(shown[1]);
        data[at + 2] = fromSignal(shown[2]);
      }
      yield;
    }
  }
  return { size, data };
}

/**
 * A recipe on a lattice of size^3 points, 0..1 on the scale in and out. The first half of a recipe acts on
 * each channel alone, so that it is worked out once a plane; what comes out is what the recipe gives point by
 * point.
 */
export const recipeLattice = atOnce(recipeLatticeInParts);
