import { describe, expect, it } from 'vitest';
import { ARCHETYPE_IDS, ARCHETYPES, compileProfile } from '../profile/index.ts';
import { codeToSignal, signalToCode } from '../signal/scale.ts';
import { logTransfer } from '../transfer/index.ts';
import { waterTransmission, WATER_ABSORPTION, type Wavelength } from '../water.ts';
import { checkedSettings, expose, type CameraBody } from './camera.ts';
import { encodeTable, lookUp } from './encodeTable.ts';
import { floorAt, snrAt } from '../noise/sensorNoise.ts';
import { noiseTable } from './noiseTable.ts';
import { dynamicRange, sensorAt } from './spec.ts';
import { TEN, SENSOR, body, quiet, settings, field, whiteFor, mean, deviation } from './fixtures/bodies.ts';

describe('exposing a known patch', () => {
  it.each(ARCHETYPE_IDS)('%s: reflectances land on encode() of them within half a code plus noise', (id) => {
    const s = settings({ profile: ARCHETYPES[id] });
    const profile = compileProfile(ARCHETYPES[id]);
    for (const reflectance of [0.02, 0.18, 0.9]) {
      const frame = expose(field(reflectance, whiteFor(s)), body, s, 1);
      const want = signalToCode(profile.transfer.encode(reflectance), TEN);
      for (const plane of [frame.r, frame.g, frame.b]) {
        const noise = deviation(plane) / Math.sqrt(plane.length);
        // A curved toe lifts the mean of noise by half its curvature times the variance: allowed for in the dark.
        const bend = reflectance < 0.1 ? 0.35 * deviation(plane) ** 2 * 0.02 : 0;
        expect(Math.abs(mean(plane) - want)).toBeLessThan(0.5 + 4 * noise + bend);
      }
    }
  });

  it('8 bit, full range and thinned colour land there too', () => {
    for (const part of [
      { coding: { bitDepth: 8, range: 'legal' } as const },
      { coding: { bitDepth: 10, range: 'full' } as const, chroma: '4:2:0' as const },
      { chroma: '4:2:2' as const, smoothing: 0.5 },
    ]) {
      const s = settings(part);
      const frame = expose(field(0.18, whiteFor(s)), quiet, s, 1);
      const want = signalToCode(compileProfile(s.profile).signalAt(0), s.coding);
      for (const plane of [frame.r, frame.g, frame.b])
        expect(Math.abs(mean(plane) - want)).toBeLessThan(0.75);
    }
  });

  it('one stop more doubles the electrons and moves the code by c log10(2)', () => {
    const curve = ARCHETYPES.wideLog.curve;
    if (curve.kind !== 'log') throw new Error('wide log is a log curve');
    const { c } = curve.coefficients;
    const at = (stops: number) =>
      mean(expose(field(0.18, whiteFor(settings(), stops)), quiet, settings(), 1).g);
    const codes = 876 * c * Math.log10(2);
    // Far above the toe the step is c log10(2), from the formula of the curve; two stops over grey
    // the shift s weighs little.
    const { encode } = logTransfer(curve.coefficients);
    const exact = 876 * (encode(0.18 * 2 ** 4) - encode(0.18 * 2 ** 3));
    expect(Math.abs(at(4) - at(3) - exact)).toBeLessThan(0.6);
    expect(Math.abs(exact - codes)).toBeLessThan(0.02 * codes);
    expect(sensorAt(SENSOR, 400).electronsAtGrey).toBeCloseTo(2 * sensorAt(SENSOR, 800).electronsAtGrey, 9);
  });
});

describe('noise', () => {
  /** Signal to noise in linear light, measured off the codes of a flat field. */
  const measured = (stops: number, spec = SENSOR, iso = 800) => {
    const s = settings({ iso, profile: LINEAR, coding: { bitDepth: 16, range: 'legal' } });
    const frame = expose(field(0.18, whiteFor(s, stops), undefined, 128), { sensor: spec }, s, 3);
    const light = Array.from(frame.g, (code) => codeToSignal(code, frame));
    return mean(light) / deviation(light);
  };
  const LINEAR = {
    curve: { kind: 'standard', transfer: 'linear', gain: 1 / 16 },
    gamut: 'bt2020',
    clipStops: 6,
  } as const;

  it('photon noise follows the root of the light: two stops are a factor of two', () => {
    const bright = { ...SENSOR, readElectrons: 0 };
    expect(measured(2, bright) / measured(0, bright)).toBeCloseTo(2, 1);
    expect(measured(0, bright)).toBeCloseTo(30, 0);
  });

  // ISO 15739:2023, clause 6: signal to noise is mean over standard deviation; here against the sensor's own numbers.
  it.each([
    [-4, 800],
    [-2, 800],
    [0, 800],
    [2, 800],
    [0, 1600],
    [-3, 2500],
  ])('at %s stops and ISO %s the frame’s SNR is what the electrons say', (stops, iso) => {
    const { electronsAtGrey, readElectrons } = sensorAt(SENSOR, iso);
    const want = snrAt({ electronsAtGrey, readElectrons }, stops);
    expect(Math.abs(measured(stops, SENSOR, iso) / want - 1)).toBeLessThan(0.05);
  });

  it.each([
    ['A-cam', 900, 4, 6],
    ['a small sensor', 250, 3, 4.5],
  ])(
    '%s: the range measured off frames is the stated one within 0.2 stop',
    (_, electronsAtGrey, readElectrons, fullStops) => {
      const spec = { ...SENSOR, electronsAtGrey, readElectrons, fullStops, baseIsos: [800] };
      // ISO 15739: from full down to where signal equals noise.
      let floor = 0;
      while (floor > -12 && measured(floor, spec) > 1) floor -= 0.1;
      expect(Math.abs(fullStops - floor - dynamicRange(spec))).toBeLessThan(0.2);
      expect(dynamicRange(spec)).toBeCloseTo(fullStops - floorAt(spec, 1), 12);
    },
  );

  it('a second base is cleaner than the ISO just under it, and no cleaner than the first', () => {
    const shadow = (iso: number) => {
      const { electronsAtGrey, readElectrons } = sensorAt(SENSOR, iso);
      return snrAt({ electronsAtGrey, readElectrons }, -5);
    };
    expect(shadow(3200)).toBeGreaterThan(shadow(2500));
    expect(shadow(800)).toBeGreaterThan(shadow(3200));
  });

  it('an exposure index leaves file and noise as they are', () => {
    const ei: CameraBody = { sensor: { ...SENSOR, sensitivity: 'ei', baseIsos: [800] } };
    const light = field(0.18, whiteFor(settings()));
    expect(expose(light, ei, settings({ iso: 400 }), 5).g).toEqual(expose(light, ei, settings(), 5).g);
  });

  it('deviates are standard, and seeds tell frames apart', () => {
    expect(mean(noiseTable())).toBeCloseTo(0, 6);
    expect(deviation(noiseTable())).toBeCloseTo(1, 5);
    const [light, set] = [field(0.18, whiteFor(settings())), settings({ chroma: '4:2:2' })];
    const [one, again, other] = [7, 7, 8].map((seed) => expose(light, body, set, seed));
    expect(again).toEqual(one);
    expect(other.g).not.toEqual(one.g);
  });
});

