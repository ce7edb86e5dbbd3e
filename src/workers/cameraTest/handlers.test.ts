// The worker on clips that the stage filmed, and on clips of curves that nobody here chose: ffmpeg's.
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { DESK_CHART_CORNERS } from '#core/cameraTest/film/desk.ts';
import { CAMERA, filmingOf, HAVE, TRUTH } from '#core/cameraTest/fixtures/filmed.ts';
import { USUAL_MARK } from '#core/cameraTest/find/glance.ts';
import { shotList } from '#core/cameraTest/shotKinds.ts';
import { bracketSteps } from '#core/cameraTest/shots/ground.ts';
import type { TestBasis } from '#core/cameraTest/tell/types.ts';
import { PLAIN } from '#core/kernels/plain.ts';
import { compileProfile, doubtAt } from '#core/profile/index.ts';
import { ffmpeg, run, scratchFolder } from '#core/scopes/fixtures/ffmpeg.ts';
import { cancelledAfter, plainContext as context } from '../rpc/fixtures/context.ts';
import { Cancelled } from '../rpc/serve.ts';
import { cameraTestHandlers } from './handlers.ts';

const folder = scratchFolder();
const TEN = { bitDepth: 10, range: 'legal' } as const;
const NO_EDITS = { labels: {}, bounds: {} };
const marks = { card: USUAL_MARK };
const BASIS = { camera: CAMERA, have: HAVE, coding: TEN, gamut: 'bt709' } satisfies Omit<TestBasis, 'filmed'>;

describe('clips that the stage filmed', () => {
  const list = shotList({ camera: CAMERA, have: HAVE, length: 'short' });
  const filming = { ...filmingOf('wideLog', TEN), frames: 4 };

  it('are looked at, told apart, evaluated and forgotten', async () => {
    const jobs = cameraTestHandlers(PLAIN);
    const { output: files } = await jobs.film({ list, filming, inOne: false }, context);
    expect(files).toHaveLength(list.length);
    const clips = files.map(({ name }) => name);
    for (const { name, bytes } of files) {
      const input = { id: name, file: new Blob([bytes]), range: 'legal' as const, marks };
      const { output } = await jobs.look(input, context);
      expect(output).toMatchObject({ ok: true, value: { frames: 4, coding: TEN, isVariable: false } });
    }
    const { output: found } = await jobs.find({ list, clips, edits: NO_EDITS }, context);
    expect(found.found.map(({ shotId }) => shotId)).toEqual(list.map(({ id }) => id));
    const { output: told } = await jobs.evaluate({ ...BASIS, list, clips, edits: NO_EDITS }, context);
    expect(told.ok && told.value.parts.map(({ id }) => id)).toContain('noise');
    const { output: picture } = await jobs.picture({ clip: clips[3], at: 1 }, context);
    expect(picture).toMatchObject({ width: 96, height: 54 });
    await jobs.forget({ ids: clips }, context);
    expect((await jobs.find({ list, clips, edits: NO_EDITS }, context)).output.found).toEqual([]);
  }, 30_000);

  it('are told apart in one file too, and marked on a frame of it', async () => {
    const jobs = cameraTestHandlers(PLAIN);
    const some = list.filter(({ kind }) => kind !== 'cap').slice(0, 8);
    const { output: files } = await jobs.film({ list: some, filming, inOne: true }, context);
    expect(files).toHaveLength(1);
    const file = new Blob([files[0].bytes]);
    const shown = await jobs.preview({ file, range: 'legal', at: 0 }, context);
    expect(shown.output).toMatchObject({ ok: true, value: { width: 320 } });
    await jobs.remember({ file, range: 'legal', at: 0, marks }, context);
    await jobs.look({ id: 'one', file, range: 'legal', marks }, context);
    const { output } = await jobs.find({ list: some, clips: ['one'], edits: NO_EDITS }, context);
    expect(output.found.map(({ shotId }) => shotId)).toEqual(some.map(({ id }) => id));
    expect(TRUTH.meterBias).toBeGreaterThan(0);
  }, 30_000);

  it('a chart is read where its corners lie; corners that make none are refused', async () => {
    const jobs = cameraTestHandlers(PLAIN);
    const some = shotList({ camera: CAMERA, have: HAVE, length: 'usual' }).filter(
      ({ kind }) => kind === 'sheets',
    );
    const { output: files } = await jobs.film({ list: some, filming, inOne: false }, context);
    const on = { file: new Blob([files[0].bytes]), range: 'legal', at: 0, board: 'grid24' } as const;
    const { output } = await jobs.chart({ ...on, corners: DESK_CHART_CORNERS }, context);
    if (!output.ok) throw new Error(output.reason);
    expect(output.value).toHaveLength(24);
    // Its lowest row is grey, the brightest first: equal channels that fall.
    const greys = output.value.slice(18).map(([, g]) => g);
    expect(greys).toEqual([...greys].sort((a, b) => b - a));
    const [p] = DESK_CHART_CORNERS;
    expect((await jobs.chart({ ...on, corners: [p, p, p, p] }, context)).output).toMatchObject({ ok: false });
  }, 30_000);

  it('stops between two shots, and says what is wrong with a file that is no clip', async () => {
    const jobs = cameraTestHandlers(PLAIN);
    const stopped = cancelledAfter(2);
    await expect(jobs.film({ list, filming, inOne: false }, stopped.context)).rejects.toThrow(Cancelled);
    stopped.restore();
    const look = (bytes: BlobPart) =>
      jobs.look({ id: 'x', file: new Blob([bytes]), range: 'legal', marks }, context);
    expect((await look('')).output).toMatchObject({ ok: false });
    const header = 'YUV4MPEG2 W64 H36 F25:1 C420jpeg\n';
    expect((await look(header)).output).toMatchObject({ ok: false });
    const cut = `${header}FRAME\n${'x'.repeat(64 * 36)}`;
    expect((await look(cut)).output).toMatchObject({ ok: false });
  });
});

