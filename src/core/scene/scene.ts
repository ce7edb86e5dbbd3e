import { decode } from 'fast-png';
import { failure, success, type Result } from '../result.ts';
import { AS_STILL, lightTable, luminance, SCENE_CODE } from './light.ts';
import { readTruth, weightsAt, type SceneTruth } from './truth.ts';

/** A scene in light: planar linear BT.2020, cd/m2. Red first, then green, then blue. */
export type SceneLight = {
  readonly width: number;
  readonly height: number;
  readonly rgb: Float32Array;
};

/**
 * A scene as it was rendered: its layers of light in codes, which thing each pixel shows, and what is known
 * of them.
 */
export type Scene = {
  readonly truth: SceneTruth;
  /** Interleaved codes of each layer. */
  readonly layers: readonly Uint16Array[];
  /** Number of the thing, 0 none. */
  readonly mask: Uint8Array;
  /** The walker's windows, one under the other. */
  readonly walk?: Uint16Array;
};

export type SceneFiles = {
  readonly truth: string;
  readonly light: readonly Uint8Array[];
  readonly mask: Uint8Array;
  readonly walk?: Uint8Array;
};

type Wanted = {
  readonly width: number;
  readonly height: number;
  readonly channels: number;
  readonly depth: number;
};

const picture = (
  name: string,
  bytes: Uint8Array,
  wanted: Wanted,
): Result<ReturnType<typeof decode>['data']> => {
  let png;
  try {
    png = decode(bytes, { checkCrc: true });
  } catch {
    return failure(name, `The scene’s ${name} is damaged or cut short: render it again.`);
  }
  const { width, height, channels, depth } = wanted;
  const sized = (of: typeof wanted) => `${of.width} x ${of.height} with ${of.channels} x ${of.depth} bit`;
  if (png.width !== width || png.height !== height || png.channels !== channels || png.depth !== depth)
    return failure(name, `The scene’s ${name} is ${sized(png)}; its truth says ${sized(wanted)}.`);
  return success(png.data);
};

const codesIn = (name: string, bytes: Uint8Array, wanted: Wanted): Result<Uint16Array> => {
  const read = picture(name, bytes, wanted);
  if (!read.ok) return read;
  const data = read.value as Uint16Array;
  const over = data.findIndex((code) => code > SCENE_CODE.top);
  return over === -1
    ? success(data)
    : failure(name, `The scene’s ${name} holds a code over ${SCENE_CODE.top}: it is no light of a scene.`);
};

/** Opens a scene from its files; a failure names the file and what does not fit. */
export const openScene = (files: SceneFiles): Result<Scene> => {
  const read = readTruth(files.truth);
  if (!read.ok) return read;
  const truth = read.value;
  const { width, height } = truth;
  if (files.light.length !== truth.layers.length)
    return failure(
      'light',
      `The scene has ${files.light.length} layers of light; its truth names ${truth.layers.length}.`,
    );
  const layers: Uint16Array[] = [];
  for (const [n, bytes] of files.light.entries()) {
    const layer = codesIn(`light ${n + 1}`, bytes, { width, height, channels: 3, depth: 16 });
    if (!layer.ok) return layer;
    layers.push(layer.value);
  }
  const mask = picture('mask', files.mask, { width, height, channels: 1, depth: 8 });
  if (!mask.ok) return mask;
  const known = new Set(truth.objects.map((object) => object.mask));
  const stray = (mask.value as Uint8Array).find((n) => n !== 0 && !known.has(n));
  if (stray !== undefined)
    return failure('mask', `The scene’s mask shows a thing ${stray} that its truth does not know.`);
  if (!truth.walk) return success({ truth, layers, mask: mask.value as Uint8Array });
  const [first] = truth.walk.windows;
  if (!files.walk || !first) return failure('walk', 'The scene’s truth tells of a walk that is not there.');
  const strip = codesIn('walk', files.walk, {
    width: first.width,
    height: first.height * truth.walk.windows.length,
    channels: 3,
    depth: 16,
  });
  return strip.ok ? success({ truth, layers, mask: mask.value as Uint8Array, walk: strip.value }) : strip;
};

/** Seconds after which a sequence begins again; 0 for a still. */
export const secondsOf = ({ weather, walk }: SceneTruth): number =>
  walk ? walk.windows.length / walk.fps : (weather?.at(-1)?.at ?? 0);

let table: Float32Array | undefined;

