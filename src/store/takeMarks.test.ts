// Marks that a take was logged with, kept in a byte a pixel, are found as the ones in memory are.
import 'fake-indexeddb/auto';
import { describe, expect, it } from 'vitest';
import { makeFrame } from '#core/frame/frame.ts';
import { seededRandom } from '#core/random.ts';
import { refindMarks, rememberMarks } from '#core/scopes/refind.ts';
import { checkedRecord } from './edits.ts';
import { Database } from './database.ts';
import { marksOfTakes, takeMarksOf } from './takeMarks.ts';

const [WIDE, HIGH] = [480, 270];
/** Clutter with a card in it, moved and exposed as asked. */
const picture = (dx = 0, gain = 1) => {
  const random = seededRandom(3);
  const clutter = Array.from({ length: WIDE }, () => 200 + 300 * random());
  const plane = new Uint16Array(WIDE * HIGH);
  for (let y = 0; y < HIGH; y += 1)
    for (let x = 0; x < WIDE; x += 1) {
      const isCard = x - dx >= 200 && x - dx < 230 && y >= 100 && y < 130;
      const behind = clutter[(((x - dx) >> 3) + (y >> 3) * 7 + WIDE) % WIDE];
      plane[y * WIDE + x] = Math.min(1023, gain * (isCard ? 420 : behind));
    }
  return makeFrame({
    width: WIDE,
    height: HIGH,
    r: plane,
    g: plane,
    b: plane,
    bitDepth: 10,
    range: 'legal',
  });
};
const card = { id: 'card', kind: 'card' as const, rect: { x: 204, y: 104, width: 22, height: 22 } };
const take = { id: 'take-9', shootId: 'salt-and-fire' };

describe('marks of a take', () => {
  it('come back from the records and are found in a picture that moved and is darker', async () => {
    const kept = takeMarksOf(take, rememberMarks(picture(), [card]));
    const database = new Database('take-marks', { demo: false });
    await database.rows('takeMarks').put(checkedRecord('takeMarks', kept!) as typeof kept & object);
    const marks = (await marksOfTakes(database, ['take-9', 'take-10'])).get('take-9');
    const { found } = refindMarks(picture(30, 0.7), marks ?? []);
    expect(found).toHaveLength(1);
    expect(Math.abs(found[0].rect.x - 234)).toBeLessThanOrEqual(2);
    await database.delete();
  });

  it('that are damaged are left out, and a take without marks keeps nothing', async () => {
    expect(takeMarksOf(take, [])).toBeUndefined();
    const kept = takeMarksOf(take, rememberMarks(picture(), [card]))!;
    const cut = { ...kept, marks: [{ ...kept.marks[0], look: { ...kept.marks[0].look, luma: 'AAAA' } }] };
    const database = new Database('take-marks-cut', { demo: false });
    await database.rows('takeMarks').put(cut);
    expect((await marksOfTakes(database, ['take-9'])).get('take-9')).toEqual([]);
    await database.delete();
  });
});
