import { describe, expect, it } from 'vitest';
import { seededRandom } from '../random.ts';
import type { Patch } from './measure.ts';
import { makeFrame, type Frame } from '../frame/frame.ts';
import { refindMarks, rememberMarks } from './refind.ts';

const [WIDE, HIGH] = [960, 540];
type Look = {
  dx?: number;
  dy?: number;
  gain?: number;
  lift?: number;
  noise?: number;
  scale?: number;
  cards?: number;
};

/** A set with a card on a board, a face and some clutter, shifted and exposed as asked. */
const shot = ({ dx = 0, dy = 0, gain = 1, lift = 0, noise = 0, scale = 1, cards = 1 }: Look = {}): Frame => {
  const [width, height] = [WIDE * scale, HIGH * scale];
  const random = seededRandom(7);
  const plane = new Uint16Array(width * height);
  const at = (u: number, v: number): number => {
    const [x, y] = [u / scale - dx, v / scale - dy];
    for (let n = 0; n < cards; n += 1) {
      const left = 300 + n * 300;
      if (x >= left && x < left + 60 && y >= 200 && y < 260) return 400;
      if (x >= left - 20 && x < left + 90 && y >= 180 && y < 290) return x < left + 70 ? 90 : 850;
    }
    if (((x - 650) / 50) ** 2 + ((y - 380) / 70) ** 2 < 1) return 560 + 60 * Math.sin(x / 9);
    return 250 + 60 * Math.sin(x / 70) + 40 * Math.cos(y / 45);
  };
  for (let v = 0; v < height; v += 1)
    for (let u = 0; u < width; u += 1)
      plane[v * width + u] = Math.max(0, Math.min(1023, at(u, v) * gain + lift + noise * (random() - 0.5)));
  return makeFrame({ width, height, r: plane, g: plane, b: plane, bitDepth: 10, range: 'legal' });
};
const CARD: Patch = { id: 'card', kind: 'card', rect: { x: 306, y: 206, width: 48, height: 48 } };
const FACE: Patch = {
  id: 'skin-ana',
  kind: 'skin',
  subjectId: 'ana',
  rect: { x: 630, y: 350, width: 40, height: 50 },
};

describe('marks in another picture of the set-up', () => {
  const remembered = rememberMarks(shot(), [CARD, FACE]);

  it.each([
    ['the same picture', {}, 1],
    ['framed otherwise', { dx: 143, dy: -61 }, 1],
    ['two stops darker on a log curve, and noisy', { dx: -80, dy: 33, gain: 0.6, lift: 40, noise: 24 }, 1],
    ['twice as large', { scale: 2, dx: 30 }, 2],
  ])('%s: found within two pixels of the fine search', (_, look, scale) => {
    const { found, lost } = refindMarks(shot(look), remembered);
    expect(lost).toEqual([]);
    for (const [mark, patch] of [
      [CARD, found[0]],
      [FACE, found[1]],
    ] as const) {
      expect(patch).toMatchObject({ id: mark.id, kind: mark.kind });
      const { dx = 0, dy = 0 } = look as Look;
      expect(Math.abs(patch.rect.x - (mark.rect.x + dx) * scale)).toBeLessThanOrEqual(4 * scale);
      expect(Math.abs(patch.rect.y - (mark.rect.y + dy) * scale)).toBeLessThanOrEqual(4 * scale);
      expect(Math.abs(patch.rect.width / (mark.rect.width * scale) - 1)).toBeLessThan(0.06);
    }
  });

  it('out of the picture, in another shape, or in a flat one: lost, not guessed', () => {
    expect(refindMarks(shot({ cards: 0 }), remembered).lost).toContain('card');
    const square = shot();
    const flat = new Uint16Array(WIDE * HIGH).fill(300);
    expect(refindMarks(makeFrame({ ...square, r: flat, g: flat, b: flat }), remembered)).toEqual({
      found: [],
      lost: ['card', 'skin-ana'],
    });
    const cutOff = square.r.slice(0, WIDE * 400);
    const other = makeFrame({ ...square, height: 400, r: cutOff, g: cutOff, b: cutOff });
    expect(refindMarks(other, remembered).found).toEqual([]);
  });

  it('two places that look alike are no place', () => {
    expect(refindMarks(shot({ cards: 2 }), remembered).lost).toContain('card');
  });
});
