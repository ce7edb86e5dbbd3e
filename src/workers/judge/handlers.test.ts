import { beforeEach, describe, expect, it } from 'vitest';
import { cancelledAfter, plainContext as context } from '../rpc/fixtures/context.ts';
import { Cancelled } from '../rpc/serve.ts';
import { PLAIN } from '#core/kernels/plain.ts';
import { openPng } from '#core/formats/png.ts';
import { writeCube } from '#core/formats/cube.ts';
import { monitoringRecipe } from '#core/lut/monitoring.ts';
import type { OutputId } from '#core/lut/outputs.ts';
import { recipeLattice } from '#core/lut/recipeLattice.ts';
import type { LutSpec } from '../luts/lutSpec.ts';
import { card, file, fileBlob as blob, measure, picture, profile } from './fixtures/furnace.ts';
import { judgeHandlers } from './handlers.ts';

describe('judging', () => {
  let jobs = judgeHandlers(PLAIN, PLAIN);
  beforeEach(() => {
    jobs = judgeHandlers(PLAIN, PLAIN);
  });
  const open = async () => {
    const { output } = await jobs.open({ file: blob(file), name: 'frame.png', range: 'legal' }, context);
    if (!output.ok) throw new Error(output.reason);
    return output.value.info;
  };

  it('opens a frame and says how its codes were read', async () => {
    expect(await open()).toMatchObject({
      width: 960,
      height: 540,
      bitDepth: 10,
      range: 'legal',
      reading: 'repeated10',
    });
  });

  it('paints through a LUT: of a recipe, of a file, of an HDR output as far as this screen shows it', async () => {
    await open();
    const recipe = monitoringRecipe({ profile, pullStops: 1 });
    const through = (spec: LutSpec, output: OutputId = 'bt1886') =>
      jobs.picture({ ...picture, pullStops: 0, through: { spec, output } }, context);
    const at = ({ output: { rgba, width } }: Awaited<ReturnType<typeof through>>) =>
      rgba[4 * (card.rect.y * width + width * 10 + card.rect.x + 20) + 1];
    const plain = at(await jobs.picture(picture, context));
    expect(at(await through({ kind: 'recipe', recipe }))).toBe(plain);
    const text = writeCube(recipeLattice(recipe, 'code', { bitDepth: 10, range: 'legal' }, 33), {
      title: '',
      comments: [],
    });
    expect((await jobs.keep({ id: 'a', text }, context)).output.ok).toBe(true);
    const kept = {
      kind: 'kept',
      id: 'a',
      scale: 'code',
      coding: { bitDepth: 10, range: 'legal' },
      interpolation: 'tetrahedral',
    } as const;
    expect(Math.abs(at(await through(kept)) - plain)).toBeLessThanOrEqual(1);
    expect((await jobs.keep({ id: 'a', text: 'nonsense' }, context)).output.ok).toBe(false);
    expect(Math.abs(at(await through(kept)) - plain)).toBeLessThanOrEqual(1);
    // HDR grey of 26 cd/m2 of a white of 203 is 0.128, as sRGB 101; the BT.709 picture's is brighter
    // (BT.2408-7 table 1).
    expect(
      at(await through({ kind: 'recipe', recipe: { ...recipe, output: 'pq', peak: 1000 } }, 'pq')),
    ).toBeGreaterThan(94);
    expect(
      at(await through({ kind: 'recipe', recipe: { ...recipe, output: 'pq', peak: 1000 } }, 'pq')),
    ).toBeLessThan(108);
  });

  it('does a correction both ways, and counts the picture behind a LUT', async () => {
    await open();
    const recipe = monitoringRecipe({ profile, pullStops: 1 });
    const { output } = await jobs.order({ recipe, correction: { stops: -2, mired: 0 } }, context);
    expect(output.before.levels).toBeGreaterThan(output.after.levels);
    expect(output.pixels).toBeGreaterThan(10_000);
    const left = cancelledAfter(3);
    const again = jobs.order({ recipe, correction: { stops: -2, mired: 0 } }, left.context);
    await expect(again.finally(left.restore)).rejects.toBeInstanceOf(Cancelled);
    expect(left.taken()).toBe(4);
    const scope = await jobs.scope(
      {
        pane: 'a',
        scope: 'waveform',
        profile,
        scale: 'percent',
        axis: [0, 100],
        columns: 120,
        height: 100,
        ramp: 'viridis',
        matrix: 'bt709',
        brightness: 1,
        reach: 1,
        hold: false,
        through: { kind: 'corrected', recipe, correction: { stops: -2, mired: 0 }, order: 'after' },
      },
      context,
    );
    const { rgba, width, height } = scope.output;
    // Nothing of it is left over (1/4)^(1/2.4) = 56 %, where white is after two stops less.
    const lit = (row: number) =>
      Array.from({ length: width }, (_, x) => rgba[4 * (row * width + x) + 3]).some((v) => v > 0);
    expect(lit(Math.round(height * 0.35))).toBe(false);
    expect(lit(Math.round(height * 0.9))).toBe(true);
  });

  it('keeps the last good frame when a file does not open', async () => {
    await open();
    const { output } = await jobs.open(
      { file: blob(new TextEncoder().encode('a list of takes')), name: 'takes.png', range: 'legal' },
      context,
    );
    expect(output).toMatchObject({ ok: false });
    expect((await jobs.measure(measure, context)).output.measurement.width).toBe(960);
  });

  it('has nothing to measure or read again before a frame is open', async () => {
    await expect(jobs.measure(measure, context)).rejects.toThrow(/no frame is open/);
    expect((await jobs.reread({ range: 'full' }, context)).output).toMatchObject({ ok: false });
  });

  it('measures every pixel, and the card at its placement', async () => {
    await open();
    const { output: measured } = await jobs.measure(measure, context);
    const output = measured.measurement;
    expect(output.histogram.reduce((sum, n) => sum + n, 0)).toBe(960 * 540);
    expect(output.clipping.all).toBeGreaterThan(0.03);
    const [reading] = output.patches;
    // Card at +1 on wide log: 49.25 % of signal, code 495.
    expect(Math.abs(reading.luma - (64 + 8.76 * 49.25))).toBeLessThan(2);
  });

  it('reads the same codes as full range when told', async () => {
    await open();
    const { output } = await jobs.reread({ range: 'full' }, context);
    expect(output).toMatchObject({ ok: true, value: { info: { range: 'full', reading: 'repeated10' } } });
    const { output: measured } = await jobs.measure(measure, context);
    expect(measured.measurement.coding.range).toBe('full');
  });

  it.each(['recorded', 'monitor', 'stops'] as const)('paints %s at the frame’s own size', async (view) => {
    await open();
    const { output } = await jobs.picture({ ...picture, view }, context);
    expect([output.width, output.height, output.rgba.length]).toEqual([960, 540, 960 * 540 * 4]);
    expect(output.rgba[3]).toBe(255);
  });

  it('overlays change the picture only where they lie', async () => {
    await open();
    const { output: plain } = await jobs.picture(picture, context);
    const { output: striped } = await jobs.picture(
      { ...picture, warningZebra: { from: 880, to: 1023 } },
      context,
    );
    const changed =
      plain.rgba.reduce((n, v, i) => (v === striped.rgba[i] ? n : n + 1), 0) / plain.rgba.length;
    expect(changed).toBeGreaterThan(0.01);
    expect(changed).toBeLessThan(0.06);
    const { output: lined } = await jobs.picture({ ...picture, contours: true }, context);
    expect(lined.rgba).not.toEqual(plain.rgba);
  });

  it('draws the waveform in % and in stops, differently', async () => {
    await open();
    const request = {
      pane: 'first',
      scope: 'waveform',
      profile,
      columns: 640,
      height: 200,
      ramp: 'viridis',
      matrix: 'bt709',
      brightness: 1,
      reach: 1,
      hold: false,
    } as const;
    const { output: percent } = await jobs.scope({ ...request, scale: 'percent', axis: [-8, 110] }, context);
    const { output: stops } = await jobs.scope({ ...request, scale: 'stops', axis: [-8, 8] }, context);
    expect([percent.width, percent.height]).toEqual([640, 200]);
    expect(stops.rgba).not.toEqual(percent.rgba);
    expect(stops.rgba.some((v) => v > 0)).toBe(true);
  });

  it('makes a thumbnail that opens', async () => {
    await open();
    const thumbnail = { profile, pullStops: 1, width: 240 };
    const { output } = await jobs.capture({ ...measure, thumbnail }, context);
    const png = openPng(output.png, { range: 'full' });
    expect(png).toMatchObject({ ok: true, value: { frame: { width: 240, height: 135 } } });
    // What was measured is of the same picture.
    const { output: measured } = await jobs.measure(measure, context);
    expect(output).toMatchObject({
      opening: measured.opening,
      picture: measured.picture,
      info: { width: 960 },
    });
    expect(output.measurement).toEqual(measured.measurement);
  });
});
