import { beforeEach, describe, expect, it } from 'vitest';
import { cancelledAfter, plainContext as context } from '../rpc/fixtures/context.ts';
import { Cancelled } from '../rpc/serve.ts';
import { PLAIN } from '#core/kernels/plain.ts';
import { openPng } from '#core/formats/png.ts';
import { compileGrade } from '#core/grade/compileGrade.ts';
import { newRow } from '#core/grade/rows/rowKinds.ts';
import { PLAIN_SCHOOLS } from '#core/grade/start/schools.ts';
import { monitoringRecipe } from '#core/lut/monitoring.ts';
import { codeToSignal } from '#core/signal/scale.ts';
import type { LutSpec } from '../luts/lutSpec.ts';
import { card, file, fileBlob as blob, measure, picture, profile } from './fixtures/furnace.ts';
import { judgeHandlers } from './handlers.ts';

describe('the trial grade on the frame on the bench', () => {
  let jobs = judgeHandlers(PLAIN, PLAIN);
  beforeEach(() => {
    jobs = judgeHandlers(PLAIN, PLAIN);
  });
  const open = async () => {
    const { output } = await jobs.open({ file: blob(file), name: 'frame.png', range: 'legal' }, context);
    if (!output.ok) throw new Error(output.reason);
  };

  it('starts, reads and picks a trial grade on the frame', async () => {
    await open();
    const base = {
      recipe: monitoringRecipe({ profile, pullStops: 0 }),
      dial: { kelvin: 5600, tint: 0 },
      floorStops: -6,
    };
    const marks = { patches: [card], names: { card: { name: 'the card' } } };
    const start = { base, placement: 1, isUnderWater: false, schools: PLAIN_SCHOOLS, ...marks };
    const { output: proposals } = await jobs.gradeStart(start, context);
    // The card of the file lies at +1.
    expect(proposals.find(({ kind }) => kind === 'exposure')?.values.stops).toBeCloseTo(-1, 1);
    const rows = proposals.map(({ kind, on, side, values }) => ({ id: kind, kind, on, side, values }));
    const stray = { ...newRow('exposure', 'stray'), side: 'after' as const, values: { stops: -1 } };
    const sensor = { electronsAtGrey: 900, readElectrons: 3 };
    const grade = { ...base, rows: [...rows, stray] };
    const { output: read } = await jobs.gradeRead({ grade, sensor, overBase: 0, ...marks }, context);
    expect(read.without.map(({ id }) => id)).toEqual(grade.rows.filter(({ on }) => on).map(({ id }) => id));
    const without = read.without.find(({ id }) => id === 'exposure')!;
    expect(without.figures.middle).toBeGreaterThan(read.figures.middle);
    expect(read.light).toBeUndefined();
    const hdr = { ...grade, recipe: { ...base.recipe, output: 'pq' as const, peak: 1000 }, rows };
    const { output: bright } = await jobs.gradeRead({ grade: hdr, sensor, overBase: 0, ...marks }, context);
    // The furnace clips: it is at the display's peak, and the room is dark.
    expect(bright.light?.highest).toBeGreaterThan(900);
    expect(bright.light?.highest).toBeLessThanOrEqual(1001);
    expect(bright.light?.mean).toBeLessThan(203);
    expect(read.costs.map(({ id }) => id)).toEqual(['stray']);
    expect(read.costs[0].loss.after.levels).toBeLessThan(read.costs[0].loss.before.levels);
    const pick = { grade: { ...base, rows: [newRow('skin')] }, rowId: 'skin' };
    const { output: grey } = await jobs.gradePick({ ...pick, rect: card.rect }, context);
    expect(grey.range).toBeUndefined();
    const stopped = cancelledAfter(2);
    const asked = jobs.gradeRead({ grade, sensor, overBase: 0, ...marks }, stopped.context);
    await expect(asked).rejects.toThrow(Cancelled);
    stopped.restore();
  });

  it('makes a still of 16 bits through a grade, as the grade itself within a 10-bit code', async () => {
    await open();
    const rows = [{ ...newRow('exposure'), values: { stops: -1 } }];
    const recipe = monitoringRecipe({ profile, pullStops: 0 });
    const grade = { recipe, dial: { kelvin: 5600, tint: 0 }, floorStops: -6, rows };
    const { output } = await jobs.gradeStill({ grade, isBoth: true }, context);
    if (!output.ok) throw new Error(output.reason);
    const still = openPng(output.value.png, { range: 'full' });
    if (!still.ok) throw new Error(still.reason);
    const { frame } = still.value;
    expect([frame.width, frame.height]).toEqual([960, 540]);
    const { output: marked } = await jobs.measure(measure, context);
    const { r, g, b } = marked.measurement.patches[0];
    const meant = compileGrade(grade).run(
      [r, g, b].map((v) => codeToSignal(v, marked.measurement.coding)) as never,
    );
    const { x, y, width, height } = card.rect;
    const [cx, cy] = [x + width / 2, y + height / 2];
    let sum = 0;
    for (let v = -10; v < 10; v += 1)
      for (let u = -10; u < 10; u += 1) sum += frame.g[(cy + v) * 960 + cx + u];
    const top = 2 ** frame.bitDepth - 1;
    // The other is the frame as it was recorded, code for code.
    const recorded = openPng(output.value.asShot!, { range: 'legal' });
    expect(recorded.ok && recorded.value.frame.bitDepth).toBe(10);
    const { output: codes } = await jobs.codes({ rect: { x: cx, y: cy, width: 3, height: 1 } }, context);
    const row = cy * 960 + cx;
    expect(recorded.ok && [...recorded.value.frame.g.slice(row, row + 3)]).toEqual(codes.map((one) => one.g));
    // The mean of a noisy card: its middle.
    expect(Math.abs(sum / 400 / top - meant[1])).toBeLessThan(4 / 1023);
  });

  it('draws a grade on the points of its lattice as the grade itself', async () => {
    await open();
    const rows = [{ ...newRow('exposure'), values: { stops: -1 } }];
    const recipe = monitoringRecipe({ profile, pullStops: 0 });
    const grade = { recipe, dial: { kelvin: 5600, tint: 0 }, floorStops: -6, rows };
    const through = (spec: LutSpec) => ({ ...picture, through: { spec, output: 'bt1886' as const } });
    const [graded, pulled] = await Promise.all([
      jobs.picture(through({ kind: 'grade', grade }), context),
      jobs.picture(through({ kind: 'recipe', recipe: { ...recipe, pullStops: 1 } }), context),
    ]);
    const furthest = graded.output.rgba.reduce(
      (most, v, i) => Math.max(most, Math.abs(v - pulled.output.rgba[i])),
      0,
    );
    expect(furthest).toBeLessThanOrEqual(1);
    const matte = await jobs.picture(through({ kind: 'grade', grade, matte: 'exposure' }), context);
    expect(new Set(matte.output.rgba)).toEqual(new Set([255]));
  });
});
