import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { luminanceFor } from '../exposure/meter.ts';
import { ARCHETYPES, compileProfile } from '../profile/index.ts';
import { codeToSignal } from '../signal/scale.ts';
import { MIDDLE_GREY } from '../units.ts';
import { balancedWhite, expose } from './camera.ts';
import {
  asBrightAsItHolds,
  coarserThanNoise,
  firstFull,
  isWorthRaw,
  noisiest,
  rawChannels,
  rawIsos,
  rawReasons,
  type RawWorth,
} from './raw.ts';

const SENSOR = { electronsAtGrey: 1400, readElectrons: 4 };
const FULL = 4;
const at = (kelvin: number) => rawChannels(SENSOR, FULL, { kelvin, tint: 0 });

describe('channels of a sensor', () => {
  it('are full where the simulated camera stops rising, each for itself, by daylight and by tungsten', () => {
    const exposure = { fNumber: 4, seconds: 1 / 50, iso: 800, ndStops: 0 };
    const spec = { ...SENSOR, baseIsos: [800], sensitivity: 'gain', fullStops: FULL } as const;
    // A log in the camera's own primaries with room over the sensor's: nothing but the sensor clips.
    const profile = { ...ARCHETYPES.wideLog, gamut: 'bt2020' as const, clipStops: 9 };
    const { stopsAt } = compileProfile(profile);
    for (const kelvin of [5600, 3200]) {
      const white = balancedWhite({ kelvin, tint: 0 });
      const read = (stops: number): readonly number[] => {
        const level = luminanceFor(exposure) * 2 ** stops;
        const pixels = 32 * 16;
        const rgb = Float32Array.from(
          { length: 3 * pixels },
          (_, i) => white[Math.floor(i / pixels)] * level,
        );
        const frame = expose(
          { width: 32, height: 16, rgb },
          { sensor: spec },
          {
            ...exposure,
            diffusion: 0,
            kelvin,
            tint: 0,
            profile,
            coding: { bitDepth: 10, range: 'full' },
            chroma: '4:4:4',
            smoothing: 0,
          },
          1,
        );
        return [frame.r, frame.g, frame.b].map((plane) =>
          stopsAt(codeToSignal(plane.reduce((a, b) => a + b, 0) / pixels, frame)),
        );
      };
      at(kelvin).forEach(({ clipStops }, c) => {
        expect(read(clipStops - 0.2)[c]).toBeCloseTo(clipStops - 0.2, 1);
        expect(read(clipStops + 1)[c]).toBeCloseTo(clipStops, 1);
      });
    }
  });

  it('under tungsten blue is the noisiest by more than a stop, and green is full first', () => {
    const tungsten = at(3200);
    expect(noisiest(tungsten).name).toBe('blue');
    expect(firstFull(tungsten).name).toBe('green');
    const [, green, blue] = tungsten;
    expect(blue.floorStops - green.floorStops).toBeGreaterThan(1);
    // A channel that gets a share of the light is full as many stops later: where reading is all of the noise, as many.
    expect(blue.clipStops - green.clipStops).toBeCloseTo(blue.floorStops - green.floorStops, 1);
  });

  it('hold a tone as bright as it may be, and no brighter', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 2500, max: 9000, noNaN: true }),
        fc.double({ min: 0, max: 6, noNaN: true }),
        (kelvin, tone) => {
          const placement = asBrightAsItHolds(at(kelvin), tone, 0.5);
          expect(Math.min(...at(kelvin).map(({ clipStops }) => clipStops - (tone + placement)))).toBeCloseTo(
            0.5,
            9,
          );
        },
      ),
    );
  });
});

describe('the ISO dial of a raw camera', () => {
  const rows = rawIsos([400, 800, 1600, 3200, 6400], [800, 3200], () => at(5600));
  it('is a wish between the real gains: the meter moves, the file does not', () => {
    expect(rows.map(({ gain }) => gain)).toEqual([800, 800, 800, 3200, 3200]);
    expect(rows.filter(({ isWish }) => isWish).map(({ iso }) => iso)).toEqual([400, 1600, 6400]);
    const [under, base, over] = rows;
    expect(over.above - base.above).toBeCloseTo(1, 9);
    expect(base.below - over.below).toBeCloseTo(1, 9);
    expect(base.above - under.above).toBeCloseTo(1, 9);
    for (const { above, below } of rows) expect(above + below).toBeCloseTo(base.above + base.below, 9);
  });
});

describe('whether raw is worth its bits', () => {
  const worth: RawWorth = {
    profileName: 'wide log',
    holdsMore: 0,
    splitMired: 0,
    isGraded: true,
    minutesPerClip: 10,
    mbps: 1000,
    logMbps: 240,
  };
  const isWorth = (own: Partial<RawWorth>) =>
    isWorthRaw(rawReasons({ ...worth, ...own }), { ...worth, ...own });

  it('needs something that the log does not hold, and somebody who takes it out', () => {
    expect(isWorth({})).toBe(false);
    expect(isWorth({ holdsMore: 1 })).toBe(true);
    expect(isWorth({ coarse: { from: -3, to: 1 } })).toBe(true);
    expect(isWorth({ splitMired: 120 })).toBe(true);
    expect(isWorth({ holdsMore: 1, isGraded: false })).toBe(false);
    expect(isWorth({ holdsMore: 1, minutesPerClip: 1 })).toBe(false);
  });

  it('names the bits: a gigabit a second is 7.5 GB a minute', () => {
    expect(rawReasons(worth).map(({ says }) => says)).toContain(
      '7.5 GB a minute, 4.2 times the log’s: to copy twice, and to keep.',
    );
  });

  it('a 10-bit log of a usual sensor hides its steps in noise, an 8-bit one of a clean sensor does not', () => {
    const profile = compileProfile(ARCHETYPES.wideLog);
    const noisy = { electronsAtGrey: 300, readElectrons: 6 };
    expect(coarserThanNoise(profile, { bitDepth: 10, range: 'legal' }, noisy)).toBeUndefined();
    const clean = { electronsAtGrey: 8000, readElectrons: 2 };
    const coarse = coarserThanNoise(profile, { bitDepth: 8, range: 'legal' }, clean)!;
    expect(coarse.to).toBeGreaterThan(coarse.from);
    // By hand at clip: noise of a root of the electrons, in codes of the stop about there.
    const { signalAt } = profile;
    const electrons = clean.electronsAtGrey * 2 ** coarse.from;
    const relative = Math.sqrt(electrons + clean.readElectrons ** 2) / electrons;
    const codes =
      ((signalAt(coarse.from + 0.5) - signalAt(coarse.from - 0.5)) * relative) / Math.LN2 / (1 / 219);
    expect(codes).toBeLessThan(0.6);
    expect(MIDDLE_GREY).toBe(0.18);
  });
});
