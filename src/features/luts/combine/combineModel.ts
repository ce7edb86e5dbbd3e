import type { LutRecipe } from '#core/lut/recipe.ts';
import type { OutputId } from '#core/lut/outputs.ts';
import type { ChainFields } from '#ui/bench/session/lutWork.ts';
import type { LutSpec, StepSpec } from '#workers/luts/lutSpec.ts';
import { PLAIN, type LutSource } from '#ui/luts/lutSource.ts';
import { sourceOf, type LutContext } from '../lutModel.ts';
import { words } from '#ui/wording/lutsCombine.ts';

const asStep = (spec: LutSpec, intensity = 1, inverse = false): StepSpec => {
  if (spec.kind === 'kept') return { ...spec, kind: 'lut', intensity, inverse };
  return { kind: 'look', of: spec, intensity };
};

const recipeIn = (spec: LutSpec): LutRecipe | undefined => (spec.kind === 'recipe' ? spec.recipe : undefined);

/** Where a look that expects log gets it from: back through a computed conversion; a file’s cannot be turned round. */
const wayBack = (place: LutContext): LutRecipe | undefined => {
  const conversion = sourceOf(place, place.work.chain.conversion);
  return conversion && recipeIn(conversion.spec);
};

/** A look that wants log after a conversion that cannot be undone. */
export const lookProblem = (place: LutContext): string | undefined => {
  const { conversion, look, feed } = place.work.chain;
  if (look === 'none' || feed === 'display' || conversion === 'none') return undefined;
  return wayBack(place)
    ? undefined
    : 'A look made for log needs log: take the conversion out, or choose one computed here, which can be undone.';
};

/**
 * The chain as a spec: pull or push, conversion, way back where the look wants log, look. undefined when
 * nothing is in it.
 */
export const chainSpec = (
  place: LutContext,
): { readonly spec: LutSpec; readonly output: OutputId } | undefined => {
  const { selection, work } = place;
  const { thirds, conversion, look, intensity, feed, inverse }: ChainFields = work.chain;
  const converts = sourceOf(place, conversion);
  const looks = sourceOf(place, look);
  const back = feed === 'log' && looks ? wayBack(place) : undefined;
  const steps: StepSpec[] = [
    ...(thirds === 0
      ? []
      : [{ kind: 'exposure' as const, profile: selection.profile.data, stops: thirds / 3 }]),
    ...(converts ? [asStep(converts.spec, 1, inverse && converts.spec.kind === 'kept')] : []),
    ...(back ? [{ kind: 'back' as const, recipe: back }] : []),
    ...(looks ? [asStep(looks.spec, intensity)] : []),
  ];
  if (steps.length === 0) return undefined;
  const output =
    looks && !back ? (converts?.output ?? looks.output) : (looks?.output ?? converts?.output ?? 'bt1886');
  return { spec: { kind: 'chain', steps }, output };
};

/** The chain as a LUT to look at. */
export const chainSource = (place: LutContext): LutSource | undefined => {
  const chain = chainSpec(place);
  return chain && { ...PLAIN, id: 'chain', name: words.chainName, ...chain };
};

/** The chain in words, a step each. */
export const chainWords = (place: LutContext): string[] => {
  const { thirds, conversion, look, intensity, feed, inverse } = place.work.chain;
  const stops = Math.abs(thirds / 3).toFixed(2);
  const named = (id: string) => sourceOf(place, id)?.name ?? '';
  return [
    ...(thirds === 0
      ? []
      : [
          `${thirds < 0 ? 'Pull' : 'Push'} ${stops} stops in ${place.selection.profile.name}, before the conversion`,
        ]),
    ...(conversion === 'none' ? [] : [`Conversion: ${named(conversion)}${inverse ? ', turned round' : ''}`]),
    ...(look !== 'none' && feed === 'log' && wayBack(place)
      ? [`Back to ${place.selection.profile.name} for the look`]
      : []),
    ...(look === 'none' ? [] : [`Look: ${named(look)} at ${Math.round(100 * intensity)} %`]),
  ];
};
