import { describe, expect, it } from 'vitest';
import { GAMUTS, rgbToXyz } from '../colour/gamut.ts';
import { xyzToLab, type Lab } from '../colour/lab.ts';
import { apply } from '../maths/matrix.ts';
import { BOARD_PATCHES, BOARD_RATIO, boardPatchAt, WEDGE, type BoardPatch } from './board.ts';
import { luminance } from './light.ts';

const TO_XYZ = rgbToXyz(GAMUTS.bt2020);
const WHITE = apply(TO_XYZ, [1, 1, 1]);
const labOf = ({ reflectance }: BoardPatch): Lab => xyzToLab(apply(TO_XYZ, reflectance), WHITE);
const hueOf = (patch: BoardPatch) => {
  const [, a, b] = labOf(patch);
  return ((Math.atan2(b, a) * 180) / Math.PI + 360) % 360;
};
const kinds = (kind: string) => BOARD_PATCHES.filter((patch) => patch.kind === kind);
const named = (name: string) => {
  const found = BOARD_PATCHES.find((patch) => patch.name === name);
  if (!found) throw new Error(name);
  return found;
};

describe('the test board', () => {
  it('has a card of 18 %, a white, a trap, eleven steps half a stop apart and 25 colours', () => {
    expect(kinds('card').map(({ reflectance }) => reflectance)).toEqual([[0.18, 0.18, 0.18]]);
    expect(['white', 'trap', 'wedge', 'patch'].map((kind) => kinds(kind).length)).toEqual([1, 1, 11, 25]);
    expect(Math.log2(WEDGE[0] / WEDGE[2])).toBeCloseTo(1, 9);
    expect(new Set(BOARD_PATCHES.map(({ name }) => name)).size).toBe(BOARD_PATCHES.length);
  });

  it('its skins reflect what their names say, a stop apart', () => {
    for (const percent of [36, 18, 9])
      expect(luminance(...named(`skin ${percent} %`).reflectance)).toBeCloseTo(percent / 100, 9);
  });

  it('its strong hues stand 30 degrees apart round the spine, clockwise from above', () => {
    const ring = BOARD_PATCHES.slice(6, 18);
    ring.forEach((patch, i) => expect(hueOf(patch)).toBeCloseTo(15 + 30 * i, 6));
    const turns = ring.map(({ at: [x, y] }) => (Math.atan2(x - 1, 0.5 - y) * 180) / Math.PI);
    turns.forEach((turn, i) => expect(Math.abs(((turn + 360) % 360) - (15 + 30 * i))).toBeLessThan(9));
  });

  it('every half hue has the hue of its strong one and about half its chroma', () => {
    const chroma = (patch: BoardPatch) => Math.hypot(...labOf(patch).slice(1));
    for (const half of BOARD_PATCHES.filter(({ name }) => name.startsWith('half '))) {
      const strong = named(half.name.slice(5));
      expect(hueOf(half)).toBeCloseTo(hueOf(strong), 6);
      expect(chroma(half) / chroma(strong)).toBeCloseTo(0.45 / 0.88, 6);
    }
  });

  it('no paint is brighter than a white or darker than a trap', () => {
    for (const { reflectance } of BOARD_PATCHES) {
      expect(Math.max(...reflectance)).toBeLessThanOrEqual(0.9);
      expect(Math.min(...reflectance)).toBeGreaterThanOrEqual(0.004);
    }
  });

  it('a patch is read well inside itself, and no two lie over each other', () => {
    for (const patch of BOARD_PATCHES) {
      const [x, y] = patch.at;
      expect(patch.half).toBeGreaterThan(0.02);
      for (const [dx, dy] of [
        [0, 0],
        [1.3, 1.3],
        [-1.3, 1.3],
        [1.3, -1.3],
        [-1.3, -1.3],
      ])
        expect(boardPatchAt(x + dx * patch.half, y + dy * patch.half)?.name).toBe(patch.name);
    }
  });

  it('has an edge all round, and nothing outside', () => {
    for (const t of [0, 0.25, 0.5, 0.75, 1]) {
      expect(boardPatchAt(t * BOARD_RATIO, 0.02)).toBeUndefined();
      expect(boardPatchAt(t * BOARD_RATIO, 0.98)).toBeUndefined();
      expect(boardPatchAt(0.02, t)).toBeUndefined();
      expect(boardPatchAt(BOARD_RATIO - 0.02, t)).toBeUndefined();
    }
    expect(boardPatchAt(-1, 0.5)).toBeUndefined();
    expect(boardPatchAt(0.53, 0.5)).toBeUndefined();
  });
});
