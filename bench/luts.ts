// Building, baking, inspecting and comparing LUTs, ms; the builds by output, with a tone scale that is moved
// on every slider.
import { parseClfFile } from '#core/formats/clf.ts';
import { writeClf } from '#core/formats/clfWrite.ts';
import { parseCubeFile, writeCube } from '#core/formats/cube.ts';
import { bake, bakeLosses } from '#core/lut/bake.ts';
import { compileChain } from '#core/lut/chain.ts';
import { inspectLut } from '#core/lut/inspect.ts';
import { UNIT_DOMAIN } from '#core/lut/lut.ts';
import { lutLoss } from '#core/lut/loss.ts';
import { monitoringRecipe } from '#core/lut/monitoring.ts';
import { OUTPUT_IDS, OUTPUTS } from '#core/lut/outputs.ts';
import { compileRecipe } from '#core/lut/recipe.ts';
import { recipeLattice } from '#core/lut/recipeLattice.ts';
import { BENCH_PROFILE } from './frame.ts';
import { medianOf } from './scopes.ts';

const ROUNDS = 9;
const coding = { bitDepth: 10, range: 'legal' } as const;
const tone = { grey: 0.44, white: 0.84, contrast: 1.1, toe: 0.3, shoulder: 0.6 };
const plain = monitoringRecipe({ profile: BENCH_PROFILE, pullStops: 1 });

const builds = OUTPUT_IDS.flatMap((output) =>
  [33, 65].map((size) => {
    const recipe = {
      ...plain,
      output,
      peak: 1000,
      saturation: 1.1,
      tone: output === 'bt1886' || output === 'srgb' ? tone : { contrast: 1.1, toe: 0.3, shoulder: 0.6 },
    };
    return [
      `${size} points to ${OUTPUTS[output].name}`,
      () => recipeLattice(recipe, 'code', coding, size),
    ] as const;
  }),
);

const chain = compileChain([
  { kind: 'exposure', profile: BENCH_PROFILE, stops: -1 },
  { kind: 'conversion', recipe: { ...plain, pullStops: 0 } },
]);
const lattice = recipeLattice(plain, 'code', coding, 33);
const cube = { kind: 'cube', domain: UNIT_DOMAIN, lattice } as const;
const cubeText = writeCube(lattice, { title: 'bench', comments: [] });
const words = { id: 'bench', title: 'bench', descriptions: [], input: '', output: '' };
const clfText = writeClf([cube], words);

const others: readonly (readonly [string, () => unknown])[] = [
  ['33 points of a chain, pull before the conversion', () => bake(chain, 33)],
  ['65 points of a chain', () => bake(chain, 65)],
  ['what 17, 33 and 65 points lose, plain and shaped', () => bakeLosses(compileRecipe(plain).rgb, 'bt1886')],
  ['two LUTs compared', () => lutLoss(compileRecipe(plain).rgb, chain, 'bt1886')],
  [
    'a cube of 33 points inspected',
    () =>
      inspectLut({
        nodes: [cube],
        scale: 'code',
        coding,
        interpolation: 'tetrahedral',
        output: 'bt1886',
        profile: BENCH_PROFILE,
        placement: 1,
        tones: [{ name: 'card', over: 0 }],
      }),
  ],
  ['.cube of 33 points written', () => writeCube(lattice, { title: 'bench', comments: [] })],
  ['.cube of 33 points read', () => parseCubeFile(cubeText)],
  ['CLF of 33 points written', () => writeClf([cube], words)],
  ['CLF of 33 points read', () => parseClfFile(clfText)],
];

export const timeLuts = () =>
  [...builds, ...others].map(([name, task]) => ({ name, ms: medianOf(ROUNDS, task) }));
