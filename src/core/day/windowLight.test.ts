import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { levelLux } from './lightOfHour.ts';
import { hasPatch, WINDOW_SKY_IDS, windowDay, windowLight, type WindowSky } from './windowLight.ts';

const at = (altitude: number, azimuth: number, facing: number, sky: WindowSky = 'clear') =>
  windowLight({ altitude, azimuth }, facing, sky)!;
/** What lies just inside, without glass and without what the ground throws back. */
const GLASS = 0.8;

describe('light through a window', () => {
  it('agrees with another model of a clear sky on level ground, within a quarter', () => {
    // A window that sees ground and sky: 0.5 of the sky, 0.1 of all light on level ground. With the handbook's sky
    // known, what is left is the light on level ground, held against the almanac's (Seidelmann 1992, from memory).
    for (const altitude of [15, 30, 45, 60]) {
      const sky = 800 + 15_500 * Math.sqrt(Math.sin((altitude * Math.PI) / 180));
      const level = (at(altitude, 180, 0).lux / GLASS - sky / 2) / 0.1;
      expect(level / levelLux(altitude)!).toBeGreaterThan(0.75);
      expect(level / levelLux(altitude)!).toBeLessThan(1.25);
    }
  });

  it('has the beam of a sun that stands square before it, by hand', () => {
    // Twenty degrees high: 127.5 klx, dimmed by exp(-0.21 / sin 20), times cos 20, times the pane.
    const beam = 127_500 * Math.exp(-0.21 / Math.sin(Math.PI / 9)) * Math.cos(Math.PI / 9) * GLASS;
    expect(at(20, 180, 180).beam).toBeCloseTo(beam, 3);
    expect(at(20, 180, 240).beam).toBeCloseTo(beam / 2, 3);
    expect(hasPatch(at(20, 180, 180))).toBe(true);
    expect(at(20, 180, 0).beam).toBe(0);
    expect(at(20, 180, 180, 'cloudy').beam).toBe(0);
  });

  it('is as warm as its sky under cloud, and warmer than a clear sky where the ground is sunlit', () => {
    expect(at(40, 180, 0, 'cloudy').kelvin).toBeCloseTo(6500, -1);
    expect(at(40, 180, 0).kelvin).toBeLessThan(9000);
    expect(at(40, 180, 0).kelvin).toBeGreaterThan(6500);
    expect(at(5, 90, 0).kelvin).toBeGreaterThan(at(40, 180, 0).kelvin);
  });

  it('grows with the sun, for any window and sky, and ends with it', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 80, noNaN: true }),
        fc.double({ min: 0, max: 360, noNaN: true }),
        fc.constantFrom(...WINDOW_SKY_IDS),
        (altitude, facing, sky) => {
          expect(at(altitude + 5, 180, facing, sky).lux).toBeGreaterThan(at(altitude, 180, facing, sky).lux);
        },
      ),
    );
    expect(windowLight({ altitude: -1, azimuth: 90 }, 90, 'clear')).toBeUndefined();
  });

  it('through a day: an east window has the sun in the morning, none after noon; stops against its own hour', () => {
    const place = { latitude: 44, longitude: 0 };
    const hours = Array.from({ length: 24 }, (_, hour) => new Date(Date.UTC(2026, 5, 21, hour)));
    const day = windowDay(hours, hours[10], place, 90, 'clear');
    expect(day.length).toBeGreaterThan(13);
    expect(day.length).toBeLessThan(17);
    const patches = day.filter(hasPatch).map((row) => row.at.getUTCHours());
    expect(Math.max(...patches)).toBeLessThanOrEqual(12);
    expect(Math.min(...patches)).toBeLessThan(7);
    expect(day.find((row) => row.at === hours[10])!.stops).toBeCloseTo(0, 9);
    expect(Math.max(...day.map(({ stops }) => stops))).toBeGreaterThan(0);
  });
});
