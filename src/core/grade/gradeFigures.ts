import { outputOf } from '../lut/outputs.ts';
import type { Triple } from '../maths/matrix.ts';
import { LUMA } from '../signal/luma.ts';
import { compileGrade, type Looks } from './compileGrade.ts';
import { median, quantile } from '../maths/quantile.ts';
import { fromSkinLine } from './start/skin.ts';
import { luminanceOn } from './lightLevels.ts';
import type { StartPatch } from './start/types.ts';
import type { Grade } from './rows/types.ts';

/** What the scopes show of a graded picture, in few numbers. */
export type GradeFigures = {
  /** Luma under which half a hundredth of the picture lies, its middle, and over which half a hundredth lies; 0..1. */
  readonly black: number;
  readonly middle: number;
  readonly white: number;
  /** Mean distance of a colour from neutral, in B' - Y' and R' - Y' of the signal, 0..1. */
  readonly colour: number;
  /**
   * Of the first marked face: luma 0..1, luminance on its display in cd/m2, and degrees from the skin line, + left of
   * it.
   */
  readonly face?: {
    readonly name: string;
    readonly level: number;
    readonly light: number;
    readonly fromLine: number;
  };
};

const [DARK, LIGHT] = [0.005, 0.995];

export const figuresOf = (
  grade: Grade,
  sample: readonly Triple[],
  patches: readonly StartPatch[],
  looks?: Looks,
): GradeFigures => {
  const { run } = compileGrade(grade, looks);
  const weights = LUMA[outputOf(grade.recipe.output).luma];
  const lumaOf = ([r, g, b]: Triple) => weights.kr * r + weights.kg * g + weights.kb * b;
  const shown = sample.map(run);
  const lumas = shown.map(lumaOf);
  const apart = shown.reduce((sum, rgb, i) => sum + Math.hypot(rgb[2] - lumas[i], rgb[0] - lumas[i]), 0);
  const face = patches.find(
    ({ kind, isClipped, signals }) => kind === 'skin' && !isClipped && signals.length > 0,
  );
  const skin = face?.signals.map(run);
  return {
    black: quantile(lumas, DARK),
    middle: median(lumas),
    white: quantile(lumas, LIGHT),
    colour: apart / Math.max(1, shown.length),
    ...(face && skin
      ? {
          face: {
            name: face.name,
            level: median(skin.map(lumaOf)),
            light: median(skin.map(luminanceOn(grade.recipe.output))),
            fromLine: fromSkinLine(skin, weights),
          },
        }
      : {}),
  };
};