describe('full pixels', () => {
  it('at a base the recording clips where the sensor is full; under base earlier', () => {
    const top = (iso: number) => {
      const s = settings({ iso });
      const frame = expose(field(0.9, whiteFor(s, 8)), quiet, s, 1);
      return compileProfile(s.profile).stopsAt(codeToSignal(mean(frame.g), TEN));
    };
    expect(top(800)).toBeCloseTo(6, 1);
    expect(top(400)).toBeCloseTo(5, 1);
  });

  it('channels fill one by one, before white balance', () => {
    const s = settings({ profile: { ...ARCHETYPES.wideLog, gamut: 'bt2020', clipStops: 9 } });
    const frame = expose(field(0.18, whiteFor(s, 6.6)), quiet, s, 1);
    const stops = [frame.r, frame.g, frame.b].map((plane) =>
      compileProfile(s.profile).stopsAt(codeToSignal(mean(plane), TEN)),
    );
    expect(stops[1]).toBeCloseTo(6, 1);
    expect(stops[0]).toBeCloseTo(6.6, 1);
    expect(stops[2]).toBeGreaterThan(stops[1]);
  });
});

describe('glass and water', () => {
  it('a diffusion filter keeps the light, lifts the dark and takes from the bright', () => {
    const s = settings({ diffusion: 0.02, profile: { ...ARCHETYPES.wideLog, gamut: 'bt2020' } });
    const scene = field(0.004, whiteFor(s), undefined, 96);
    const pixels = 96 * 96;
    for (const plane of [0, pixels, 2 * pixels])
      for (let at = plane + 30 * 96; at < plane + 60 * 96; at += 96)
        scene.rgb.fill(scene.rgb[plane] * 2000, at + 30, at + 60);
    const [clear, veiled] = [0, 0.02].map((diffusion) => expose(scene, quiet, { ...s, diffusion }, 1));
    expect(veiled.g[5 * 96 + 5]).toBeGreaterThan(clear.g[5 * 96 + 5] + 3);
    expect(veiled.g[45 * 96 + 45]).toBeLessThan(clear.g[45 * 96 + 45]);
  });

  it.each(Object.keys(WATER_ABSORPTION).map(Number) as Wavelength[])(
    'pure water at %s nm passes exp(-a d) (Pope and Fry 1997)',
    (wavelength) => {
      expect(waterTransmission(wavelength, 10)).toBeCloseTo(Math.exp(-10 * WATER_ABSORPTION[wavelength]), 12);
    },
  );
});

describe('bad settings', () => {
  it.each([
    [{ iso: 0 }, /iso is 0/],
    [{ fNumber: 0 }, /fNumber/],
    [{ seconds: Number.NaN }, /seconds/],
    [{ ndStops: 40 }, /ndStops/],
    [{ kelvin: 500 }, /1500 to 20000/],
    [{ diffusion: 0.9 }, /diffusion/],
  ] as const)('%o is named', (part, words) => {
    const read = checkedSettings(settings(part));
    expect(read).toMatchObject({ ok: false });
    if (!read.ok) expect(read.reason).toMatch(words);
    expect(() => expose(field(0.18, 100), body, settings(part), 1)).toThrow(RangeError);
  });
});

describe('the curve by table', () => {
  it.each(ARCHETYPE_IDS)(
    '%s is itself within a tenth of a 10-bit code, dark, bright and under black',
    (id) => {
      const { transfer, clipStops } = compileProfile(ARCHETYPES[id]);
      const top = 0.18 * 2 ** clipStops;
      const table = encodeTable(transfer.encode, top);
      for (let i = 0; i < 4000; i += 1) {
        const light = -0.005 + 0.9 * top * (i / 4000) ** 4;
        expect(Math.abs(lookUp(table, light) - transfer.encode(light)) * 876).toBeLessThan(0.15);
      }
      expect(lookUp(table, top * 4)).toBeCloseTo(transfer.encode(top), 6);
    },
  );
});
