import { describe, expect, it } from 'vitest';
import { filmingOf } from '../cameraTest/fixtures/filmed.ts';
import { makeFrame, type Frame } from '../frame/frame.ts';
import { compileProfile } from '../profile/index.ts';
import { gaussian, seededRandom } from '../random.ts';
import { codeToSignal } from '../signal/scale.ts';
import { IN_CAMERA, IN_CAMERA_IDS, schoolFor, type InCameraId } from './settings.ts';
import { shownFigures, shownWords } from './shown.ts';
import { filmTwice } from './stage.ts';
import { twoFrames, type TwoFrames } from './twoFrames.ts';

const CODING = { bitDepth: 10, range: 'legal' } as const;
const { camera } = filmingOf('wideLog', CODING, { seed: 2 });
const measured = (id: InCameraId, seed = 1): TwoFrames => {
  const result = twoFrames(...filmTwice(camera, id, seed));
  if (!result.ok) throw new Error(result.reason);
  return result.value;
};
const { stopsAt } = compileProfile(camera.profile);
const stopsOf = (code: number) => stopsAt(codeToSignal(code, CODING));

/** A drawn picture: grey steps, sheets of colour, an edge; each pixel by its place. */
const drawn = (
  of: (u: number, v: number) => readonly [number, number, number],
  noise = 2,
  seed = 1,
): Frame => {
  const [width, height] = [320, 180];
  const normal = gaussian(seededRandom(seed));
  const planes = [0, 1, 2].map(() => new Uint16Array(width * height));
  for (let y = 0, i = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1, i += 1) {
      const rgb = of(x / width, y / height);
      planes.forEach((plane, c) => {
        plane[i] = Math.round(Math.min(1023, Math.max(0, rgb[c] + noise * normal())));
      });
    }
  const [r, g, b] = planes;
  return makeFrame({ ...CODING, width, height, r, g, b });
};
const steps = (u: number): number => 120 + Math.floor(u * 8) * 90;
const grey = (code: number): [number, number, number] => [code, code, code];

describe('what a setting does, by two frames of the stage', () => {
  it.each(IN_CAMERA_IDS)('shows %s in a figure that is its own, in bodies of every seed', (id) => {
    for (const seed of [1, 2, 3]) {
      const own = IN_CAMERA[id].shows as readonly string[];
      const changed = shownFigures(measured(id, seed)).filter(({ isChange }) => isChange);
      expect(
        changed.map((figure) => figure.id).filter((figure) => own.includes(figure)).length,
      ).toBeGreaterThan(0);
    }
  });

  it('measures what the stage did: noise smoothed to under a half, an edge that rises by sharpening alone', () => {
    const { noise } = measured('noise');
    expect(noise.with / noise.without).toBeLessThan(0.55);
    const { edge } = measured('detail');
    expect(edge!.without).toBeLessThan(0.03);
    expect(edge!.with).toBeGreaterThan(0.08);
    expect(measured('saturation').colour!.saturation).toBeGreaterThan(1.04);
    expect(Math.abs(measured('colour').colour!.hue)).toBeGreaterThan(2);
    expect(measured('knee').moved.clip).toBeLessThan(-10);
    expect(measured('knee').moved.black).toBe(0);
    expect(measured('black').moved.black).toBeGreaterThan(8);
  });

  it('finds no change between two frames that differ in their noise alone', () => {
    const [without] = filmTwice(camera, 'detail', 3);
    const [again] = filmTwice(camera, 'detail', 11);
    const result = twoFrames(without, again);
    if (!result.ok) throw new Error(result.reason);
    expect(shownFigures(result.value).filter(({ isChange }) => isChange)).toEqual([]);
    expect(shownWords('detail', result.value, stopsOf)[0]).toMatch(/changes nothing/);
  });

  it('says that a curve does not hold where middle tones moved', () => {
    expect(shownWords('contrast', measured('contrast'), stopsOf).join(' ')).toMatch(
      /stop.* on this profile: its curve/,
    );
    expect(shownWords('detail', measured('detail'), stopsOf).join(' ')).not.toMatch(/on this profile/);
  });
});

/** A cloth: texture all over, brighter to the right. */
const weave = (seed: number): Frame =>
  drawn((u, v) => grey(steps(u) + ((Math.floor(u * 320) * 7 + Math.floor(v * 180) * 13) % 11) * 8), 1, seed);

/** A sheet of colour by its angle and length on a vectorscope of BT.709, codes. */
const sheet = (angle: number, length: number, luma = 500): [number, number, number] => {
  const [kr, kg, kb] = [0.2126, 0.7152, 0.0722];
  const [cb, cr] = [length * Math.cos(angle), length * Math.sin(angle)];
  const [r, b] = [luma + 2 * (1 - kr) * cr, luma + 2 * (1 - kb) * cb];
  return [r, (luma - kr * r - kb * b) / kg, b];
};

