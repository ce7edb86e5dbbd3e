import { gamutOf } from '#core/colour/gamut.ts';
import { writeCube } from '#core/formats/cube.ts';
import { tetrahedral } from '#core/lut/lattice.ts';
import { CUBE_SCALES, onScale, type CubeScale } from '#core/lut/cubeScale.ts';
import { DISPLAY_GREY, monitoringRecipe } from '#core/lut/monitoring.ts';
import { compileRecipe } from '#core/lut/recipe.ts';
import { recipeLattice } from '#core/lut/recipeLattice.ts';
import { maxCode } from '#core/signal/scale.ts';
import { printStops } from '#core/units.ts';
import type { Selection } from '#store/selection.ts';
import { slug } from '#ui/download.ts';

export const CUBE_SIZE = 33;

export type CubeChoice = {
  readonly scale: CubeScale;
  /** Pull of the placement baked in, or none. */ readonly baked: boolean;
};

export type CubeFile = {
  readonly name: string;
  /** Written when it is asked for: 36 000 rows. */
  readonly text: () => string;
  /** Worst difference between the lattice (tetrahedral) and the transform on the grey axis, in 10-bit codes. */
  readonly worstCodes: number;
};

/** The monitoring transform of a card as a 33-point cube. */
export const cubeOf = (selection: Selection, { scale, baked }: CubeChoice): CubeFile => {
  const { profile, camera, plan, setup } = selection;
  const transform = { profile: profile.data, pullStops: baked ? plan.placement : 0 };
  const recipe = monitoringRecipe(transform);
  const lattice = recipeLattice(recipe, scale, camera.coding, CUBE_SIZE);
  const exact = onScale(compileRecipe(recipe).rgb, scale, camera.coding);
  let worst = 0;
  for (let code = 0; code <= maxCode(10); code += 1) {
    const v = code / maxCode(10);
    worst = Math.max(worst, Math.abs(tetrahedral(lattice, [v, v, v])[1] - exact([v, v, v])[1]));
  }
  const pull =
    transform.pullStops === 0 ? 'no pull' : `pull ${printStops(-transform.pullStops).replace('\u2212', '-')}`;
  const title = `${profile.name} to BT.1886, ${pull}`;
  return {
    name: `${slug(setup.name)}-${slug(camera.name)}-${slug(profile.name)}-${slug(pull)}.cube`,
    worstCodes: worst * maxCode(10),
    text: () =>
      writeCube(lattice, {
        title,
        comments: [
          `Candelum monitoring transform: ${title}`,
          `Set-up ${setup.name}, ${camera.name}, ${camera.coding.bitDepth}-bit ${camera.coding.range}`,
          `In: ${profile.name}, ${gamutOf(profile.data.gamut).name}. Out: BT.709 for a BT.1886 display, grey at ${100 * DISPLAY_GREY} %`,
          `Scale: ${CUBE_SCALES[scale].says}`,
          `Pull: ${transform.pullStops === 0 ? 'not baked in' : `${(-transform.pullStops).toFixed(3)} stops baked in`}`,
          `Meant for tetrahedral interpolation; worst on the grey axis ${(worst * maxCode(10)).toFixed(2)} of 1023`,
        ],
      }),
  };
};
