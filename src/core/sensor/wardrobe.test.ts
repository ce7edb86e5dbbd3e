import { describe, expect, it } from 'vitest';
import { ARCHETYPES } from '../profile/index.ts';
import {
  bestWay,
  clothOf,
  clothOfLight,
  contrastOf,
  hexOf,
  leavesCast,
  partingOf,
  patternOf,
  shownOnMonitor,
} from './wardrobe.ts';

const DAY = { kelvin: 5600, duv: 0 };
const on = (more: Partial<Parameters<typeof shownOnMonitor>[0]> = {}) =>
  shownOnMonitor({ profile: ARCHETYPES.wideLog, placement: 2 / 3, light: DAY, dialled: DAY, ...more });
const cloth = (hex: string) => {
  const found = clothOf(hex);
  if (!found) throw new Error(hex);
  return found;
};

describe('colours as the monitor shows them', () => {
  it('keeps a grey grey in balanced light, wherever it is placed, and lets a wrong light show', () => {
    const grey = on().cloth([0.18, 0.18, 0.18]).lab;
    expect(Math.hypot(grey[1], grey[2])).toBeLessThan(0.6);
    const brighter = on({ placement: 1 }).cloth([0.18, 0.18, 0.18]).lab;
    // The pull takes the placement back.
    expect(Math.abs(brighter[0] - grey[0])).toBeLessThan(0.5);
    // A lamp of 3200 K on a camera dialled to daylight: orange, b* up.
    const orange = on({ light: { kelvin: 3200, duv: 0 } }).cloth([0.18, 0.18, 0.18]).lab;
    expect(orange[2]).toBeGreaterThan(15);
  });

  it('keeps order of hue: what is blue in daylight is shown blue, skin between red and yellow', () => {
    const [, , b] = on().cloth(cloth('#20407c')).lab;
    expect(b).toBeLessThan(-5);
    const skin = on().skin(1).lab;
    expect(skin[1]).toBeGreaterThan(3);
    expect(skin[2]).toBeGreaterThan(5);
    expect(on().skin(1).lab[0]).toBeGreaterThan(on().skin(-1).lab[0]);
  });

  it('is read from text and from a frame, and nothing else', () => {
    expect(clothOf('#ffffff')).toEqual([1, 1, 1]);
    for (const bad of ['', 'red', '#12345', '#gggggg']) expect(clothOf(bad)).toBeUndefined();
    expect(hexOf(cloth('#5a6a7a'))).toBe('#5a6a7a');
    // A patch two thirds over its card is taken back to it; the gamut's white stays white.
    const back = clothOfLight(
      [0.18 * 2 ** (2 / 3), 0.18 * 2 ** (2 / 3), 0.18 * 2 ** (2 / 3)],
      ARCHETYPES.wideLog,
      2 / 3,
    );
    for (const v of back) expect(v).toBeCloseTo(0.18, 3);
  });
});

describe('contrast and the way that parts', () => {
  it('is nothing between one and itself, signed in lightness and hue', () => {
    expect(contrastOf([50, 20, 20], [50, 20, 20])).toEqual({ deltaE: 0, lightness: 0, hue: 0 });
    expect(contrastOf([60, 0, 30], [40, 30, 0])).toMatchObject({ lightness: 20, hue: 90 });
    expect(contrastOf([60, 1, 1], [40, 30, 0]).hue).toBeUndefined();
    expect(Math.abs(contrastOf([50, -20, -1], [50, -20, 1]).hue ?? 99)).toBeLessThan(10);
    expect([5, 18, 40].map((deltaE) => partingOf({ deltaE, lightness: 0 }))).toEqual([
      'melts',
      'near',
      'parts',
    ]);
  });

  it('goes away from what is there', () => {
    // Dark cloth before a dark wall: lighter. A mid grey between dark and light of one hue: another hue.
    expect(bestWay([20, 0, 0], [[18, 0, 0]])?.name).not.toBe('darker');
    const way = bestWay(
      [20, 0, 0],
      [
        [20, 0, -2],
        [22, 0, 0],
      ],
    );
    expect(way?.gains).toBeGreaterThan(5);
    expect(bestWay([50, 0, 0], [])).toBeUndefined();
  });
});

describe('patterns and leaves', () => {
  it('compares the repeat on the sensor with its photosites', () => {
    // 3 mm at 2 m with 35 mm: 3 · 35/1965 = 0.0534 mm, 13.4 photosites of 4 µm.
    const imager = { width: 24, photosites: 6000 };
    expect(patternOf({ focal: 35, distance: 2 }, 3, imager).photosites).toBeCloseTo(13.36, 1);
    expect(patternOf({ focal: 35, distance: 2 }, 3, imager).state).toBe('clear');
    expect(patternOf({ focal: 35, distance: 2 }, 0.6, imager).state).toBe('colour');
    expect(patternOf({ focal: 35, distance: 2 }, 0.3, imager).state).toBe('aliases');
  });

  it('leaves turn a face green, the more the nearer', () => {
    const [none, some, much] = (['none', 'some', 'much'] as const).map((id) => leavesCast(DAY, id));
    expect(none.mired).toBeCloseTo(0, 0);
    expect(none.tint).toBeCloseTo(0, 1);
    expect(some.tint).toBeGreaterThan(2);
    expect(much.tint).toBeGreaterThan(2 * some.tint);
  });
});
