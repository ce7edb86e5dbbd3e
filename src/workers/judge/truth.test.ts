// Verdicts on frames of the stage against what is known of its light.
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { plainContext as context } from '../rpc/fixtures/context.ts';
import { PLAIN } from '#core/kernels/plain.ts';
import { luminanceFor } from '#core/exposure/meter.ts';
import { setCardNumbers } from '#core/exposure/setCard.ts';
import { TINT_STEP } from '#core/colour/lean.ts';
import { miredShift } from '#core/colour/balance.ts';
import { ARCHETYPES } from '#core/profile/index.ts';
import { sceneFiles, STAGE_SCENE_IDS, type StageSceneId } from '#store/demo/scenes.ts';
import { layerLight, mixed, openScene } from '#core/scene/scene.ts';
import { weightsAt, type SceneTruth, type TruthObject } from '#core/scene/truth.ts';
import type { Patch, PatchKind } from '#core/scopes/measure.ts';
import { CLIP_SLACK_STOPS } from '#core/scopes/measureFrame.ts';
import type { CameraBody, CameraSettings } from '#core/sensor/camera.ts';
import { balancedWhite } from '#core/sensor/camera.ts';
import { castOf } from '#core/verdict/cast.ts';
import { patchStops } from '#core/verdict/patchStops.ts';
import { cardReading } from '#core/verdict/index.ts';
import { judgeHandlers } from './handlers.ts';

const read = (path: string) => new Uint8Array(readFileSync(`public${path}`));
const profile = ARCHETYPES.wideLog;
// The profile's clip is reached before the pixel is full, whatever the balance.
const body: CameraBody = {
  sensor: { electronsAtGrey: 4000, readElectrons: 3, baseIsos: [800], sensitivity: 'gain', fullStops: 8 },
};

const zebra = {
  scale: 'signalPercent',
  reads: 'log',
  range: { min: 0, max: 107, step: 1, tolerances: [1, 2, 3] },
  lowerLimit: { min: 50, max: 107, step: 1 },
} as const;
const coding = { bitDepth: 10, range: 'legal' } as const;
const numbers = setCardNumbers(
  profile,
  { coding, baseIsos: [800], zebra, floorStops: -6 },
  {
    placement: 0,
    iso: 800,
    shutter: { kind: 'angle', degrees: 180 },
    iris: 4,
    ndStops: 0,
    warningMargin: 1 / 3,
  },
  [],
  25,
);

type Light = { readonly kelvin: number; readonly duv: number };

/** Settings that put the card so many stops over grey in this light. */
const settingsFor = (truth: SceneTruth, stops: number, light: Light): CameraSettings => {
  const plain = {
    fNumber: 4,
    seconds: 1 / 50,
    iso: 800,
    ndStops: 0,
    diffusion: 0,
    kelvin: light.kelvin,
    tint: -light.duv / TINT_STEP,
    profile,
    coding,
    chroma: '4:4:4',
    smoothing: 0,
  } as const;
  const over = Math.log2(truth.card / luminanceFor(plain)) - stops;
  // Glass where there is too much light, time where there is too little.
  return over >= 0 ? { ...plain, ndStops: over } : { ...plain, seconds: plain.seconds * 2 ** -over };
};

const scenes = new Map<StageSceneId, ReturnType<typeof openScene>>();
const sceneOf = (id: StageSceneId) => {
  const files = sceneFiles(id);
  const opened =
    scenes.get(id) ??
    openScene({
      truth: new TextDecoder().decode(read(files.truth)),
      light: files.light.map(read),
      mask: read(files.mask),
      walk: files.walk === undefined ? undefined : read(files.walk),
    });
  scenes.set(id, opened);
  if (!opened.ok) throw new Error(opened.reason);
  return opened.value;
};

const patchOf = (object: TruthObject, kind: PatchKind, { width, height }: SceneTruth): Patch => ({
  id: `${kind}-${object.mask}`,
  kind,
  rect: {
    x: object.rect.x * width,
    y: object.rect.y * height,
    width: object.rect.width * width,
    height: object.rect.height * height,
  },
});

