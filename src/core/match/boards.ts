import { BOARD_PATCHES, BOARD_RATIO } from '../scene/board.ts';
import type { MatchKind } from './patches.ts';

/** A patch of a board: its middle and half its sides, in shares of the board. */
type LaidPatch = {
  readonly name: string;
  readonly kind: MatchKind;
  readonly at: readonly [x: number, y: number];
  readonly half: readonly [x: number, y: number];
};

/** How the patches of a board lie. */
export type BoardLayout = readonly LaidPatch[];

const STAGE_KINDS = {
  card: 'card',
  white: 'white',
  wedge: 'neutral',
  patch: 'colour',
  trap: 'colour',
} as const;

/** The board of the stage; its black trap is no patch. */
const stage: BoardLayout = BOARD_PATCHES.filter(({ kind }) => kind !== 'trap').map(
  ({ name, kind, at: [x, y], half }) => ({
    name,
    kind: STAGE_KINDS[kind],
    at: [x / BOARD_RATIO, y],
    half: [half / BOARD_RATIO, half],
  }),
);

/** Of a cell's side so much is read either way: what lies between patches stays out. */
const READ = 0.25;
/** Most columns and rows of a grid. */
const MOST_CELLS = 26;

/**
 * Even patches in columns and rows, without a margin: the corners are those of the outer patches. Columns are letters.
 * @param greyRow The row whose patches are neutral, from 0; none where it is left out
 * @throws RangeError for no column or row, or more than 26
 */
export const gridBoard = (columns: number, rows: number, greyRow?: number): BoardLayout => {
  for (const n of [columns, rows])
    if (!Number.isInteger(n) || n < 1 || n > MOST_CELLS)
      throw new RangeError(`A board has 1 to ${MOST_CELLS} columns and rows, not ${n}.`);
  return Array.from({ length: rows }, (_, row) =>
    Array.from({ length: columns }, (_, column): LaidPatch => ({
      name: `${String.fromCharCode(65 + column)}${row + 1}`,
      kind: row === greyRow ? 'neutral' : 'colour',
      at: [(column + 0.5) / columns, (row + 0.5) / rows],
      half: [READ / columns, READ / rows],
    })),
  ).flat();
};

/** Boards that can be laid by their corners. A further one is a row. */
export const BOARDS = {
  stage: { name: 'the stage’s own board', layout: stage },
  grid24: { name: '24 patches, 6 by 4, lowest row grey', layout: gridBoard(6, 4, 3) },
  steps11: { name: 'grey scale, 11 steps', layout: gridBoard(11, 1, 0) },
  steps6: { name: 'grey scale, 6 steps', layout: gridBoard(6, 1, 0) },
  grid12: { name: '12 patches, 4 by 3', layout: gridBoard(4, 3) },
  grid48: { name: '48 patches, 8 by 6', layout: gridBoard(8, 6) },
} as const satisfies Readonly<Record<string, { readonly name: string; readonly layout: BoardLayout }>>;
export type BoardId = keyof typeof BOARDS;
export const BOARD_IDS = Object.keys(BOARDS) as BoardId[];
