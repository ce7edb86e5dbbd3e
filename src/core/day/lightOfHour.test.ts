import { describe, expect, it } from 'vitest';
import { hourLight, levelLux, minutesUntil, sunKelvin, sunPlace, sunSide } from './lightOfHour.ts';

describe('where the sun stands', () => {
  // By geometry: at noon on the equinox it stands 90 degrees less the latitude high, in the south; its declination at
  // the June solstice is 23.44 degrees (Astronomical Almanac).
  it('at noon on the equinox, 60 north: 30 degrees high, due south', () => {
    const { altitude, azimuth } = sunPlace(new Date('2026-03-20T12:07:30Z'), { latitude: 60, longitude: 0 });
    expect(Math.abs(altitude - 30)).toBeLessThan(0.3);
    expect(Math.abs(azimuth - 180)).toBeLessThan(1);
  });

  it('at noon on the June solstice it stands 23.4 degrees higher than on the equinox', () => {
    const { altitude } = sunPlace(new Date('2026-06-21T12:02:00Z'), { latitude: 45, longitude: 0 });
    expect(Math.abs(altitude - (45 + 23.44))).toBeLessThan(0.3);
  });

  it('rises in the east and sets in the west on the equinox', () => {
    const at = (time: string) => sunPlace(new Date(`2026-03-20T${time}Z`), { latitude: 40, longitude: 0 });
    expect(Math.abs(at('06:10:00').azimuth - 90)).toBeLessThan(3);
    expect(Math.abs(at('18:10:00').azimuth - 270)).toBeLessThan(3);
  });
});

describe('light by the sun’s height', () => {
  // Handbook figures, from memory: full sun overhead about 120 000 lx, sun at the horizon 400 to 760 lx, end of civil
  // twilight 3.4 lx, of nautical twilight 0.008 lx.
  it.each([
    [90, 120_000, 0.2],
    [0, 600, 0.45],
    [-6, 3.4, 0.2],
    [-12, 0.008, 0.35],
  ])('at %f degrees about %f lx', (altitude, lux, within) => {
    expect(Math.abs(Math.log10(levelLux(altitude)! / lux))).toBeLessThan(Math.log10(1 + within));
  });

  it('rises with the sun without a jump, and ends by night', () => {
    let last = 0;
    for (let altitude = -17.9; altitude <= 90; altitude += 0.1) {
      const lux = levelLux(altitude)!;
      expect(lux).toBeGreaterThan(last * 0.97);
      if (last > 0) expect(lux / last).toBeLessThan(1.25);
      last = lux;
    }
    expect(levelLux(-19)).toBeUndefined();
  });
});

describe('colour of the sun’s light', () => {
  // Common practice: direct sun about 5200 to 5500 K when high, about 3500 K an hour after sunrise, 2000 K and less at it.
  it.each([
    [70, 5000, 5650],
    [42, 4700, 5450],
    [10, 3000, 4000],
    [1, 1000, 2400],
  ])('at %f degrees between %f and %f K', (altitude, low, high) => {
    const kelvin = sunKelvin(altitude)!;
    expect(kelvin).toBeGreaterThan(low);
    expect(kelvin).toBeLessThan(high);
  });

  it('is never colder with a lower sun, and none under the horizon', () => {
    for (let altitude = 1; altitude < 90; altitude += 1)
      expect(sunKelvin(altitude + 1)!).toBeGreaterThan(sunKelvin(altitude)!);
    expect(sunKelvin(-1)).toBeUndefined();
  });
});

describe('how fast it moves', () => {
  const place = { latitude: 45, longitude: 0 };
  it('falls and warms in the evening, rises and cools in the morning, rests at noon', () => {
    const evening = hourLight(new Date('2026-09-10T17:40:00Z'), place);
    expect(evening.stopsAMinute).toBeLessThan(-0.01);
    expect(evening.miredAMinute).toBeGreaterThan(0.2);
    const morning = hourLight(new Date('2026-09-10T06:20:00Z'), place);
    expect(morning.stopsAMinute).toBeGreaterThan(0.01);
    const noon = hourLight(new Date('2026-09-10T11:57:00Z'), place);
    expect(Math.abs(noon.stopsAMinute!)).toBeLessThan(0.002);
    expect(minutesUntil(evening).meter).toBeLessThan(minutesUntil(noon).meter);
    expect(minutesUntil(evening).balance).toBeLessThan(60);
  });

  it('in the blue hour there is light but no sun to balance to', () => {
    const dusk = hourLight(new Date('2026-09-10T18:35:00Z'), place);
    expect(dusk.altitude).toBeLessThan(0);
    expect(dusk.kelvin).toBeUndefined();
    expect(dusk.stopsAMinute).toBeLessThan(-0.1);
    expect(minutesUntil(dusk).balance).toBe(Infinity);
  });
});

describe('the sun against the view', () => {
  it.each([
    [0, 180, 'front'],
    [0, 130, 'threeQuarter'],
    [0, 90, 'side'],
    [0, 0, 'back'],
    [350, 10, 'back'],
    [10, 190, 'front'],
  ] as const)('looking to %f with the sun at %f: %s', (bearing, azimuth, side) => {
    expect(sunSide(bearing, azimuth)).toBe(side);
    // The mirror image is the same side.
    expect(sunSide(-bearing, -azimuth)).toBe(side);
  });
});
