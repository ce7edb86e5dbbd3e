import { describe, expect, it } from 'vitest';
import { EXACT } from '#core/frame/tags.ts';
import { emptyCells } from '#core/scopes/marks.ts';
import { measureClipping, measureShadows } from '#core/scopes/measure.ts';
import { quantise } from '#core/signal/scale.ts';
import type { FrameMeasurement } from '#core/scopes/measureFrame.ts';
import { demoSelection } from '#store/fixtures/demoBook.ts';
import { cardNumbersOf } from '#ui/bench/benchModel.ts';
import { driftFigures, driftOf, worstOf } from '#ui/bench/judgement.ts';
import { planChange } from '#ui/bench/corrections.ts';
import { createStrip, STRIP_SECONDS } from '#ui/bench/strip.ts';
import { stripSample } from '#ui/bench/stripSample.ts';
import { keyedWith, patchesAt, rectAt } from '#core/scopes/tracks.ts';
import { framesToLookAt, printTime } from './moving/clipModel.ts';
import { boxOfRatio, GUIDE_IDS, guideRatio, inner } from './picture/guideList.ts';
import { heroDifference, heroWords } from './picture/heroModel.ts';
import { toolsFor } from './picture/tools.ts';
import { exactBands } from '#ui/stage/zebraBands.ts';
import { scopeAxis } from '#ui/scopes/scopeAxes.ts';
import { regionOf, regionOptions } from './scopes/scopeRegion.ts';

const TEN = { bitDepth: 10, range: 'legal' } as const;
const selection = demoSelection('bench-interview', 'a-cam');
const numbers = cardNumbersOf(selection);

/** A measurement of a card alone, so many stops over grey, tinted by gains of red and blue. */
const cardAt = (stops: number, [red, blue]: readonly [number, number] = [1, 1]): FrameMeasurement => {
  const code = (gain: number) => quantise(numbers.profile.signalAt(stops + Math.log2(gain)), TEN);
  const cells = emptyCells(10, 10);
  cells.counts.fill(1);
  const histogram = new Uint32Array(1024);
  histogram[code(1)] = 100;
  return {
    width: 10,
    height: 10,
    coding: TEN,
    histogram,
    clipping: { ...measureClipping(cells), all: 0, some: 0 },
    near: { share: 0 },
    shadows: measureShadows(cells),
    origin: { tags: {}, referred: 'recorded', exactness: EXACT },
    patches: [
      {
        patch: { id: 'card', kind: 'card', rect: { x: 0, y: 0, width: 9, height: 9 } },
        r: code(red),
        g: code(1),
        b: code(blue),
        luma: code(1),
        sd: 1,
        pixels: 81,
      },
    ],
  };
};

describe('patches over a clip', () => {
  const rect = (x: number) => ({ x, y: 10, width: 20, height: 20 });
  const keyed = keyedWith(
    keyedWith(keyedWith({}, 'card', 10, rect(100)), 'card', 0, rect(0)),
    'card',
    10,
    rect(50),
  );

  it('move evenly between the frames they were put at, and hold at the ends', () => {
    expect([0, 5, 10, 99].map((frame) => rectAt(keyed.card, frame)?.x)).toEqual([0, 25, 50, 50]);
    expect(rectAt(undefined, 3)).toBeUndefined();
    expect(keyed.card).toHaveLength(2);
  });

  it('are where they are at each frame that is looked at', () => {
    const patch = { id: 'card', kind: 'card', rect: rect(7) } as const;
    expect(patchesAt([patch], keyed, 5)[0].rect.x).toBe(25);
    expect(patchesAt([patch], {}, 5)[0].rect.x).toBe(7);
  });
});