/** Lays the walker's window of a moment over the light. */
const layWalk = ({ truth, walk }: Scene, rgb: Float32Array, seconds: number): void => {
  if (!truth.walk || !walk) return;
  const { fps, windows } = truth.walk;
  const n = Math.min(windows.length - 1, Math.floor(seconds * fps));
  const { x, y, width, height } = windows[n];
  const values = table ?? lightTable();
  const pixels = truth.width * truth.height;
  for (let v = 0, at = 3 * n * width * height; v < height; v += 1)
    for (let u = 0; u < width; u += 1, at += 3) {
      if (walk[at] === AS_STILL && walk[at + 1] === AS_STILL && walk[at + 2] === AS_STILL) continue;
      const i = (y + v) * truth.width + x + u;
      for (let c = 0; c < 3; c += 1) rgb[i + c * pixels] = values[walk[at + c]] * truth.card;
    }
};

/** One layer of a scene as light of its own, linear BT.2020, cd/m2. */
export const layerLight = ({ truth, layers }: Scene, layer: number): SceneLight => {
  table ??= lightTable();
  const { width, height, card } = truth;
  const pixels = width * height;
  const rgb = new Float32Array(3 * pixels);
  const codes = layers[layer];
  const values = table;
  for (let i = 0, at = 0; i < pixels; i += 1, at += 3) {
    rgb[i] = values[codes[at]] * card;
    rgb[i + pixels] = values[codes[at + 1]] * card;
    rgb[i + 2 * pixels] = values[codes[at + 2]] * card;
  }
  return { width, height, rgb };
};

/** Layers of one size added up, each by its weight. */
export const mixed = (layers: readonly SceneLight[], weights: readonly number[]): SceneLight => {
  const [{ width, height }] = layers;
  const rgb = new Float32Array(layers[0].rgb.length);
  layers.forEach((layer, n) => {
    const from = layer.rgb;
    const weight = weights[n];
    for (let i = 0; i < rgb.length; i += 1) rgb[i] += from[i] * weight;
  });
  return { width, height, rgb };
};

/** The light of a scene at a moment of its sequence, every layer at its weight; linear BT.2020, cd/m2. */
export const lightAt = (scene: Scene, seconds = 0): SceneLight => {
  const layers = scene.layers.map((_, n) => layerLight(scene, n));
  const light = mixed(layers, weightsAt(scene.truth, seconds));
  layWalk(scene, light.rgb, seconds);
  return light;
};

/** The same light in another size: averaged down by whole steps, else straight between the pixels. */
export const resized = (light: SceneLight, width: number, height: number): SceneLight => {
  if (width === light.width && height === light.height) return light;
  const from = light.width * light.height;
  const to = width * height;
  const rgb = new Float32Array(3 * to);
  const step = light.width / width;
  const whole = Number.isInteger(step) && light.height / height === step;
  for (let c = 0; c < 3; c += 1) {
    if (whole) shrinkPlane(light, c, step, rgb);
    else
      for (let y = 0; y < height; y += 1)
        for (let x = 0; x < width; x += 1)
          rgb[c * to + y * width + x] = between(
            light,
            c * from,
            (x + 0.5) * step - 0.5,
            ((y + 0.5) * light.height) / height - 0.5,
          );
  }
  return { width, height, rgb };
};

/** Means of squares of `step` pixels of a plane. */
const shrinkPlane = (light: SceneLight, plane: number, step: number, out: Float32Array): void => {
  const { rgb } = light;
  const wide = light.width;
  const width = wide / step;
  const height = light.height / step;
  const share = 1 / (step * step);
  let to = plane * width * height;
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1, to += 1) {
      let sum = 0;
      let at = plane * wide * light.height + y * step * wide + x * step;
      for (let v = 0; v < step; v += 1, at += wide) for (let u = 0; u < step; u += 1) sum += rgb[at + u];
      out[to] = sum * share;
    }
};

const between = ({ width, height, rgb }: SceneLight, plane: number, x: number, y: number): number => {
  const u = Math.min(width - 1, Math.max(0, x));
  const v = Math.min(height - 1, Math.max(0, y));
  const i = Math.min(width - 2, Math.floor(u));
  const j = Math.min(height - 2, Math.floor(v));
  const a = u - i;
  const b = v - j;
  const at = plane + j * width + i;
  const top = rgb[at] * (1 - a) + rgb[at + 1] * a;
  return top * (1 - b) + (rgb[at + width] * (1 - a) + rgb[at + width + 1] * a) * b;
};

/** Mean luminance of a thing in this light, cd/m2: its truth at this moment. */
export const luminanceOfThing = (scene: Scene, { rgb, width, height }: SceneLight, mask: number): number => {
  const pixels = width * height;
  let sum = 0;
  let count = 0;
  for (let i = 0; i < pixels; i += 1) {
    if (scene.mask[i] !== mask) continue;
    sum += luminance(rgb[i], rgb[i + pixels], rgb[i + 2 * pixels]);
    count += 1;
  }
  return count === 0 ? 0 : sum / count;
};
