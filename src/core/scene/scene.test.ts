import { encode } from 'fast-png';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { codeToLight, lightToCode, SCENE_CODE } from './light.ts';
import {
  layerLight,
  lightAt,
  luminanceOfThing,
  openScene,
  resized,
  secondsOf,
  type SceneFiles,
} from './scene.ts';
import { readTruth, weightsAt, writeTruth, type SceneTruth } from './truth.ts';

const WIDTH = 8;
const HEIGHT = 6;
const truth: SceneTruth = {
  id: 'small',
  width: WIDTH,
  height: HEIGHT,
  card: 20,
  layers: ['sun', 'sky'],
  weather: [
    { at: 0, weights: [1, 1] },
    { at: 2, weights: [0, 1.5] },
  ],
  objects: [
    {
      mask: 1,
      name: 'grey card',
      kind: 'card',
      reflectance: [0.18, 0.18, 0.18],
      light: [20, 20, 20],
      luminance: 20,
      keyLuminance: 20,
      illuminant: { kelvin: 5600, duv: 0 },
      pixels: 24,
      rect: { x: 0, y: 0, width: 0.5, height: 1 },
    },
  ],
};
const png = (light: number, width = WIDTH) =>
  encode({
    width,
    height: HEIGHT,
    data: new Uint16Array(3 * width * HEIGHT).fill(lightToCode(light, truth.card)),
    depth: 16,
    channels: 3,
  });
const mask = (thing = 1) =>
  encode({
    width: WIDTH,
    height: HEIGHT,
    data: new Uint8Array(WIDTH * HEIGHT).fill(thing),
    depth: 8,
    channels: 1,
  });
const files = (part: Partial<SceneFiles> = {}): SceneFiles => ({
  truth: writeTruth(truth),
  light: [png(15), png(5)],
  mask: mask(),
  ...part,
});
const opened = (part?: Partial<SceneFiles>) => {
  const read = openScene(files(part));
  if (!read.ok) throw new Error(read.reason);
  return read.value;
};

describe('light as codes', () => {
  it('comes back within 0.15 % over its span, and is held at its ends', () => {
    fc.assert(
      fc.property(fc.double({ min: -12.9, max: 10.9, noNaN: true }), (stops) => {
        const light = 7 * 2 ** stops;
        expect(Math.abs(codeToLight(lightToCode(light, 7), 7) / light - 1)).toBeLessThan(0.0015);
      }),
    );
    expect(lightToCode(0, 7)).toBe(0);
    expect(codeToLight(0, 7)).toBe(0);
    expect(lightToCode(1e12, 7)).toBe(SCENE_CODE.top);
  });
});

describe('a scene', () => {
  it('adds its layers by their weights', () => {
    const scene = opened();
    expect(lightAt(scene, 0).rgb[0]).toBeCloseTo(20, 1);
    expect(lightAt(scene, 1).rgb[0]).toBeCloseTo(0.5 * 15 + 1.25 * 5, 1);
    expect(lightAt(scene, 9).rgb[0]).toBeCloseTo(7.5, 1);
    expect(layerLight(scene, 1).rgb[0]).toBeCloseTo(5, 1);
    expect(secondsOf(truth)).toBe(2);
    expect(luminanceOfThing(scene, lightAt(scene), 1)).toBeCloseTo(20, 0);
    expect(luminanceOfThing(scene, lightAt(scene), 2)).toBe(0);
    expect(weightsAt({ ...truth, weather: undefined }, 3)).toEqual([1, 1]);
  });

  it('keeps its mean in another size', () => {
    const light = lightAt(opened());
    light.rgb[0] = 200;
    const mean = ({ rgb, width, height }: typeof light) =>
      rgb.subarray(0, width * height).reduce((sum, v) => sum + v, 0) / (width * height);
    expect(mean(resized(light, 4, 3))).toBeCloseTo(mean(light), 3);
    expect(resized(light, WIDTH, HEIGHT)).toBe(light);
    const larger = resized(light, 16, 12);
    expect(larger.rgb.length).toBe(3 * 16 * 12);
    expect(Math.max(...larger.rgb)).toBeLessThanOrEqual(200);
  });

  it('lays a walk over the still, picture by picture', () => {
    const windows = [0, 2].map((x) => ({ x, y: 1, width: 2, height: 2 }));
    const strip = new Uint16Array(3 * 2 * 4);
    strip.fill(lightToCode(40, 20), 0, 12);
    strip.fill(lightToCode(80, 20), 12);
    const scene = opened({
      truth: writeTruth({ ...truth, walk: { fps: 2, windows } }),
      walk: encode({ width: 2, height: 4, data: strip, depth: 16, channels: 3 }),
    });
    const at = (seconds: number, x: number) => lightAt(scene, seconds).rgb[WIDTH + x];
    expect([at(0, 0), at(0.6, 0), at(0.6, 2)].map(Math.round)).toEqual([40, 16, 80]);
    expect(secondsOf(scene.truth)).toBe(1);
  });
});

describe('a scene that does not fit is refused by name', () => {
  const refused = (part: Partial<SceneFiles>) => {
    const read = openScene(files(part));
    return read.ok ? 'opened' : `${read.where}: ${read.reason}`;
  };
  it.each<[string, Partial<SceneFiles>, RegExp]>([
    ['cut light', { light: [png(15).slice(0, 60), png(5)] }, /^light 1: .*damaged or cut short/],
    ['light of another size', { light: [png(15, 7), png(5)] }, /^light 1: .*7 x 6.*8 x 6/],
    ['a layer too few', { light: [png(15)] }, /^light: .*1 layers.*2/],
    ['a stray thing', { mask: mask(9) }, /^mask: .*thing 9/],
    ['a cut mask', { mask: mask().slice(0, 30) }, /^mask: .*cut short/],
    ['no JSON', { truth: writeTruth(truth).slice(0, 200) }, /no JSON, or was cut short/],
    ['another file', { truth: '{"takes":[]}' }, /no truth file/],
    ['a newer version', { truth: writeTruth(truth).replace('"version": 1', '"version": 2') }, /version 2/],
    ['a wrong field', { truth: writeTruth({ ...truth, card: -1 }) }, /^card: .*card/],
    [
      'a wrong thing',
      { truth: writeTruth(truth).replace('"luminance": 20', '"luminance": "x"') },
      /objects\[0\]\.luminance/,
    ],
    [
      'weather of other layers',
      { truth: writeTruth({ ...truth, weather: [{ at: 0, weights: [1] }] }) },
      /weather/,
    ],
    [
      'a walk that is not there',
      { truth: writeTruth({ ...truth, walk: { fps: 5, windows: [{ x: 0, y: 0, width: 1, height: 1 }] } }) },
      /^walk/,
    ],
  ])('%s', (_, part, words) => {
    expect(refused(part)).toMatch(words);
  });

  it('a truth comes back as it was written', () => {
    expect(readTruth(writeTruth(truth))).toMatchObject({ ok: true, value: truth });
  });
});