describe('a clip as a whole', () => {
  it('is looked at from first to last, a short one at every frame', () => {
    expect(framesToLookAt(3)).toEqual([0, 1, 2]);
    const frames = framesToLookAt(15_000);
    expect([frames[0], frames.at(-1), frames.length]).toEqual([0, 14_999, 48]);
    expect(framesToLookAt(1)).toEqual([0]);
  });

  it('its worst frame is the one furthest off the plan; its drift is from highest to lowest', () => {
    const samples = [0.7, 0.6, -0.2, 0.5].map((stops, frame) => ({ frame, measurement: cardAt(stops) }));
    const drift = driftOf(samples, numbers);
    expect(worstOf(drift, 2 / 3)?.at).toBe(2);
    expect(driftFigures(drift, 2 / 3)?.stops).toBeCloseTo(0.9, 1);
    expect(driftFigures(drift, 2 / 3)).toMatchObject({ frames: 4, byCard: true, worst: 2 });
    expect(driftFigures(drift.slice(0, 1), 0)).toBeUndefined();
  });

  it('prints time', () => {
    expect([0, 7.321, 65.5, -1].map(printTime)).toEqual(['0:00.00', '0:07.32', '1:05.50', '0:00.00']);
  });
});

describe('the last minute of a feed', () => {
  it('forgets what is older, and does not grow', () => {
    const strip = createStrip();
    const sample = stripSample(0, cardAt(0.5), numbers);
    for (let n = 0; n < 25 * 180; n += 1) strip.add({ ...sample, at: n / 25 });
    strip.tell();
    const { samples } = strip.getState();
    expect(samples.length).toBeLessThanOrEqual(25 * STRIP_SECONDS + 1);
    expect(samples[0].at).toBeGreaterThan(119);
    strip.clear();
    expect(strip.getState().samples).toEqual([]);
  });

  it('goes by the card where one is marked, else by the mean of the picture', () => {
    expect(stripSample(0, cardAt(0.5), numbers)).toMatchObject({ byCard: true });
    const bare = stripSample(0, { ...cardAt(0.5), patches: [] }, numbers);
    expect(bare.byCard).toBe(false);
    expect(bare.stops).toBeCloseTo(0.5, 1);
    expect(bare.mired).toBeUndefined();
  });
});

describe('a verdict’s correction on this camera', () => {
  const on = (camera: string, setup: string) => demoSelection(setup, camera);
  it('moves the iris to the nearest it has, and says nothing when it is there', () => {
    const { plan } = selection;
    const change = planChange({ kind: 'exposure', stops: 1 }, selection);
    expect(change?.fields.iris).toBeLessThan(plan.iris);
    expect(2 * Math.log2(plan.iris / (change?.fields.iris ?? 1))).toBeCloseTo(1, 0);
    expect(planChange({ kind: 'exposure', stops: 0 }, selection)).toBeUndefined();
  });

  it('takes glass where the lens has no iris', () => {
    const air = on('air-cam', 'dunes');
    const fixed = { ...air, camera: { ...air.camera, fixedIris: 2.8 } };
    const change = planChange({ kind: 'exposure', stops: -1 }, fixed);
    expect(change?.fields.ndStops).toBeCloseTo(fixed.plan.ndStops + 1, 5);
  });

  it('dials the light that was found, in the camera’s steps', () => {
    const change = planChange(
      { kind: 'balance', mired: 134, tint: 0 },
      { ...selection, plan: { ...selection.plan, kelvin: 5600 } },
    );
    expect(Math.abs((change?.fields.kelvin ?? 0) - 3200)).toBeLessThanOrEqual(selection.camera.kelvinStep);
    expect(planChange({ kind: 'balance', mired: 0, tint: 0 }, selection)).toBeUndefined();
  });

  it('takes the placement as found, within what a plan can mean', () => {
    expect(planChange({ kind: 'placement', to: 9 }, selection)?.fields.placement).toBe(3);
    expect(planChange({ kind: 'placement', to: selection.plan.placement }, selection)).toBeUndefined();
  });
});

