import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { plainContext as context } from '../rpc/fixtures/context.ts';
import { PLAIN } from '#core/kernels/plain.ts';
import { openPng } from '#core/formats/png.ts';
import { luminanceFor } from '#core/exposure/meter.ts';
import { ARCHETYPES, compileProfile } from '#core/profile/index.ts';
import { sceneFiles, STAGE_SCENE_IDS, type StageSceneId } from '#store/demo/scenes.ts';
import { codeToSignal } from '#core/signal/scale.ts';
import { judgeHandlers } from './handlers.ts';
import type { ExposeInput } from './protocol.ts';

const read = (path: string) => new Uint8Array(readFileSync(`public${path}`)).buffer;
const sceneOf = (id: StageSceneId) => {
  const files = sceneFiles(id);
  return {
    truth: new TextDecoder().decode(read(files.truth)),
    light: files.light.map(read),
    mask: read(files.mask),
    walk: files.walk === undefined ? undefined : read(files.walk),
  };
};
const shot = (part: Partial<ExposeInput['settings']> = {}): ExposeInput => ({
  body: {
    sensor: {
      electronsAtGrey: 900,
      readElectrons: 4,
      baseIsos: [800],
      sensitivity: 'gain',
      fullStops: 6,
    },
  },
  settings: {
    fNumber: 2.83,
    seconds: 1 / 50,
    iso: 800,
    ndStops: 0,
    diffusion: 0,
    kelvin: 5600,
    tint: 0,
    profile: ARCHETYPES.wideLog,
    coding: { bitDepth: 10, range: 'legal' },
    chroma: '4:2:2',
    smoothing: 0,
    ...part,
  },
  seed: 1,
  seconds: 0,
  width: 480,
  spotting: { mode: 'spot', x: 0.5, y: 0.5 },
  bias: 0,
});
const profile = compileProfile(ARCHETYPES.wideLog);

