import fc from 'fast-check';
import { indexRows, indexThatFits } from './exposureIndex.ts';
import { describe, expect, it } from 'vitest';
import { compileMonitoring } from '../lut/monitoring.ts';
import { ARCHETYPES, compileProfile } from '../profile/index.ts';
import { exactFNumber, F_NUMBERS } from './aperture.ts';
import { isoStanding } from './iso.ts';
import { exposureValue, illuminanceFor, luminanceFor, METER_C, METER_K } from './meter.ts';
import { isFlickerSafe, printShutter, shutterSeconds } from './shutter.ts';
import { setCardNumbers, zebraSignal, type CardCamera, type CardPlan } from './setCard.ts';
import { lowerLimitZebra, printZebra, rangeZebra, type ZebraAbility } from './zebra.ts';

describe('iris', () => {
  it('means powers of two by sixths: f/2.8 is 2.828, f/11 is 11.31', () => {
    expect(exactFNumber(2.8)).toBeCloseTo(Math.SQRT2 * 2, 9);
    // The rounding of the mark at f/11 is 0.08 stop.
    expect(2 * Math.log2(exactFNumber(11) / 11)).toBeCloseTo(0.08, 2);
    F_NUMBERS.forEach((f, k) =>
      expect(Math.abs(2 * Math.log2(exactFNumber(f) / f))).toBeLessThan(k === 0 ? 0.001 : 0.17),
    );
  });
  it.each([
    [25, 28 / 6],
    [29, 29 / 6],
    [45, 33 / 6],
    [0.7, -0.5],
    [1.7, 0.75],
    [9.5, 3.25],
    [19, 4.25],
    [28, 29 / 6],
  ])('knows the mark f/%f, in thirds or halves of a stop', (mark, power) => {
    expect(exactFNumber(mark)).toBeCloseTo(2 ** power, 9);
    expect(Math.abs(exactFNumber(mark) / mark - 1)).toBeLessThan(0.03);
  });
  it('takes a fixed lens as it is', () => {
    expect(exactFNumber(1.9)).toBe(1.9);
    expect(() => exactFNumber(0)).toThrow(RangeError);
  });
});

describe('shutter', () => {
  it.each([
    [180, 24, 1 / 48],
    [180, 25, 1 / 50],
    [172.8, 24, 1 / 50],
    [360, 25, 1 / 25],
  ])('%f degrees at %i fps', (degrees, fps, seconds) => {
    expect(shutterSeconds({ kind: 'angle', degrees }, fps)).toBeCloseTo(seconds, 12);
  });
  it('is safe when it is a whole number of half mains cycles', () => {
    expect(isFlickerSafe(1 / 50, 50)).toBe(true);
    expect(isFlickerSafe(1 / 100, 50)).toBe(true);
    expect(isFlickerSafe(1 / 48, 50)).toBe(false);
    expect(isFlickerSafe(1 / 60, 60)).toBe(true);
    expect(isFlickerSafe(1 / 50, 60)).toBe(false);
    expect(isFlickerSafe(1 / 200, 50)).toBe(false);
  });
  it('prints and refuses', () => {
    expect(printShutter({ kind: 'time', denominator: 50 })).toBe('1/50');
    expect(printShutter({ kind: 'angle', degrees: 172.8 })).toBe('172.8°');
    expect(() => shutterSeconds({ kind: 'angle', degrees: 0 }, 25)).toThrow(RangeError);
  });
});

describe('meter (ISO 2720)', () => {
  // Sunny 16: bright sun at 1/ISO s is f/16. With C = 250 that is 64 000 lux at f/16 exactly.
  it('sunny 16 comes to 64 000 lux', () => {
    expect(illuminanceFor({ fNumber: 16, seconds: 1 / 100, iso: 100, ndStops: 0 })).toBeCloseTo(64_000, 6);
  });
  it('EV 0 is f/1 at one second', () => {
    expect(exposureValue(1, 1)).toBe(0);
    expect(exposureValue(16, 1 / 125)).toBeCloseTo(14.97, 2);
  });
  it('K = 12.5 and C = 250 imply a reflector of 15.7 %', () => {
    const settings = { fNumber: 4, seconds: 1 / 50, iso: 800, ndStops: 0 };
    expect((Math.PI * luminanceFor(settings)) / illuminanceFor(settings)).toBeCloseTo(0.157, 3);
    expect(METER_K / METER_C).toBe(0.05);
  });
  it('a stop of ND or of placement asks for twice the light', () => {
    const settings = { fNumber: 4, seconds: 1 / 50, iso: 800, ndStops: 0 };
    expect(luminanceFor({ ...settings, ndStops: 1 })).toBeCloseTo(2 * luminanceFor(settings), 9);
    expect(luminanceFor(settings, 1)).toBeCloseTo(2 * luminanceFor(settings), 9);
  });
});