describe('the hero beside the frame', () => {
  it('says how much brighter and warmer the frame is', () => {
    const difference = heroDifference(cardAt(0), cardAt(0.5, [1.1, 0.9]), numbers);
    expect(difference.stops).toBeCloseTo(0.5, 0);
    expect(difference.byCard).toBe(true);
    expect(difference.mired ?? 0).toBeGreaterThan(10);
    expect(heroWords(difference)).toMatch(/\+0\.\d against the hero, by the card; \d+ mired warmer/);
    expect(heroWords(heroDifference(cardAt(0), cardAt(0), numbers))).toContain('same balance');
  });

  it('goes by the mean where a card is missing in one of them', () => {
    const bare = { ...cardAt(1), patches: [] };
    expect(heroDifference(bare, cardAt(0), numbers)).toMatchObject({ byCard: false });
    expect(heroDifference(bare, cardAt(0), numbers).mired).toBeUndefined();
  });
});

describe('guides, zebras, axes, parts', () => {
  it('every guide is the largest box of its ratio inside the picture', () => {
    for (const id of GUIDE_IDS) {
      const ratio = guideRatio(id, 1.66);
      if (ratio === undefined) continue;
      const box = boxOfRatio(1920, 1080, ratio);
      expect(box.width / box.height).toBeCloseTo(ratio, 6);
      expect(Math.abs(box.width - 1920) < 1e-6 || Math.abs(box.height - 1080) < 1e-6).toBe(true);
    }
    expect(guideRatio('own', 99)).toBeUndefined();
    const safe = inner({ x: 0, y: 0, width: 100, height: 50 }, 0.9);
    expect(safe.x).toBeCloseTo(5, 9);
    expect(safe.height).toBeCloseTo(45, 9);
  });

  it('the exact zebra is the card within 1/6 stop, the warning from its margin up', () => {
    const { ranges, warning } = exactBands(numbers, { placement: 1, warningMargin: 1 / 3 }, TEN);
    const at = (stops: number) => 64 + 876 * numbers.profile.signalAt(stops);
    expect(Math.abs(ranges[0].from - at(1 - 1 / 6))).toBeLessThanOrEqual(1);
    expect(Math.abs(ranges[0].to - at(1 + 1 / 6))).toBeLessThanOrEqual(1);
    expect(Math.abs(warning.from - at(numbers.clipStops - 1 / 3))).toBeLessThanOrEqual(1);
    expect(warning.to).toBe(1023);
  });

  it.each(['stops', 'percent', 'code'] as const)(
    'the axis in %s has grey where the profile puts it',
    (scale) => {
      const axis = scopeAxis(scale, TEN, numbers.profile);
      const want = {
        stops: 0,
        percent: 100 * numbers.profile.signalAt(0),
        code: 64 + 876 * numbers.profile.signalAt(0),
      };
      expect(axis.ofStops(0)).toBeCloseTo(want[scale], 6);
      expect(axis.ticks.every((tick) => tick >= axis.range[0] && tick <= axis.range[1])).toBe(true);
      expect(axis.read(axis.ofStops(0))).toMatch(/0\.0/);
    },
  );

  it('a scope is made of the frame, a patch or a column', () => {
    const patches = [{ id: 'card', kind: 'card', rect: { x: 5, y: 6, width: 7, height: 8 } }] as const;
    const size = { width: 1000, height: 500 };
    expect(regionOf('frame', patches, size)).toBeUndefined();
    expect(regionOf('card', patches, size)).toEqual(patches[0].rect);
    expect(regionOf('column@0.25', patches, size)).toEqual({ x: 240, y: 0, width: 20, height: 500 });
    expect(regionOptions(patches, []).map(({ id }) => id)).toContain('column@0.5');
  });

  it('there is a tool for card, every face, a neutral and a white', () => {
    expect(toolsFor(selection.subjects).map(({ kind }) => kind)).toEqual([
      'card',
      'skin',
      'skin',
      'neutral',
      'white',
    ]);
  });
});
