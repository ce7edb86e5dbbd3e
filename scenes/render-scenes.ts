// npm run scenes [id …]: renders the scenes of the stage into public/scenes. Deterministic: same code, same light.
// A scene takes minutes; several processes may each be given some ids.
import { encode } from 'fast-png';
import { mkdirSync, writeFileSync } from 'node:fs';
import { HOTTEST, temperatureOf } from '#core/colour/temperature.ts';
import { GAMUTS, rgbToXyz } from '#core/colour/gamut.ts';
import { apply } from '#core/maths/matrix.ts';
import { xyzToXy } from '#core/colour/chromaticity.ts';
import { develop, layMedium } from './render/denoise.ts';
import { SCENE_MODELS, WALKS, type SceneModel, type SceneModelId, type WalkId } from './models/index.ts';
import type { Model } from './render/model.ts';
import type { Traced, Window } from './render/samples.ts';
import { Tracer } from './render/trace.ts';
import { onlyChanged } from './walkStrip.ts';
import { lightToCode, luminance } from '#core/scene/light.ts';
import { writeTruth, type SceneTruth, type TruthObject } from '#core/scene/truth.ts';

const SIZE = { width: 960, height: 540 } as const;
const WALK_SIZE = { width: 640, height: 360 } as const;
const FILTER = { passes: 5, tolerance: 1.2 } as const;
/** The key side of a face is as bright as this share of it is not. */
const KEY_SHARE = 0.72;
const SEED = 11;
const TO_XYZ = rgbToXyz(GAMUTS.bt2020);

const rendered = (model: Model, size: typeof SIZE | typeof WALK_SIZE, rect: Window, samples: number) => {
  const traced = new Tracer(model).trace(size, rect, samples, SEED);
  const layers = develop(traced, FILTER);
  layMedium(layers, traced.depth, model);
  return { traced, layers };
};

const sumOf = (layers: readonly Float32Array[], weights = layers.map(() => 1)) => {
  const sum = new Float32Array(layers[0].length);
  layers.forEach((layer, n) => {
    for (let i = 0; i < sum.length; i += 1) sum[i] += weights[n] * layer[i];
  });
  return sum;
};

/** The window of a thing it is read in: the middle of it, of a face its key side without the sheen. */
const windowOf = (traced: Traced, light: Float32Array, mask: number, key: boolean): Window => {
  const { width, height } = traced;
  const pixels = width * height;
  let [count, sx, sy] = [0, 0, 0];
  for (let i = 0; i < pixels; i += 1) {
    if (traced.mask[i] !== mask) continue;
    count += 1;
    sx += i % width;
    sy += Math.floor(i / width);
  }
  const [cx, cy] = [sx / count, sy / count];
  const lumas = Array.from({ length: pixels }, (_, i) => i)
    .filter((i) => traced.mask[i] === mask)
    .map((i) => luminance(light[i], light[i + pixels], light[i + 2 * pixels]))
    .sort((a, b) => a - b);
  const wanted = Math.log(lumas[Math.floor(KEY_SHARE * (lumas.length - 1))] + 1e-9);
  for (let side = Math.max(2, Math.round(Math.sqrt(count) * (key ? 0.26 : 0.55))); side >= 1; side -= 1) {
    let best: { x: number; y: number; worth: number } | undefined;
    for (let y = 0; y + side <= height; y += 1)
      for (let x = 0; x + side <= width; x += 1) {
        if (
          traced.mask[y * width + x] !== mask ||
          traced.mask[(y + side - 1) * width + x + side - 1] !== mask
        )
          continue;
        let [inside, sum] = [true, 0];
        for (let v = 0; v < side && inside; v += 1)
          for (let u = 0; u < side; u += 1) {
            const i = (y + v) * width + x + u;
            inside &&= traced.mask[i] === mask;
            sum += luminance(light[i], light[i + pixels], light[i + 2 * pixels]);
          }
        if (!inside) continue;
        const worth = key
          ? -Math.abs(Math.log(sum / (side * side) + 1e-9) - wanted)
          : -Math.hypot(x + side / 2 - cx, y + side / 2 - cy);
        if (!best || worth > best.worth) best = { x, y, worth };
      }
    if (best) return { x: best.x, y: best.y, width: side, height: side };
  }
  return { x: Math.round(cx), y: Math.round(cy), width: 1, height: 1 };
};