describe('the simulated camera before the scenes', () => {
  it.each(STAGE_SCENE_IDS)('%s: the card lands where the light and the settings put it', async (id) => {
    const jobs = judgeHandlers(PLAIN, PLAIN);
    const { output: opened } = await jobs.scene(sceneOf(id), context);
    if (!opened.ok) throw new Error(opened.reason);
    const truth = opened.value;
    const card = truth.objects.find(({ kind }) => kind === 'card');
    if (!card) throw new Error('no card');
    const width = truth.width;
    const height = truth.height;
    const input = {
      ...shot(),
      width,
      spotting: {
        mode: 'spot',
        x: card.rect.x + card.rect.width / 2,
        y: card.rect.y + card.rect.height / 2,
      } as const,
    };
    // As much glass or gain as brings the card to +1.
    const over = Math.log2(truth.card / luminanceFor(input.settings)) - 1;
    const settings = {
      ...input.settings,
      ndStops: Math.max(0, over),
      iso: over < 0 ? 800 * 2 ** -over : 800,
    };
    const { output: exposed } = await jobs.expose({ ...input, settings }, context);
    if (!exposed.ok) throw new Error(exposed.reason);
    // A spot is wider than the small board of a wide view.
    if (card.pixels > 3000) expect(exposed.value.shows).toBeCloseTo(1, 1);
    const rect = {
      x: card.rect.x * width,
      y: card.rect.y * height,
      width: card.rect.width * width,
      height: card.rect.height * height,
    };
    const { output } = await jobs.measure(
      {
        profile: ARCHETYPES.wideLog,
        clipStops: 6,
        floorStops: -6,
        patches: [{ id: 'card', kind: 'card', rect }],
      },
      context,
    );
    const stops = profile.stopsAt(
      codeToSignal(output.measurement.patches[0].luma, output.measurement.coding),
    );
    // Luma of a coloured light is not luminance: under water and lanterns it may lie off.
    expect(Math.abs(stops - 1)).toBeLessThan(id === 'slipway' || id === 'lantern-quay' ? 0.35 : 0.12);
  });

  it('the light of a survey is exposed as it was read', async () => {
    const jobs = judgeHandlers(PLAIN, PLAIN);
    const { output: opened } = await jobs.lightOfSpots(
      {
        card: 40,
        light: { kelvin: 5600, duv: 0 },
        fields: [
          { name: 'card', kind: 'card', luminance: 40 },
          { name: 'window', kind: 'thing', luminance: 160 },
        ],
      },
      context,
    );
    if (!opened.ok) throw new Error(opened.reason);
    const window = opened.value.objects.find(({ name }) => name === 'window')!;
    const spotting = {
      mode: 'spot',
      x: window.rect.x + window.rect.width / 2,
      y: window.rect.y + window.rect.height / 2,
    } as const;
    const { output } = await jobs.expose({ ...shot(), spotting, width: opened.value.width }, context);
    if (!output.ok) throw new Error(output.reason);
    const meant = Math.log2(160 / luminanceFor(shot().settings));
    expect(output.value.shows).toBeCloseTo(meant, 2);
  });

  it('a cloud takes the sun and gives it back', async () => {
    const jobs = judgeHandlers(PLAIN, PLAIN);
    await jobs.scene(sceneOf('packing-yard'), context);
    const shows = async (seconds: number) => {
      const { output } = await jobs.expose(
        { ...shot({ ndStops: 8 }), seconds, spotting: { mode: 'whole', x: 0, y: 0 } },
        context,
      );
      return output.ok ? output.value.shows : Number.NaN;
    };
    const sun = await shows(0);
    expect((await shows(5)) - sun).toBeLessThan(-0.7);
    expect(await shows(8)).toBeCloseTo(sun, 3);
  });

  it('says what is wrong and keeps the last picture', async () => {
    const jobs = judgeHandlers(PLAIN, PLAIN);
    expect((await jobs.expose(shot(), context)).output).toMatchObject({ ok: false, where: 'scene' });
    await jobs.scene(sceneOf('packing-yard'), context);
    await jobs.expose(shot({ ndStops: 7 }), context);
    const { output } = await jobs.expose(shot({ iso: 0 }), context);
    expect(output).toMatchObject({ ok: false, where: 'iso' });
    const measure = { profile: ARCHETYPES.wideLog, clipStops: 6, floorStops: -6, patches: [] };
    expect((await jobs.measure(measure, context)).output.measurement.width).toBe(480);
    const cut = sceneOf('packing-yard');
    const short = { ...cut, light: [cut.light[0].slice(0, 5000), cut.light[1]] };
    expect((await jobs.scene(short, context)).output).toMatchObject({ ok: false, where: 'light 1' });
    expect((await jobs.expose(shot({ ndStops: 7 }), context)).output).toMatchObject({ ok: true });
    const wrong = { ...cut, truth: cut.truth.replace('"kind": "card"', '"kind": "cardboard"') };
    const refused = (await jobs.scene(wrong, context)).output;
    expect(refused).toMatchObject({ ok: false });
    if (!refused.ok) expect(refused.reason).toMatch(/does not fit/);
  });

  it('a range read another way keeps the codes; a still is a file of them', async () => {
    const jobs = judgeHandlers(PLAIN, PLAIN);
    await jobs.scene(sceneOf('packing-yard'), context);
    await jobs.expose(shot({ ndStops: 7 }), context);
    const { output } = await jobs.still({}, context);
    if (!output.ok) throw new Error(output.reason);
    const opened = openPng(output.value.png, { range: 'legal' });
    expect(opened).toMatchObject({ ok: true, value: { reading: 'repeated10', frame: { width: 480 } } });
    expect((await jobs.reread({ range: 'full' }, context)).output).toMatchObject({
      ok: true,
      value: { info: { range: 'full' } },
    });
  });

  it('a clip is as many frames as asked, each with its planes', async () => {
    const jobs = judgeHandlers(PLAIN, PLAIN);
    await jobs.scene(sceneOf('packing-yard'), context);
    const { output } = await jobs.clip(
      { ...shot({ ndStops: 7 }), width: 96, frames: 3, rate: [25, 1] },
      context,
    );
    if (!output.ok) throw new Error(output.reason);
    const text = new TextDecoder('latin1').decode(output.value.bytes.subarray(0, 90));
    expect(text).toMatch(/^YUV4MPEG2 W96 H54 F25:1 Ip A1:1 C422p10 /);
    const head = text.indexOf('\n') + 1;
    expect(output.value.bytes.length).toBe(head + 3 * (6 + 2 * (96 * 54 + 2 * 48 * 54)));
    const none = await jobs.clip({ ...shot(), frames: 0, rate: [25, 1] }, context);
    expect(none.output).toMatchObject({ ok: false, where: 'frames' });
  });
});
