import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { BOARD_PATCHES, BOARD_RATIO, boardPatchAt } from '../scene/board.ts';
import { BOARDS, gridBoard } from './boards.ts';
import { boardPatches, FIRST_CORNERS, isBoard, onBoardAt, type Corners } from './board.ts';

const near = (v: number) => fc.double({ min: v - 0.12, max: v + 0.12, noNaN: true });
const corners: fc.Arbitrary<Corners> = fc.tuple(
  fc.tuple(near(0.25), near(0.25)),
  fc.tuple(near(0.75), near(0.25)),
  fc.tuple(near(0.75), near(0.75)),
  fc.tuple(near(0.25), near(0.75)),
);

describe('the board between four corners', () => {
  it('puts each patch where its middle lies, whatever the view', () => {
    fc.assert(
      fc.property(corners, (made) => {
        for (const { name, rect } of boardPatches(made)) {
          const [x, y] = onBoardAt(made, [rect.x + rect.width / 2, rect.y + rect.height / 2]);
          expect(boardPatchAt(x, y)?.name).toBe(name);
        }
      }),
      { numRuns: 50 },
    );
  });

  it('keeps the whole of what is read inside the patch, on a board seen straight', () => {
    for (const { name, rect } of boardPatches(FIRST_CORNERS))
      for (const [u, v] of [
        [0, 0],
        [1, 0],
        [0, 1],
        [1, 1],
      ]) {
        const [x, y] = onBoardAt(FIRST_CORNERS, [rect.x + u * rect.width, rect.y + v * rect.height]);
        expect(boardPatchAt(x, y)?.name).toBe(name);
      }
  });

  it('has all patches but the black trap, and the board of its own ratio', () => {
    expect(boardPatches(FIRST_CORNERS)).toHaveLength(BOARD_PATCHES.length - 1);
    expect(onBoardAt(FIRST_CORNERS, FIRST_CORNERS[2])[0]).toBeCloseTo(BOARD_RATIO, 9);
  });

  it('is none where corners cross or lie on a line', () => {
    const [a, b, c, d] = FIRST_CORNERS;
    expect(isBoard([a, c, b, d])).toBe(false);
    expect(isBoard([a, a, c, d])).toBe(false);
    expect(boardPatches([a, c, b, d])).toEqual([]);
    // Mirrored is still a board.
    expect(isBoard([b, a, d, c])).toBe(true);
  });
});

describe('boards in columns and rows', () => {
  it('lie between their corners, lettered by column, the grey row neutral', () => {
    const patches = boardPatches(FIRST_CORNERS, BOARDS.grid24.layout);
    expect(patches).toHaveLength(24);
    expect(patches.filter(({ kind }) => kind === 'neutral').map(({ name }) => name)).toEqual(
      ['A', 'B', 'C', 'D', 'E', 'F'].map((column) => `${column}4`),
    );
    const [first] = patches;
    const [[left, top], [right, ,]] = FIRST_CORNERS;
    const cell = (right - left) / 6;
    expect(first.rect.x).toBeCloseTo(left + cell / 4, 9);
    expect(first.rect.width).toBeCloseTo(cell / 2, 9);
    expect(first.rect.y).toBeGreaterThan(top);
  });

  it('never overlap, whatever the view', () => {
    fc.assert(
      fc.property(corners, (made) => {
        const patches = boardPatches(made, BOARDS.grid48.layout);
        for (const [i, { rect: a }] of patches.entries())
          for (const { rect: b } of patches.slice(i + 1)) {
            if (a.x + a.width > b.x && b.x + b.width > a.x && a.y + a.height > b.y && b.y + b.height > a.y)
              throw new Error('two patches overlap');
          }
      }),
      { numRuns: 20 },
    );
  });

  it('have 1 to 26 columns and rows', () => {
    for (const [columns, rows] of [
      [0, 4],
      [27, 1],
      [2.5, 3],
    ])
      expect(() => gridBoard(columns, rows)).toThrow(RangeError);
    expect(gridBoard(26, 26)).toHaveLength(676);
  });
});
