import { describe, expect, it } from 'vitest';
import { temperatureOf } from '../colour/temperature.ts';
import { xyzToXy } from '../colour/chromaticity.ts';
import { gamutOf, rgbToXyz } from '../colour/gamut.ts';
import { apply, type Triple } from '../maths/matrix.ts';
import { luminance } from './light.ts';
import { sceneOfSpots, type LightField } from './ofSpots.ts';
import { layerLight, luminanceOfThing } from './scene.ts';

const light = { kelvin: 4300, duv: 0.002 };
const field = (name: string, level: number, kind: LightField['kind'] = 'thing'): LightField => ({
  name,
  kind,
  luminance: level,
});
const GATHER = [
  field('the gather', 2600, 'light'),
  field('coats in the corner', 0.4),
  field('card', 12, 'card'),
  { ...field('Ana, key side', 27, 'skin'), subjectId: 'ana' },
];

describe('a scene out of readings', () => {
  it('shows each reading at the luminance that was read, and the wall a stop under the card', () => {
    const scene = sceneOfSpots({ fields: GATHER, card: 12, light });
    const rendered = layerLight(scene, 0);
    expect(scene.truth.objects.map(({ name }) => name)).toEqual([
      'coats in the corner',
      'card',
      'Ana, key side',
      'the gather',
    ]);
    for (const { mask, luminance: read } of scene.truth.objects)
      expect(luminanceOfThing(scene, rendered, mask) / read).toBeCloseTo(1, 2);
    expect(luminanceOfThing(scene, rendered, 0)).toBeCloseTo(6, 1);
    // The lamp gives light; everything else stands in the light of the set-up.
    expect(scene.truth.objects.map(({ illuminant }) => illuminant?.kelvin)).toEqual([
      4300,
      4300,
      4300,
      undefined,
    ]);
  });

  it('has the colour of the light on the card, and a warmer one on a face', () => {
    const scene = sceneOfSpots({ fields: GATHER, card: 12, light });
    const { rgb, width, height } = layerLight(scene, 0);
    const pixels = width * height;
    const at = (name: string) => {
      const { rect } = scene.truth.objects.find((object) => object.name === name)!;
      const i =
        Math.round((rect.y + rect.height / 2) * height) * width +
        Math.round((rect.x + rect.width / 2) * width);
      const colour: Triple = [rgb[i], rgb[i + pixels], rgb[i + 2 * pixels]];
      return { colour, seen: temperatureOf(xyzToXy(apply(rgbToXyz(gamutOf('bt2020')), colour))) };
    };
    expect(at('card').seen.kelvin).toBeCloseTo(4300, -2);
    expect(at('card').seen.duv).toBeCloseTo(0.002, 3);
    expect(at('Ana, key side').seen.kelvin).toBeLessThan(3500);
    expect(luminance(...at('Ana, key side').colour)).toBeCloseTo(27, 0);
  });

  it.each([1, 2, 5, 12, 40])(
    '%d readings each have a field of their own that is read inside of it',
    (count) => {
      const fields = Array.from({ length: count }, (_, n) => field(`spot ${n}`, 2 ** (n / 4)));
      const { truth, mask } = sceneOfSpots({ fields, card: 1, light });
      for (const { mask: own, rect, pixels } of truth.objects) {
        expect(pixels).toBeGreaterThan(1000);
        for (const [u, v] of [
          [0, 0],
          [1, 0],
          [0, 1],
          [1, 1],
        ]) {
          const x = Math.round((rect.x + u * rect.width) * truth.width);
          const y = Math.round((rect.y + v * rect.height) * truth.height);
          expect(mask[y * truth.width + x]).toBe(own);
        }
      }
      // Every field covers as many pixels as its mask, none lies over another.
      const counted = truth.objects.map(({ mask: own }) => mask.filter((n) => n === own).length);
      expect(counted).toEqual(truth.objects.map(({ pixels }) => pixels));
    },
  );

  it('holds light past the ends of the scene’s code at those ends', () => {
    const scene = sceneOfSpots({
      fields: [field('black', 1e-9), field('the sun', 1.6e9, 'light')],
      card: 10,
      light,
    });
    const rendered = layerLight(scene, 0);
    const [black, sun] = scene.truth.objects.map(({ mask }) => luminanceOfThing(scene, rendered, mask));
    expect(black).toBe(0);
    expect(sun).toBeGreaterThan(10 * 2 ** 10);
    expect(sun).toBeLessThanOrEqual(10 * 2 ** 11.01);
  });
});