describe('two drawn frames', () => {
  it('tells noise within a tenth, at two and at six codes', () => {
    // Luma of three channels of equal noise has their weights' root of squares of it (BT.709-6).
    const luma = Math.sqrt(0.2126 ** 2 + 0.7152 ** 2 + 0.0722 ** 2);
    const result = twoFrames(
      drawn((u) => grey(steps(u)), 6, 1),
      drawn((u) => grey(steps(u)), 2, 2),
    );
    if (!result.ok) throw new Error(result.reason);
    expect(result.value.noise.without / (6 * luma)).toBeCloseTo(1, 1);
    expect(result.value.noise.with / (2 * luma)).toBeCloseTo(1, 1);
  });

  it('tells colour turned by seven degrees and stretched by a fifth on a vectorscope', () => {
    const turn = (7 * Math.PI) / 180;
    const picture = (by: number, times: number, seed: number) =>
      drawn((u, v) => (v < 0.4 ? grey(steps(u)) : sheet(Math.floor(u * 6) + by, 70 * times)), 2, seed);
    const result = twoFrames(picture(0, 1, 1), picture(turn, 1.2, 2));
    if (!result.ok) throw new Error(result.reason);
    expect(result.value.colour!.hue).toBeCloseTo(7, 0);
    expect(result.value.colour!.saturation).toBeCloseTo(1.2, 1);
  });

  it('tells tones that moved, in codes', () => {
    const result = twoFrames(
      drawn((u) => grey(steps(u)), 1, 1),
      drawn((u) => grey(steps(u) + 12), 1, 2),
    );
    if (!result.ok) throw new Error(result.reason);
    const { black, grey: middle, clip } = result.value.moved;
    for (const moved of [black, middle, clip]) expect(Math.abs(moved - 12)).toBeLessThan(1.5);
  });

  it('tells how far each figure may lie otherwise: what was done lies inside nine times in ten', () => {
    // Rounding channels, then luma, adds a twelfth of a code squared each.
    const added = Math.sqrt((9 + 1 / 12) * (0.2126 ** 2 + 0.7152 ** 2 + 0.0722 ** 2) + 1 / 12);
    const turn = (3 * Math.PI) / 180;
    // Far apart: neighbouring seeds of this generator are a little alike.
    const seeds = Array.from({ length: 24 }, (_, i) => 1 + i * 829_348_951);
    const inside = { noise: 0, hue: 0, saturation: 0, grey: 0, black: 0, clip: 0 };
    for (const seed of seeds) {
      const result = twoFrames(
        drawn((u, v) => (v < 0.5 ? grey(steps(u)) : sheet(Math.floor(u * 6), 70)), 3, seed),
        drawn(
          (u, v) => (v < 0.5 ? grey(steps(u) + 2) : sheet(Math.floor(u * 6) + turn, 77, 502)),
          3,
          seed + 414_674_475,
        ),
      );
      if (!result.ok) throw new Error(result.reason);
      const { noise, colour, moved, within } = result.value;
      const holds = (off: number, give: number | undefined) => (Math.abs(off) <= (give ?? 0) ? 1 : 0);
      inside.noise += holds(noise.without - added, within?.noise.without);
      inside.hue += holds(colour!.hue - 3, within?.hue);
      inside.saturation += holds(colour!.saturation - 1.1, within?.saturation);
      inside.grey += holds(moved.grey - 2, within?.moved.grey);
      // Read in whole codes.
      inside.black += holds(moved.black - 2, Math.max(1, within?.moved.black ?? 0));
      inside.clip += holds(moved.clip - 2, Math.max(1, within?.moved.clip ?? 0));
      // And not so far that it says nothing.
      expect(within!.hue!).toBeLessThan(0.2);
      expect(within!.moved.grey).toBeLessThan(0.2);
      expect(within!.noise.without).toBeLessThan(0.2);
    }
    for (const one of Object.values(inside)) expect(one / seeds.length).toBeGreaterThan(0.85);
  });

  it.each([
    [
      'another size',
      drawn((u) => grey(steps(u))),
      makeFrame({
        ...CODING,
        width: 2,
        height: 1,
        r: new Uint16Array(2),
        g: new Uint16Array(2),
        b: new Uint16Array(2),
      }),
      /differ in size/,
    ],
    [
      'another bit depth',
      drawn((u) => grey(steps(u))),
      { ...drawn((u) => grey(steps(u))), bitDepth: 8 } as Frame,
      /bit depth/,
    ],
    ['something else', drawn((u) => grey(steps(u))), drawn((_, v) => grey(steps(v))), /same thing/],
    ['nothing even', weave(1), weave(2), /even part/],
    ['black', drawn(() => grey(64), 0), drawn(() => grey(64), 0), /same thing/],
  ])('are refused in one sentence: %s', (_, without, withIt, says) => {
    const result = twoFrames(without, withIt);
    expect(result.ok).toBe(false);
    if (!result.ok) expect(result.reason).toMatch(says);
  });
});

it('a log leaves it to post, a finished picture to the camera', () => {
  expect(schoolFor('log')).toBe('post');
  expect(schoolFor('finished')).toBe('camera');
});