const shot = async (id: StageSceneId, settings: CameraSettings, patches: readonly Patch[]) => {
  const jobs = judgeHandlers(PLAIN, PLAIN);
  const files = sceneFiles(id);
  const own = (path: string) => read(path).buffer as ArrayBuffer;
  await jobs.scene(
    {
      truth: new TextDecoder().decode(read(files.truth)),
      light: files.light.map(own),
      mask: own(files.mask),
      walk: files.walk === undefined ? undefined : own(files.walk),
    },
    context,
  );
  const { truth } = sceneOf(id);
  const spotting = { mode: 'whole', x: 0.5, y: 0.5 } as const;
  const { output } = await jobs.expose(
    { body, settings, seed: 7, seconds: 0, width: truth.width, spotting, bias: 0 },
    context,
  );
  if (!output.ok) throw new Error(output.reason);
  const { clipStops, floorStops } = numbers;
  return (await jobs.measure({ profile, clipStops, floorStops, patches }, context)).output.measurement;
};

/** Under water the light is far from any lamp's, and no dial reaches it. */
const FAR_FROM_LIGHT = 15_000;

const objectsOf = (id: StageSceneId, kind: TruthObject['kind']) =>
  sceneOf(id).truth.objects.filter(
    (object) => object.kind === kind && (object.illuminant?.kelvin ?? Infinity) < FAR_FROM_LIGHT,
  );

const trueStops = (object: TruthObject, settings: CameraSettings) =>
  Math.log2(object.keyLuminance / luminanceFor(settings));

describe.each(STAGE_SCENE_IDS)('%s', (id) => {
  const { truth } = sceneOf(id);

  it('the card’s verdict is within 1/12 stop of its light, the balance within 5 mired of its colour', async () => {
    for (const card of objectsOf(id, 'card')) {
      const { illuminant } = card;
      if (!illuminant) continue;
      const settings = settingsFor(truth, 0.5, illuminant);
      const patches = [patchOf(card, 'card', truth)];
      const measurement = await shot(id, settings, patches);
      const found = cardReading({ measurement, numbers, placement: 0 });
      expect(Math.abs((found?.stops ?? 99) - trueStops(card, settings))).toBeLessThan(1 / 12);
      for (const off of [-60, 0, 60]) {
        const light = { kelvin: 1e6 / (1e6 / illuminant.kelvin + off), duv: illuminant.duv };
        const turned = await shot(id, settingsFor(truth, 0.5, light), patches);
        const cast = castOf(turned, numbers, light);
        expect(Math.abs((cast?.mired ?? 99) - miredShift(illuminant.kelvin, light.kelvin))).toBeLessThan(5);
      }
    }
  }, 120_000);

  it('skin is within 1/6 stop of its light', async () => {
    for (const face of objectsOf(id, 'skin')) {
      if (!face.illuminant) continue;
      const settings = settingsFor(truth, 0.5, face.illuminant);
      const measurement = await shot(id, settings, [patchOf(face, 'skin', truth)]);
      const stops = patchStops(measurement.patches[0], measurement.coding, numbers.profile);
      expect(Math.abs(stops - trueStops(face, settings)), face.name).toBeLessThan(1 / 6);
    }
  }, 120_000);

  it('what clips is within 2 % of the area that the light makes clip', async () => {
    const scene = sceneOf(id);
    const light = mixed(
      scene.layers.map((_, n) => layerLight(scene, n)),
      weightsAt(truth, 0),
    );
    const white = objectsOf(id, 'card')[0]?.illuminant ?? { kelvin: 5600, duv: 0 };
    // Bright enough that an area clips, but not all of the picture.
    const settings = settingsFor(truth, 3.5, white);
    const balance = balancedWhite(settings);
    const n = truth.width * truth.height;
    const clip = luminanceFor(settings) * 2 ** (numbers.clipStops - CLIP_SLACK_STOPS);
    let all = 0;
    for (let i = 0; i < n; i += 1)
      if ([0, 1, 2].every((c) => light.rgb[c * n + i] / balance[c] >= clip)) all += 1;
    const measurement = await shot(id, settings, []);
    const share = all / n;
    // Under a thousandth of the picture there is no area, only points.
    expect(Math.abs(measurement.clipping.all - share)).toBeLessThan(Math.max(0.02 * share, 3e-4));
  }, 120_000);
});
