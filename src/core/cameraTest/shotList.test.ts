import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { shutterSeconds } from '../exposure/shutter.ts';
import { CAMERA, HAVE, USUAL } from './fixtures/filmed.ts';
import { minutesOf, shotList } from './shotKinds.ts';
import { listText, shotChange } from './shotWords.ts';
import { bracketSteps } from './shots/ground.ts';
import { TEST_LENGTH_IDS, type TestedCamera } from './types.ts';

const angles: TestedCamera = {
  ...CAMERA,
  shutters: [11.25, 22.5, 45, 90, 144, 180, 270, 360].map((degrees) => ({ kind: 'angle', degrees })),
};
const listOf = (camera: TestedCamera, length: (typeof TEST_LENGTH_IDS)[number], own = {}) =>
  shotList({ camera, have: { ...HAVE, ...own }, length });

describe('the shot list', () => {
  it('takes about three, ten and twenty-five minutes, each shot of it under a name of its own', () => {
    const minutes = TEST_LENGTH_IDS.map((length) => minutesOf(listOf(CAMERA, length)));
    expect(minutes[0]).toBeGreaterThan(2);
    expect(minutes[0]).toBeLessThan(5);
    expect(minutes[1]).toBeGreaterThan(8);
    expect(minutes[1]).toBeLessThan(12);
    expect(minutes[2]).toBeGreaterThan(18);
    expect(minutes[2]).toBeLessThan(28);
    for (const length of TEST_LENGTH_IDS) {
      const ids = listOf(angles, length).map(({ id }) => id);
      expect(new Set(ids).size).toBe(ids.length);
    }
  });

  it('asks only for what the camera can be set to and for what somebody has', () => {
    for (const { settings } of USUAL) {
      expect(CAMERA.isos).toContain(settings.iso);
      expect(CAMERA.shutters).toContainEqual(settings.shutter);
      expect(settings.kelvin % CAMERA.kelvinStep).toBe(0);
    }
    expect(listOf(CAMERA, 'usual', { colours: false }).some(({ kind }) => kind === 'sheets')).toBe(false);
    expect(listOf({ ...CAMERA, meterModes: [] }, 'usual').some(({ kind }) => kind === 'meter')).toBe(false);
    const short = listOf(CAMERA, 'short');
    expect(new Set(short.map(({ kind }) => kind))).toEqual(new Set(['cap', 'first', 'bracket']));
    // A window’s light moves: the card is looked at once more.
    const window = listOf(CAMERA, 'short', { light: 'window' });
    expect(window.at(-1)?.kind).toBe('again');
  });

  it.each([
    ['times', CAMERA],
    ['angles', angles],
  ])('brackets from dark to beyond any clip by %s, the same shutters in more than one light', (_, camera) => {
    const parts = bracketSteps(camera, 1);
    const all = parts.flat();
    expect(Math.min(...all.map(({ stops }) => stops))).toBeLessThan(-3.5);
    expect(Math.max(...all.map(({ stops }) => stops))).toBeGreaterThan(7);
    const first = parts[0][0];
    for (const { shutter, stops, moreLight } of all) {
      const marked = Math.log2(shutterSeconds(shutter, 25) / shutterSeconds(first.shutter, 25));
      expect(stops - moreLight - (first.stops - first.moreLight)).toBeCloseTo(marked, 6);
    }
    const lights = parts.map((steps) => new Set(steps.map(({ shutter }) => JSON.stringify(shutter))));
    expect([...lights[1]].some((shutter) => lights[0].has(shutter))).toBe(true);
  });

  it('holds for any list of shutters and ISOs', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 24, max: 16_000 }), { minLength: 1, maxLength: 14 }),
        fc.uniqueArray(fc.integer({ min: 50, max: 100_000 }), { minLength: 1, maxLength: 12 }),
        (denominators, isos) => {
          const camera: TestedCamera = {
            ...CAMERA,
            fps: 24,
            shutters: denominators.map((denominator) => ({ kind: 'time', denominator })),
            isos,
            baseIsos: [isos[0]],
          };
          const list = listOf(camera, 'thorough');
          expect(list.length).toBeLessThan(250);
          expect(list.every(({ settings }) => Number.isFinite(settings.stops))).toBe(true);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('says between two shots only what changes', () => {
    const [, second] = USUAL;
    expect(shotChange(second, USUAL[0], HAVE)).toBe('ISO 1600');
    const lit = USUAL.findIndex(({ settings }) => settings.moreLight > 0);
    expect(shotChange(USUAL[lit], USUAL[lit - 1], HAVE)).toMatch(/^open the iris by \d stops, shutter/);
    expect(shotChange(USUAL[lit], USUAL[lit - 1], { ring: false })).toMatch(/^raise the light on the card/);
    // A code for a phone holds at most so many bytes (ISO/IEC 18004, version 40 L).
    expect(new TextEncoder().encode(listText('A-cam', USUAL, HAVE)).length).toBeLessThan(2953);
    expect(listText('A-cam', USUAL, HAVE).split('\n')).toHaveLength(USUAL.length + 1);
  });
});
