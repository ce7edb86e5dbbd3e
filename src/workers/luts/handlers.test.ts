import { describe, expect, it } from 'vitest';
import type { Triple } from '#core/maths/matrix.ts';
import { openLut } from '#core/formats/openLut.ts';
import { writeCubeFile } from '#core/formats/cube.ts';
import type { LutFormatId } from '#core/formats/lutFormats.ts';
import { cubeScale, onScale } from '#core/lut/cubeScale.ts';
import { compileGreyAxis } from '#core/lut/greyAxis.ts';
import { UNIT_DOMAIN } from '#core/lut/lut.ts';
import { sampleLattice } from '#core/lut/lattice.ts';
import { monitoringRecipe } from '#core/lut/monitoring.ts';
import { compileNodes } from '#core/lut/node.ts';
import { compileRecipe } from '#core/lut/recipe.ts';
import { ARCHETYPES, compileProfile } from '#core/profile/index.ts';
import { cancelledAfter, plainContext as context } from '../rpc/fixtures/context.ts';
import { Cancelled, type Served } from '../rpc/serve.ts';
import { lutHandlers } from './handlers.ts';
import type { LutJobs, WriteInput } from './protocol.ts';
import type { LutSpec } from './lutSpec.ts';

const coding = { bitDepth: 10, range: 'legal' } as const;
const worker = () => {
  const handlers = lutHandlers(() => 0);
  return async <K extends keyof LutJobs>(
    job: K,
    input: LutJobs[K]['input'],
  ): Promise<LutJobs[K]['output']> => {
    const served: Served<LutJobs[K]['output']> = await handlers[job](input, context);
    return served.output;
  };
};
const recipe = monitoringRecipe({ profile: ARCHETYPES.wideLog, pullStops: 1 });
const built: LutSpec = { kind: 'recipe', recipe };
const words = { id: 'a', title: 'a', comments: ['pull 1'], input: 'in', output: 'out' };
const written = (spec: LutSpec, format: LutFormatId, more: Partial<WriteInput> = {}): WriteInput => ({
  spec,
  format,
  size: 17,
  shaped: false,
  scale: 'code',
  coding,
  interpolation: 'tetrahedral',
  words,
  ...more,
});
const cubeText = (f: (rgb: Triple) => Triple) =>
  writeCubeFile(
    { kind: 'cube', domain: UNIT_DOMAIN, lattice: sampleLattice(5, f) },
    { title: 'look', comments: ['mine'] },
  );
const curveText = (f: (v: number) => number) => {
  const curve = Float32Array.from({ length: 33 }, (_, i) => f(i / 32));
  return writeCubeFile(
    { kind: 'curves', domain: UNIT_DOMAIN, curves: [curve, curve, curve] },
    { title: '', comments: [] },
  );
};
const kept = (id: string): Extract<LutSpec, { kind: 'kept' }> => ({
  kind: 'kept',
  id,
  scale: 'signal',
  coding,
  interpolation: 'tetrahedral',
});