const meanOver = (traced: Traced, plane: Float32Array, holds: (i: number) => boolean) => {
  const pixels = traced.width * traced.height;
  const sum = [0, 0, 0];
  let count = 0;
  for (let i = 0; i < pixels; i += 1) {
    if (!holds(i)) continue;
    count += 1;
    for (let c = 0; c < 3; c += 1) sum[c] += plane[i + c * pixels];
  }
  return { count, mean: sum.map((v) => v / Math.max(1, count)) as [number, number, number] };
};

const short = (v: number) => Number(v.toPrecision(5));
const shorts = (v: readonly number[]) => v.map(short) as unknown as [number, number, number];

const objectsOf = (traced: Traced, light: Float32Array): TruthObject[] =>
  traced.things.flatMap((thing, n): TruthObject[] => {
    const mask = n + 1;
    const inMask = (i: number) => traced.mask[i] === mask;
    const { mean, count } = meanOver(traced, light, inMask);
    if (count === 0) return [];
    const rect = windowOf(traced, light, mask, thing.kind === 'skin');
    const inRect = (i: number) => {
      const [x, y] = [i % traced.width, Math.floor(i / traced.width)];
      return x >= rect.x && x < rect.x + rect.width && y >= rect.y && y < rect.y + rect.height;
    };
    const key = meanOver(traced, light, inRect).mean;
    const matt = thing.kind !== 'light';
    const reflectance = meanOver(traced, traced.albedo, inRect).mean;
    const fell = key.map((v, c) => v / Math.max(reflectance[c], 1e-6)) as [number, number, number];
    const { kelvin, duv } = temperatureOf(xyzToXy(apply(TO_XYZ, fell)));
    return [
      {
        mask,
        name: thing.name,
        kind: thing.kind,
        ...(thing.subjectId === undefined ? {} : { subjectId: thing.subjectId }),
        ...(matt ? { reflectance: shorts(reflectance) } : {}),
        light: shorts(mean),
        luminance: short(luminance(...mean)),
        keyLuminance: short(luminance(...key)),
        ...(matt
          ? { illuminant: { kelvin: Math.round(Math.min(HOTTEST, kelvin)), duv: Number(duv.toFixed(5)) } }
          : {}),
        pixels: count,
        rect: {
          x: short(rect.x / traced.width),
          y: short(rect.y / traced.height),
          width: short(rect.width / traced.width),
          height: short(rect.height / traced.height),
        },
      },
    ];
  });

const codesOf = (layer: Float32Array, { width, height }: Pick<Window, 'width' | 'height'>, card: number) => {
  const pixels = width * height;
  const data = new Uint16Array(3 * pixels);
  for (let i = 0; i < pixels; i += 1)
    for (let c = 0; c < 3; c += 1) data[3 * i + c] = lightToCode(layer[i + c * pixels], card);
  return data;
};

const lightPng = (layer: Float32Array, width: number, height: number, card: number): Uint8Array =>
  encode(
    { width, height, data: codesOf(layer, { width, height }, card), depth: 16, channels: 3 },
    { zlib: { level: 9 } },
  );

const write = (dir: string, file: string, bytes: Uint8Array | string) => {
  writeFileSync(`${dir}/${file}`, bytes);
  console.log(`${dir}/${file} ${(bytes.length / 1e6).toFixed(2)} MB`);
};