/** Seconds of each light. */
const EACH = 2;

/** Each light for some seconds in ffmpeg’s own curve: a card in the middle, brighter and darker about it. */
const ffmpegClip = (transfer: string, stops: readonly number[], grey: number, noise: number): Blob => {
  const path = join(folder, `${transfer}-${stops.length}-${noise}.y4m`);
  const level = stops.reduceRight<string>(
    (rest, at, i) => `if(lt(T,${EACH * (i + 1)}),${(grey * 2 ** at).toPrecision(8)},${rest})`,
    '0',
  );
  const place = 'if(between(X,32,64)*between(Y,16,38),1,if(lt(X,24),4,if(gt(Y,40),0.3,0.6)))';
  const light = `(${level})*(${place})*(1+${noise}*(random(0)-0.5))`;
  const plane = `'${light.replaceAll(',', '\\,')}'`;
  const source = [
    `nullsrc=s=96x54:r=2:d=${EACH * stops.length}`,
    'format=gbrpf32le',
    `geq=r=${plane}:g=${plane}:b=${plane}`,
    `zscale=tin=linear:pin=bt709:min=gbr:rin=full:t=${transfer}:p=bt709:m=bt709:r=limited`,
    'format=yuv422p10le',
  ].join(',');
  run('-f', 'lavfi', '-i', source, '-strict', '-1', '-f', 'yuv4mpegpipe', path);
  return new Blob([readFileSync(path)]);
};

describe.skipIf(!ffmpeg)('a curve of ffmpeg’s', () => {
  const steps = bracketSteps(CAMERA, 1).flat();
  const list = shotList({ camera: CAMERA, have: HAVE, length: 'short' }).filter(
    ({ kind }) => kind === 'bracket',
  );
  const between = [-4.5, -3.3, -2.6, -1.5, -0.4, 0.5, 1.3];

  it.each([
    ['arib-std-b67', 0.4],
    ['smpte170m', 0.1],
  ])(
    '%s is found within its band at lights that were not filmed',
    async (transfer, grey) => {
      const jobs = cameraTestHandlers(PLAIN);
      const look = async (id: string, stops: readonly number[], noise: number) => {
        const file = ffmpegClip(transfer, stops, grey, noise);
        const { output } = await jobs.look({ id, file, range: 'legal', marks }, context);
        if (!output.ok) throw new Error(output.reason);
      };
      await look(
        'bracket',
        steps.map(({ stops }) => stops),
        0.02,
      );
      const { output: found } = await jobs.find({ list, clips: ['bracket'], edits: NO_EDITS }, context);
      const rising = found.found.filter(({ shotId }) => shotId !== undefined);
      expect(rising.length).toBeGreaterThan(10);
      const labels = Object.fromEntries(
        found.found.map((one) => [one.id, list[Math.round(one.from / EACH)]?.id ?? null]),
      );
      const edits = { labels, bounds: {} };
      const { output } = await jobs.evaluate({ ...BASIS, list, clips: ['bracket'], edits }, context);
      if (!output.ok) throw new Error(output.reason);
      const { signalAt } = compileProfile(output.value.curve.profile);
      // The same lights as ffmpeg codes them, without noise.
      await look('truth', between, 0);
      const { output: truth } = await jobs.find({ list: [], clips: ['truth'], edits: NO_EDITS }, context);
      expect(truth.found).toHaveLength(between.length);
      truth.found.forEach(({ signal, from }) => {
        const at = between[Math.round(from / EACH)];
        const doubt = doubtAt(output.value.curve.profile.band, at)?.signal ?? 0;
        expect(Math.abs(signalAt(at) - signal)).toBeLessThan(doubt + 0.004);
      });
    },
    60_000,
  );
});