describe('the LUT worker', () => {
  it('keeps files by what they hold; one that does not open leaves what was there', async () => {
    const call = worker();
    const good = await call('keep', { id: 'a', text: cubeText(([r, g, b]) => [r, g, b]) });
    expect(good).toMatchObject({ ok: true, value: { title: 'look', comments: ['mine'], invertible: false } });
    const bad = await call('keep', { id: 'a', text: 'LUT_3D_SIZE 900\n' });
    expect(bad).toMatchObject({ ok: false, where: 'line 1' });
    expect(compileGreyAxis(await call('axis', { spec: kept('a') }))(0.4)).toBeCloseTo(0.4, 5);
    const curve = await call('keep', { id: 'b', text: curveText((v) => v * v) });
    expect(curve).toMatchObject({ ok: true, value: { invertible: true } });
    await expect(call('axis', { spec: kept('c') })).rejects.toThrow(/no LUT c/);
  });

  it.each<[LutFormatId, Partial<WriteInput>]>([
    ['cube', {}],
    ['cube', { scale: 'signal', size: 33 }],
    ['clf', {}],
    ['clf', { shaped: true, interpolation: 'trilinear' }],
  ])('writes a recipe as %s that reads back as its picture', async (format, more) => {
    const input = written(built, format, more);
    const file = await worker()('write', input);
    if (!file.ok) throw new Error(file.reason);
    const read = openLut(file.value.text);
    if (!read.ok) throw new Error(read.reason);
    expect([read.value.title, ...read.value.comments].join()).toContain('pull 1');
    const [mine, exact] = [
      compileNodes(read.value.nodes),
      onScale(compileRecipe(recipe).rgb, input.scale, coding),
    ];
    const { toSignal, fromSignal } = cubeScale(input.scale, coding);
    const card = fromSignal(compileProfile(ARCHETYPES.wideLog).signalAt(1));
    for (const v of [0, 0.25, 0.5, 1])
      mine([v, v, v]).forEach((x, c) => expect(x).toBeCloseTo(exact([v, v, v])[c], more.shaped ? 2 : 5));
    expect(toSignal(mine([card, card, card])[1])).toBeCloseTo(0.45, 2);
  });

  it('writes curves and CDLs only of what they can say', async () => {
    const call = worker();
    expect(await call('write', written(built, 'cube1d'))).toMatchObject({
      ok: false,
      reason: expect.stringContaining('mix'),
    });
    const apart: LutSpec = {
      kind: 'recipe',
      recipe: monitoringRecipe({ profile: ARCHETYPES.classicLog, pullStops: 0 }),
    };
    expect(await call('write', written(apart, 'cube1d'))).toMatchObject({ ok: true });
    expect(await call('write', written(built, 'ccc'))).toMatchObject({ ok: false, where: 'CDL' });
    const pull: LutSpec = {
      kind: 'chain',
      steps: [{ kind: 'exposure', profile: ARCHETYPES.wideLog, stops: -1 }],
    };
    const ccc = await call('write', written(pull, 'ccc'));
    if (!ccc.ok) throw new Error(ccc.reason);
    expect(ccc.value.text).toContain('<ColorCorrectionCollection');
    expect(ccc.value.leaves).toMatch(/^From −3 stops up it is right within 0\.\d\d stop/);
    expect(ccc.value.text).toContain(ccc.value.leaves);
    const read = openLut(ccc.value.text);
    expect(read.ok && read.value.nodes[0].kind).toBe('cdl');
  });

  it('chains pull, conversion, a turned curve and a look of any strength', async () => {
    const call = worker();
    await call('keep', { id: 'look', text: cubeText(([r, g, b]) => [r * 0.5, g * 0.5, b * 0.5]) });
    await call('keep', { id: 'curve', text: curveText((v) => 0.5 * v) });
    const out = async (spec: LutSpec, v: number) => compileGreyAxis(await call('axis', { spec }))(v);
    const plain = { ...recipe, pullStops: 0 };
    const { signalAt } = compileProfile(ARCHETYPES.wideLog);
    const pulled: LutSpec = {
      kind: 'chain',
      steps: [
        { kind: 'exposure', profile: ARCHETYPES.wideLog, stops: -1 },
        { kind: 'conversion', recipe: plain },
        { ...kept('look'), kind: 'lut', intensity: 0.5 },
      ],
    };
    expect(await out(pulled, signalAt(1))).toBeCloseTo(0.45 * 0.75, 3);
    const turned: LutSpec = {
      kind: 'chain',
      steps: [{ ...kept('curve'), kind: 'lut', intensity: 1, inverse: true }],
    };
    expect(await out(turned, 0.25)).toBeCloseTo(0.5, 3);
    const solid: LutSpec = {
      kind: 'chain',
      steps: [{ ...kept('look'), kind: 'lut', intensity: 1, inverse: true }],
    };
    await expect(call('axis', { spec: solid })).rejects.toThrow(/1D/);
    const looked: LutSpec = {
      kind: 'chain',
      steps: [{ kind: 'look', of: { kind: 'recipe', recipe: plain }, intensity: 0 }],
    };
    expect(await out(looked, 0.3)).toBeCloseTo(0.3, 3);
  });

  it('measures what sizes lose and how far two LUTs lie apart', async () => {
    const call = worker();
    const losses = await call('losses', { spec: built, output: 'bt1886', scale: 'signal', coding });
    expect(losses.separable).toBe(false);
    expect(losses.baked.map(({ size, shaped }) => `${size} ${shaped}`)).toEqual([
      '17 false',
      '17 true',
      '33 false',
      '33 true',
      '65 false',
      '65 true',
    ]);
    const same = await call('compare', { a: built, b: built, output: 'bt1886' });
    expect(same.loss.worst).toBe(0);
    const reduced: LutSpec = { kind: 'reduced', of: built, points: 17, interpolation: 'trilinear' };
    const apart = await call('compare', { a: built, b: reduced, output: 'bt1886' });
    expect(apart.loss.worst).toBeGreaterThan(0.5);
    expect(Math.max(...apart.map.data)).toBeGreaterThan(0.5);
    const tetra = await call('compare', {
      a: built,
      b: { ...reduced, interpolation: 'tetrahedral' },
      output: 'bt1886',
    });
    expect(tetra.loss.stops).not.toBe(apart.loss.stops);
  });

  it('inspects what is built on a cube, and a file as it stands', async () => {
    const call = worker();
    const how = {
      output: 'bt1886',
      scale: 'signal',
      coding,
      interpolation: 'tetrahedral',
      profile: ARCHETYPES.wideLog,
      placement: 1,
      tones: [{ name: 'card', over: 0 }],
    } as const;
    const report = await call('inspect', { ...how, spec: built });
    expect(report.guess.kind).toBe('log');
    expect(report.pull).toBeCloseTo(1, 1);
    await call('keep', { id: 'x', text: cubeText(([r, g, b]) => [1 - r, 1 - g, 1 - b]) });
    expect((await call('inspect', { ...how, spec: kept('x') })).falls).toBeDefined();
  });

  const inspected = {
    spec: built,
    scale: 'signal',
    coding,
    interpolation: 'tetrahedral',
    output: 'bt1886',
    profile: ARCHETYPES.wideLog,
    placement: 0,
    tones: [],
  } as const;
  it.each<[string, keyof LutJobs, unknown]>([
    ['inspecting', 'inspect', inspected],
    ['trying the sizes', 'losses', { spec: built, output: 'bt1886', scale: 'signal', coding }],
    ['baking a recipe', 'write', written(built, 'cube')],
    ['baking with a shaper', 'write', written(built, 'clf', { shaped: true })],
  ])('%s stops in the middle when it is cancelled', async (_name, job, input) => {
    const call = cancelledAfter(20);
    try {
      const handler = lutHandlers(() => 0)[job] as (input: unknown, context: unknown) => Promise<unknown>;
      await expect(handler(input, call.context)).rejects.toBeInstanceOf(Cancelled);
      expect(call.taken()).toBe(21);
    } finally {
      call.restore();
    }
  });
});