describe('ISO and base', () => {
  it.each([
    [800, 800, 0, 0, 0],
    [1600, 800, 1, 0, 1],
    [400, 800, -1, 1, 0],
    [3200, 3200, 0, 0, 0],
    [2500, 800, Math.log2(2500 / 800), 0, Math.log2(2500 / 800)],
    [6400, 3200, 1, 0, 1],
  ])('%i stands on base %i', (iso, base, over, clipLoss, floorRise) => {
    const standing = isoStanding(iso, [3200, 800]);
    expect(standing.base).toBe(base);
    expect(standing.overBase).toBeCloseTo(over, 9);
    expect(standing.clipLoss).toBeCloseTo(clipLoss, 9);
    expect(standing.floorRise).toBeCloseTo(floorRise, 9);
  });
  it('needs a base', () => expect(() => isoStanding(800, [])).toThrow(RangeError));
});

const fine: ZebraAbility = {
  scale: 'signalPercent',
  reads: 'log',
  range: { min: 0, max: 107, step: 1, tolerances: [1, 2, 3, 5, 10] },
  lowerLimit: { min: 50, max: 107, step: 1 },
};
const coarse: ZebraAbility = {
  ...fine,
  range: { min: 30, max: 100, step: 5, tolerances: [2, 5, 10] },
  lowerLimit: { min: 70, max: 100, step: 5 },
};
const coding = { bitDepth: 10, range: 'legal' } as const;
const wide = compileProfile(ARCHETYPES.wideLog);
const classic = compileProfile(ARCHETYPES.classicLog);

describe('zebra', () => {
  it('rounds to the nearest level and says what that costs in stops', () => {
    const zebra = rangeZebra(fine, wide, coding, 1, 1 / 6);
    expect(zebra.level).toBe(49);
    expect(zebra.exact).toBeCloseTo(49.25, 2);
    // A stop is 8.95 points there, so 0.25 points are 0.028 stop.
    expect(zebra.costStops).toBeCloseTo(-0.247 / 8.95, 2);
    expect(zebra.tolerance).toBe(2);
    expect(printZebra(zebra)).toBe('49±2');
    expect(zebra.reach).toBe('within');
  });

  it('never costs more than half a step, unless the camera’s range ends first', () => {
    fc.assert(
      fc.property(fc.double({ min: -2, max: 6, noNaN: true }), (stops) => {
        for (const ability of [fine, coarse]) {
          const { level, exact, reach, costStops } = rangeZebra(ability, wide, coding, stops, 1 / 6);
          const isNearest = Math.abs(level - exact) <= ability.range.step / 2 + 1e-6;
          expect(reach === 'within').toBe(isNearest || Math.abs(costStops) <= 1 / 6);
          expect(level).toBeGreaterThanOrEqual(ability.range.min);
          expect(level).toBeLessThanOrEqual(ability.range.max);
          expect((level - ability.range.min) % ability.range.step).toBeCloseTo(0, 9);
        }
      }),
    );
  });

  it('warns early, never late', () => {
    fc.assert(
      fc.property(fc.double({ min: 4, max: 6, noNaN: true }), (stops) => {
        const { costStops, reach } = lowerLimitZebra(fine, wide, coding, stops);
        if (reach === 'within') expect(costStops).toBeLessThanOrEqual(1e-9);
      }),
    );
  });

  it('a wide log that clips at 94 % warns at 90 % (common practice, no source)', () => {
    const zebra = lowerLimitZebra(fine, wide, coding, wide.clipStops - 1 / 3);
    expect(Math.abs(zebra.level - 90)).toBeLessThanOrEqual(1);
    expect(printZebra(zebra)).toMatch(/^9\d\+$/);
  });

  it('says when the camera’s zebra ends before a curve that overshoots 100 %', () => {
    const zebra = lowerLimitZebra(coarse, classic, coding, classic.clipStops);
    expect(zebra.level).toBe(100);
    expect(zebra.reach).toBe('over');
    expect(zebra.costStops).toBeLessThan(-0.3);
  });
});

