import { LUT_WRITERS } from '#core/formats/writeLut.ts';
import {
  bakeCurves,
  bakeInParts,
  BAKE_SIZES,
  bakeLossesInParts,
  isSeparable,
  shaperFor,
  type Baked,
} from '#core/lut/bake.ts';
import { pullCdl } from '#core/grade/pullCdl.ts';
import { cubeScale, onScale } from '#core/lut/cubeScale.ts';
import { differenceMap } from '#core/lut/differenceMap.ts';
import { sampleGreyAxis } from '#core/lut/greyAxis.ts';
import { inspectLutInParts } from '#core/lut/inspect.ts';
import { lutLoss } from '#core/lut/loss.ts';
import { edgeLosses } from '#core/lut/marks.ts';
import { UNIT_DOMAIN } from '#core/lut/lut.ts';
import type { LutNode } from '#core/lut/node.ts';
import { recipeLatticeInParts } from '#core/lut/recipeLattice.ts';
import type { InParts } from '#core/inParts.ts';
import { failure, success, type Result } from '#core/result.ts';
import { drive } from '../rpc/drive.ts';
import type { Handlers } from '../rpc/serve.ts';
import type { LutJobs, SizedEdges, WriteInput } from './protocol.ts';
import { createShelf, inverseOf, type Shelf } from './shelf.ts';
import type { LutSpec, StepSpec } from './lutSpec.ts';
import { pullCdlLeaves } from '#core/lut/cdlWords.ts';

/** Nodes to be written, and what they leave unsaid. */
type Made = { readonly nodes: readonly LutNode[]; readonly leaves?: string };

/** The steps of a spec that a CDL can say: pulls on log or linear light, and corrections, one of them alone. */
const cdlNodes = (spec: LutSpec, { scale, coding }: WriteInput): Result<Made> => {
  const steps: readonly StepSpec[] = spec.kind === 'chain' ? spec.steps : [];
  const [step, ...more] = steps;
  if (step?.kind === 'cdl' && more.length === 0)
    return success({ nodes: [{ kind: 'cdl', cdl: step.cdl, style: 'held' }] });
  if (step?.kind !== 'exposure' || more.length > 0)
    return failure(
      'CDL',
      'A CDL can say the pull alone, or one correction: take the rest out, or write a .cube or a CLF.',
    );
  const pull = pullCdl(step.profile, step.stops, scale, coding);
  if (!pull.ok) return pull;
  const { cdl, worstStops, from } = pull.value;
  return success({
    nodes: [{ kind: 'cdl', cdl, style: 'held' }],
    leaves: pullCdlLeaves(worstStops, from),
  });
};

function* nodesFor(shelf: Shelf, input: WriteInput): InParts<Result<Made>> {
  const { spec, format, size, shaped, scale, coding, interpolation } = input;
  if (format === 'cc' || format === 'ccc') return cdlNodes(spec, input);
  if (spec.kind === 'recipe' && format !== 'cube1d' && !shaped) {
    const lattice = yield* recipeLatticeInParts(spec.recipe, scale, coding, size);
    return success({ nodes: [{ kind: 'cube', domain: UNIT_DOMAIN, lattice, interpolation }] });
  }
  const transform = onScale(shelf.run(spec), scale, coding);
  if (format === 'cube1d')
    return isSeparable(transform)
      ? success({ nodes: [bakeCurves(transform)] })
      : failure('format', 'The channels mix: this needs a 3D cube.');
  const nodes = yield* bakeInParts(transform, size, shaped ? shaperFor(transform) : undefined);
  return success({ nodes: nodes.map((node) => (node.kind === 'cube' ? { ...node, interpolation } : node)) });
}

/** The jobs of the LUT worker: opening, inspecting, baking, comparing, writing. */
export const lutHandlers = (now: () => number = () => performance.now()): Handlers<LutJobs> => {
  const shelf = createShelf();
  return {
    keep: async ({ id, text }, { step }) => {
      await step('Reading the LUT', 0.1);
      const file = shelf.keep(id, text);
      if (!file.ok) return { output: file };
      const { title, comments, says, nodes } = file.value;
      return { output: success({ title, comments, says, invertible: inverseOf(nodes).ok }) };
    },

    inspect: async ({ spec, ...options }, { step }) => {
      const pause = () => step('Looking at it', 0.3);
      // A file is looked at as it stands; anything else on a cube of 33 points.
      const nodes =
        spec.kind === 'kept'
          ? shelf.keptNodes(spec)
          : await drive(bakeInParts(onScale(shelf.run(spec), options.scale, options.coding), 33), pause);
      return { output: await drive(inspectLutInParts({ ...options, nodes }), pause) };
    },

    axis: async ({ spec }) => {
      const run = shelf.run(spec);
      return { output: sampleGreyAxis((v) => run([v, v, v])[1]) };
    },

    losses: async ({ spec, output, scale, coding, usable }, { step }) => {
      const transform = onScale(shelf.run(spec), scale, coding);
      const { toSignal, fromSignal } = cubeScale(scale, coding);
      const greys = usable && ([fromSignal(usable[0]), fromSignal(usable[1])] as const);
      const baked: Baked[] = [];
      for (const [i, size] of BAKE_SIZES.entries()) {
        const pause = () => step(`Baking ${size} points`, i / BAKE_SIZES.length);
        await pause();
        baked.push(...(await drive(bakeLossesInParts(transform, output, toSignal, [size], greys), pause)));
      }
      return { output: { baked, separable: isSeparable(transform) } };
    },

    edges: async ({ marks, scale, coding }, { step }) => {
      const sized: SizedEdges[] = [];
      for (const [i, size] of BAKE_SIZES.entries()) {
        await step(`Walking ${size} points`, i / BAKE_SIZES.length);
        sized.push({ size, edges: edgeLosses(marks, size, scale, coding) });
      }
      return { output: sized };
    },

    write: async (input, { step }) => {
      const pause = () => step('Baking', 0.2);
      await pause();
      const began = now();
      const made = await drive(nodesFor(shelf, input), pause);
      const milliseconds = now() - began;
      if (!made.ok) return { output: made };
      await step('Writing', 0.6);
      const { nodes, leaves } = made.value;
      const { words, format } = input;
      const said = leaves === undefined ? words : { ...words, comments: [...words.comments, leaves] };
      const text = LUT_WRITERS[format](nodes, said);
      return { output: text.ok ? success({ text: text.value, milliseconds, leaves }) : text };
    },

    compare: async ({ a, b, output }, { step }) => {
      const [one, other] = [shelf.run(a), shelf.run(b)];
      await step('Comparing', 0.3);
      return { output: { loss: lutLoss(one, other, output), map: differenceMap(one, other, output) } };
    },
  };
};
