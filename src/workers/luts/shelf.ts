import type { Triple } from '#core/maths/matrix.ts';
import { openLut, type LutFile } from '#core/formats/openLut.ts';
import { falseLight } from '#core/scopes/falseLight.ts';
import { compileGrade, type Looks } from '#core/grade/compileGrade.ts';
import { corrected } from '#core/grade/order.ts';
import { bake } from '#core/lut/bake.ts';
import { blended, compileChain } from '#core/lut/chain.ts';
import { onSignal } from '#core/lut/cubeScale.ts';
import { invertCurves } from '#core/lut/invert.ts';
import { compileNodes, type LutNode } from '#core/lut/node.ts';
import { compileRecipe } from '#core/lut/recipe.ts';
import { failure, success, type Result } from '#core/result.ts';
import type { LutFileSpec, LutSpec, StepSpec } from './lutSpec.ts';

export type Run = (signal: Triple) => Triple;

/** What could be turned round of a file: exactly one 1D LUT. */
export const inverseOf = (nodes: readonly LutNode[]): Result<LutNode> => {
  const [node, ...more] = nodes;
  return node?.kind === 'curves' && more.length === 0
    ? invertCurves(node)
    : failure('LUT', 'Only a 1D LUT can be turned round: this one mixes channels.');
};

/** LUT files that a worker was given, opened once, and the functions that specs come to. */
export const createShelf = () => {
  const files = new Map<string, LutFile>();
  const nodesOf = (id: string): readonly LutNode[] => {
    const file = files.get(id);
    if (!file) throw new RangeError(`no LUT ${id} on the shelf`);
    return file.nodes;
  };

  const keptNodes = ({ id, inverse }: LutFileSpec): readonly LutNode[] => {
    if (!inverse) return nodesOf(id);
    const turned = inverseOf(nodesOf(id));
    if (!turned.ok) throw new RangeError(turned.reason);
    return [turned.value];
  };

  const step = (spec: StepSpec): Run => {
    if (spec.kind === 'look') return blended(run(spec.of), spec.intensity);
    if (spec.kind !== 'lut') return compileChain([spec]);
    const { kind, intensity, scale, coding, interpolation } = spec;
    return compileChain([
      { kind, name: spec.id, nodes: keptNodes(spec), intensity, scale, coding, interpolation },
    ]);
  };

  type Runs = { readonly [K in LutSpec['kind']]: (spec: Extract<LutSpec, { kind: K }>) => Run };
  /** What makes the function of each kind of spec. A further one is a row. */
  const RUNS: Runs = {
    recipe: ({ recipe }) => compileRecipe(recipe).rgb,
    kept: (spec) => onSignal(compileNodes(keptNodes(spec), spec.interpolation), spec.scale, spec.coding),
    chain: ({ steps }) => {
      const made = steps.map(step);
      return (signal) => made.reduce((value, one) => one(value), signal);
    },
    reduced: ({ of, points, interpolation }) => compileNodes(bake(run(of), points), interpolation),
    corrected: ({ recipe, correction, order }) => corrected(recipe, correction, order),
    grade: ({ grade, looks = {}, matte, falseLight: isLight }) => {
      const compiled = compileGrade(grade, looksOf(looks));
      if (isLight) {
        const colour = falseLight(grade.recipe.output);
        return (signal) => colour(compiled.run(signal));
      }
      if (matte === undefined) return compiled.run;
      const weight = compiled.matte(matte);
      return (signal) => {
        const w = weight(signal);
        return [w, w, w];
      };
    },
  };

  /** @throws RangeError when a spec names a file that is not here, or one that cannot be turned round. */
  const run = (spec: LutSpec): Run => (RUNS[spec.kind] as (w: LutSpec) => Run)(spec);

  /** Looks by their LUT; one whose file is not here is left out. */
  const looksOf =
    (specs: { readonly [id: string]: LutSpec }): Looks =>
    (id) => {
      const spec = Object.hasOwn(specs, id) ? specs[id] : undefined;
      return spec && run(spec);
    };

  return {
    /** Opens a file and keeps it; one that does not open leaves what was there. */
    keep: (id: string, text: string): Result<LutFile> => {
      const file = openLut(text);
      if (file.ok) files.set(id, file.value);
      return file.ok ? success(file.value) : file;
    },
    keptNodes,
    looksOf,
    run,
  };
};

export type Shelf = ReturnType<typeof createShelf>;