const camera: CardCamera = { coding, baseIsos: [800], zebra: fine, floorStops: -6 };
const plan: CardPlan = {
  placement: 1,
  iso: 800,
  shutter: { kind: 'angle', degrees: 180 },
  iris: 2.8,
  ndStops: 0,
  warningMargin: 1 / 3,
};
const ana = { id: 'ana', name: 'Ana', skinOffset: 1.2 };

describe('set card', () => {
  const card = (p: Partial<CardPlan> = {}, c: Partial<CardCamera> = {}) =>
    setCardNumbers(ARCHETYPES.wideLog, { ...camera, ...c }, { ...plan, ...p }, [ana], 25);

  it('puts skin at the placement plus the subject’s own offset', () => {
    const [skin] = card().skin;
    expect(skin.stops).toBeCloseTo(2.2, 9);
    expect(Math.abs(skin.zebra.level - 100 * wide.signalAt(2.2))).toBeLessThanOrEqual(0.5);
  });

  it('goes by the LUT on the monitor where one is loaded: its pull, and zebras that read its picture', () => {
    const { neutral } = compileMonitoring({ profile: ARCHETYPES.wideLog, pullStops: 0 });
    const monitor = { neutral, pullStops: 0 };
    const behind = setCardNumbers(
      ARCHETYPES.wideLog,
      { ...camera, zebra: { ...fine, reads: 'lut' } },
      plan,
      [ana],
      25,
      monitor,
    );
    expect(behind.pullStops).toBe(0);
    // The card at +1 behind a picture without a pull, not on its grey.
    expect(behind.card.exact).toBeCloseTo(100 * neutral(wide.signalAt(1)), 1);
    expect(card({}, { zebra: { ...fine, reads: 'lut' } }).card.exact).toBeCloseTo(45, 1);
  });

  it('asks for 250 lux at f/2.8, 1/50, ISO 800, placement +1', () => {
    // C N^2 / (t S) 2^p = 250 * 8 / (0.02 * 800) * 2.
    expect(card().illuminance).toBeCloseTo(250, 6);
  });

  it('lets highlights clip earlier under base and raises the floor over it', () => {
    expect(card({ iso: 400 }).clipStops).toBeCloseTo(5, 9);
    expect(card({ iso: 1600 }).floorStops).toBeCloseTo(-5, 9);
    expect(card({ iso: 400 }).warning.level).toBeLessThan(card().warning.level);
  });

  it('gives the display level where the zebra follows the LUT: 45 % whatever the placement', () => {
    for (const placement of [-1, 0, 1, 2]) {
      const lut = card({ placement }, { zebra: { ...fine, reads: 'lut' } });
      expect(lut.card.exact).toBeCloseTo(45, 6);
    }
  });

  it('shows the trap: the remembered 70 % on raw wide log lies more than 3 stops over grey', () => {
    expect(wide.stopsAt(0.7)).toBeGreaterThan(3);
    expect(wide.stopsAt(0.7) - 1.2).toBeGreaterThan(2);
  });

  it('follows a level behind the LUT back to its stop', () => {
    const seen = zebraSignal(wide, { reads: 'lut' }, 1);
    for (const stops of [-2, 0, 1, 2.2, 4]) expect(seen.stopsAt(seen.signalAt(stops))).toBeCloseTo(stops, 6);
  });
});

describe('exposure index', () => {
  const dial = [200, 400, 500, 640, 800, 1600, 3200];
  const rows = indexRows(dial, [800], { clipStops: 6, floorStops: -7 });

  it('half the base is a stop more light: a stop less over the card, a stop more under it', () => {
    expect(rows.find(({ index }) => index === 400)).toEqual({
      index: 400,
      placement: 1,
      above: 5,
      below: 8,
      isBase: false,
    });
    for (const { above, below } of rows) expect(above + below).toBeCloseTo(13, 9);
    expect(rows.filter(({ isBase }) => isBase).map(({ index }) => index)).toEqual([800]);
  });

  it('knows the index that was left over, and none where the card lies as planned or between two', () => {
    expect(indexThatFits(1, 800, dial, [800])).toBe(400);
    expect(indexThatFits(0.05, 800, dial, [800])).toBeUndefined();
    expect(indexThatFits(0, 400, dial, [800])).toBe(800);
    expect(indexThatFits(1.5, 800, dial, [800])).toBeUndefined();
  });
});
