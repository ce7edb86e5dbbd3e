import { compileProfile } from '../profile/index.ts';
import { outputOf } from './outputs.ts';
import type { LutRecipe } from './recipeData.ts';
import { compileTone } from './toneScale.ts';

const clamp01 = (v: number) => Math.min(1, Math.max(0, v));
/** For outputs whose tone scale gives the file's signal. */
export const SAME_SIGNAL = { encode: (v: number) => v, decode: (v: number) => v };

/** What a recipe makes of neutrals, its match left out, and the parts that its colours share. */
export const compileNeutral = (recipe: Omit<LutRecipe, 'match' | 'gamutMap' | 'saturation'>) => {
  const { transfer, clipSignal, clipStops } = compileProfile(recipe.profile);
  const output = outputOf(recipe.output);
  const tone = compileTone(recipe.tone, output, recipe.peak, clipStops - recipe.pullStops);
  const gain = 2 ** -recipe.pullStops;
  const last = output.last ?? SAME_SIGNAL;
  const coded = (v: number) => clamp01(last.encode(clamp01(v)));
  // What is clipped stays clipped: no light is made of codes over the clip.
  const light = (signal: number) => transfer.decode(Math.min(signal, clipSignal)) * gain;
  const neutral = (signal: number) => coded(tone.neutral(light(signal)));
  return { transfer, clipSignal, output, tone, gain, light, coded, neutral };
};
