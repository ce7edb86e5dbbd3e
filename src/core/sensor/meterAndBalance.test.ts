import { describe, expect, it } from 'vitest';
import { daylightXy, whiteXy } from '../colour/temperature.ts';
import { ARCHETYPES } from '../profile/index.ts';
import { autoIris, autoIso, autoKelvin, greyWorld } from './auto.ts';
import { expose, type CameraBody, type CameraSettings } from './camera.ts';
import { meterShows } from './meter.ts';
import { field, mean, quiet, settings, whiteFor } from './fixtures/bodies.ts';

describe('white balance', () => {
  const neutralIn = (
    xy: readonly [number, number],
    part: Partial<CameraSettings>,
    lean?: CameraBody['lean'],
  ) => {
    const s = settings({ profile: { ...ARCHETYPES.wideLog, gamut: 'bt2020' }, ...part });
    const frame = expose(field(0.9, whiteFor(s), xy), { ...quiet, lean }, s, 1);
    return [frame.r, frame.g, frame.b].map(mean);
  };
  it.each([2400, 3200, 4300, 5600, 7500])(
    'a white card at %s K with the camera at it is neutral within a code',
    (kelvin) => {
      const [r, g, b] = neutralIn(whiteXy({ kelvin, duv: 0 }), { kelvin, tint: 0 });
      expect(Math.max(r, g, b) - Math.min(r, g, b)).toBeLessThanOrEqual(1);
    },
  );

  // CIE 015:2018: D55 and D65 lie on the daylight locus, about 0.003 green of the Planckian one.
  it('daylight asks for a little magenta', () => {
    for (const kelvin of [5500, 6500]) {
      const [r, g, b] = neutralIn(daylightXy(kelvin), { kelvin, tint: -3 });
      expect(Math.max(r, g, b) - Math.min(r, g, b)).toBeLessThan(4);
      expect(neutralIn(daylightXy(kelvin), { kelvin, tint: 0 })[1]).toBeGreaterThan(r);
    }
  });

  it('a body that leans warm shows it, and the dial takes it off', () => {
    const light = whiteXy({ kelvin: 5600, duv: 0 });
    const [r, , b] = neutralIn(light, { kelvin: 5600, tint: 0 }, { mired: 12, tint: 0 });
    expect(r).toBeGreaterThan(b + 8);
    const dial = 1e6 / (1e6 / 5600 + 12);
    const [r2, , b2] = neutralIn(light, { kelvin: dial, tint: 0 }, { mired: 12, tint: 0 });
    expect(Math.abs(r2 - b2)).toBeLessThanOrEqual(1);
  });
});

describe('meter and automatics', () => {
  it('a card metered at grey shows 0 and its bias; a stop more light shows +1', () => {
    const s = settings();
    const spot = { mode: 'spot', x: 0.5, y: 0.5 } as const;
    const shows = (placement: number, bias = 0) =>
      meterShows(field(0.18, whiteFor(s, placement)), s, spot, { bias, clipStops: 6 });
    expect(shows(0)).toBeCloseTo(0, 4);
    expect(shows(1)).toBeCloseTo(1, 4);
    expect(shows(0, 0.5)).toBeCloseTo(0.5, 4);
  });

  it('the whole frame is fooled by sky, the spot is not; centre lies between', () => {
    const s = settings();
    const half = field(0.18, whiteFor(s));
    const pixels = half.width * half.height;
    for (let c = 0; c < 3; c += 1) for (let i = 0; i < pixels / 3; i += 1) half.rgb[c * pixels + i] *= 32;
    const read = (mode: 'spot' | 'centre' | 'whole') =>
      meterShows(half, s, { mode, x: 0.5, y: 0.7 }, { bias: 0, clipStops: 6 });
    expect(read('spot')).toBeCloseTo(0, 4);
    expect(read('whole')).toBeGreaterThan(3);
    expect(read('centre')).toBeGreaterThan(0.2);
    expect(read('centre')).toBeLessThan(read('whole'));
  });

  const rules = {
    irisRange: [2.8, 16],
    isoRange: [800, 3200],
    kelvinRange: [2500, 9900],
    compensation: 0,
  } as const;
  it('automatic ISO pulls the frame to grey, not at once, and stops at its ceiling', () => {
    expect(autoIso(800, 0.05, 1, rules)).toBe(800);
    const after = autoIso(800, -1, 0.04, rules);
    expect(after).toBeGreaterThan(800);
    expect(after).toBeLessThan(1000);
    expect(autoIso(1600, -1, 60, rules)).toBeCloseTo(3200, 0);
    expect(autoIso(1600, -5, 60, rules)).toBe(3200);
    expect(autoIso(1600, 5, 60, rules)).toBe(800);
  });

  it('automatic iris closes for light and opens for dark, within the lens and in its time', () => {
    expect(autoIris(4, 0.1, 1, rules)).toBe(4);
    const after = autoIris(4, 1, 0.5, rules);
    expect(2 * Math.log2(after / 4)).toBeCloseTo(1 - Math.exp(-1), 6);
    expect(autoIris(4, 1, 60, rules)).toBeCloseTo(4 * Math.SQRT2, 3);
    expect(autoIris(4, -9, 60, rules)).toBe(2.8);
    expect(autoIris(4, 9, 60, rules)).toBe(16);
  });

  it('automatic balance holds a picture bluer than any radiator for 25 000 K', () => {
    const blue = field(0.4, 100, [0.22, 0.22]);
    expect(greyWorld(blue, 1e9)).toBe(25_000);
    expect(autoKelvin(5600, greyWorld(blue, 1e9), 1, rules)).toBeGreaterThan(5600);
  });

  it('automatic balance drifts towards the picture’s colour and stops short of it', () => {
    const warm = field(0.4, 100, whiteXy({ kelvin: 3200, duv: 0 }));
    const seen = greyWorld(warm, 1e9);
    expect(Math.abs(seen - 3200)).toBeLessThan(20);
    const soon = autoKelvin(5600, seen, 0.2, rules);
    expect(soon).toBeLessThan(5600);
    expect(soon).toBeGreaterThan(5000);
    const late = autoKelvin(5600, seen, 600, rules);
    expect(late > 3400 && late < 4100, `${late} K`).toBe(true);
  });
});
