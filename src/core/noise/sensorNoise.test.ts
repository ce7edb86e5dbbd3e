import { describe, expect, it } from 'vitest';
import { gaussian, seededRandom } from '../random.ts';
import { stopsToReflectance } from '../units.ts';
import {
  ASSUMED_READ_ELECTRONS,
  floorAt,
  sensorFromBracket,
  sensorFromFloor,
  sensorFromPatches,
  snrAt,
  USABLE_SNR,
  type SensorModel,
} from './sensorNoise.ts';

const sensor: SensorModel = { electronsAtGrey: 900, readElectrons: 4 };
/** Noise in linear light by counting electrons, not by the code's own formula. */
const deviationOf = ({ electronsAtGrey, readElectrons }: SensorModel, reflectance: number) => {
  const perElectron = 0.18 / electronsAtGrey;
  return perElectron * Math.sqrt(reflectance / perElectron + readElectrons ** 2);
};

describe('a sensor in two numbers', () => {
  it('is photon noise alone far over the read noise: SNR is the root of the electrons (Poisson)', () => {
    expect(snrAt({ electronsAtGrey: 10_000, readElectrons: 0 }, 0)).toBeCloseTo(100, 9);
    expect(snrAt({ electronsAtGrey: 10_000, readElectrons: 0 }, 0, 2)).toBeCloseTo(50, 9);
  });

  it('falls to the limit just at its floor, whatever the limit', () => {
    for (const snr of [1, USABLE_SNR, 10]) expect(snrAt(sensor, floorAt(sensor, snr))).toBeCloseTo(snr, 9);
  });

  it('comes from the last usable shadow stop', () => {
    for (const floor of [-4, -5.5, -7]) {
      const found = sensorFromFloor(floor);
      expect(found.readElectrons).toBe(ASSUMED_READ_ELECTRONS);
      expect(floorAt(found)).toBeCloseTo(floor, 9);
    }
    expect(() => sensorFromFloor(1)).toThrow(RangeError);
  });

  it('comes from a dark frame and a grey patch', () => {
    const found = sensorFromPatches(
      { reflectance: 0, deviation: deviationOf(sensor, 0) },
      { reflectance: 0.36, deviation: deviationOf(sensor, 0.36) },
    );
    expect(found.ok && found.value.electronsAtGrey).toBeCloseTo(900, 6);
    expect(found.ok && found.value.readElectrons).toBeCloseTo(4, 6);
  });

  it('is refused when the patch is no noisier than the dark', () => {
    const both = sensorFromPatches(
      { reflectance: 0, deviation: 0.01 },
      { reflectance: 0.18, deviation: 0.01 },
    );
    expect(both).toMatchObject({ ok: false, where: 'noise' });
    expect(
      sensorFromPatches({ reflectance: 0, deviation: 0 }, { reflectance: 0.18, deviation: 0.01 }).ok,
    ).toBe(false);
  });

  it('comes from a bracket whose deviations are themselves measured, within a fifth of a stop', () => {
    const normal = gaussian(seededRandom(5));
    const readings = Array.from({ length: 9 }, (_, i) => {
      const reflectance = stopsToReflectance(i - 4);
      // 400 pixels: the deviation is known to 1 / sqrt(800).
      return { reflectance, deviation: deviationOf(sensor, reflectance) * (1 + normal() / Math.sqrt(800)) };
    });
    const found = sensorFromBracket(readings);
    expect(found).toBeDefined();
    if (found) expect(Math.abs(floorAt(found) - floorAt(sensor))).toBeLessThan(0.2);
    expect(sensorFromBracket(readings.slice(0, 3))).toBeUndefined();
  });
});