/** Brings the card to its luminance, in place; what the objects say follows, and the factor it took. */
const settle = (
  traced: Traced,
  layers: readonly Float32Array[],
  card: number,
  /** Of the layers at rest. */
  weights?: number[],
) => {
  const found = objectsOf(traced, sumOf(layers, weights)).find(({ kind }) => kind === 'card');
  if (!found) throw new Error('The scene shows no grey card.');
  const factor = card / found.keyLuminance;
  for (const layer of layers) brighten(layer, factor);
  return { objects: objectsOf(traced, sumOf(layers, weights)), factor };
};

const brighten = (layer: Float32Array, factor: number) => {
  for (let i = 0; i < layer.length; i += 1) layer[i] *= factor;
};

const still = (id: SceneModelId) => {
  const { model: make, samples, card, layers: names, weather }: SceneModel = SCENE_MODELS[id];
  const model = make();
  const { traced, layers } = rendered(model, SIZE, { x: 0, y: 0, ...SIZE }, samples);
  const { objects } = settle(traced, layers, card, weather && [...weather[0].weights]);
  const dir = `public/scenes/${id}`;
  mkdirSync(dir, { recursive: true });
  const truth: SceneTruth = { id, ...SIZE, card, layers: names, ...(weather ? { weather } : {}), objects };
  layers.forEach((layer, n) =>
    write(dir, `light-${n + 1}.png`, lightPng(layer, SIZE.width, SIZE.height, card)),
  );
  write(dir, 'mask.png', encode({ ...SIZE, data: traced.mask, depth: 8, channels: 1 }));
  write(dir, 'truth.json', writeTruth(truth));
};

const walk = (id: WalkId) => {
  const { model: make, samples, card, fps, frames, windowAt } = WALKS[id];
  const whole = { x: 0, y: 0, ...WALK_SIZE };
  // Nobody in the yard: the still that each window is laid over.
  const empty = rendered(make(undefined), WALK_SIZE, whole, samples);
  const stillLight = sumOf(empty.layers);
  const { objects, factor } = settle(empty.traced, [stillLight], card);
  const stillCodes = codesOf(stillLight, WALK_SIZE, card);
  const windows: Window[] = [];
  const strips: Uint16Array[] = [];
  for (let n = 0; n < frames; n += 1) {
    const window = windowAt(n / (frames - 1), WALK_SIZE);
    const { layers } = rendered(make(n / (frames - 1)), WALK_SIZE, window, samples);
    const light = sumOf(layers);
    brighten(light, factor);
    windows.push(window);
    strips.push(onlyChanged(codesOf(light, window, card), window, stillCodes, WALK_SIZE.width));
    console.log(`${id} ${n + 1}/${frames}`);
  }
  const dir = `public/scenes/${id}`;
  mkdirSync(dir, { recursive: true });
  const { width, height } = windows[0];
  const data = new Uint16Array(strips.reduce((sum, strip) => sum + strip.length, 0));
  strips.forEach((strip, n) => data.set(strip, n * width * height * 3));
  write(dir, 'light-1.png', lightPng(stillLight, WALK_SIZE.width, WALK_SIZE.height, card));
  write(
    dir,
    'walk.png',
    encode({ width, height: height * frames, data, depth: 16, channels: 3 }, { zlib: { level: 9 } }),
  );
  write(dir, 'mask.png', encode({ ...WALK_SIZE, data: empty.traced.mask, depth: 8, channels: 1 }));
  write(
    dir,
    'truth.json',
    writeTruth({ id, ...WALK_SIZE, card, layers: ['all'], walk: { fps, windows }, objects }),
  );
};

const asked = process.argv.slice(2);
const all = [...Object.keys(SCENE_MODELS), ...Object.keys(WALKS)];
for (const id of asked.length > 0 ? asked : all) {
  const started = Date.now();
  if (id in SCENE_MODELS) still(id as SceneModelId);
  else if (id in WALKS) walk(id as WalkId);
  else throw new Error(`No scene “${id}”: ${all.join(', ')}.`);
  console.log(`${id} took ${((Date.now() - started) / 1000).toFixed(0)} s`);
}
