import { boardPatches, type Corners } from '#core/match/board.ts';
import { BOARDS, BOARD_IDS, type BoardId } from '#core/match/boards.ts';
import type { RoomMarkRecord, RoomPosition } from '#store/records/room.ts';
import type { Share } from '#workers/match/protocol.ts';
import { words } from '#ui/wording/room.ts';

/** Things that can be marked anew. A further one is a row. */
export const NEW_MARKS = {
  skin: words.newFace,
  card: words.kindCard,
  white: words.kindWhite,
  neutral: words.kindNeutral,
  colour: words.kindColour,
} as const;
export type NewMark = keyof typeof NEW_MARKS;

type Named = Pick<RoomMarkRecord, 'name' | 'kind'>;

const isNew = (chosen: string): chosen is NewMark => Object.hasOwn(NEW_MARKS, chosen);

/** What a drag marks: a thing that is known by name, or a new one with a free name. */
export const newName = (chosen: string, known: readonly Named[]): Named => {
  if (!isNew(chosen)) {
    const name = chosen.replace(/^= /, '');
    const same = known.find((one) => one.name === name);
    return { name, kind: same?.kind ?? 'colour' };
  }
  const taken = new Set(known.map(({ name }) => name));
  const base = chosen === 'skin' ? words.face : NEW_MARKS[chosen];
  let name: string = chosen === 'skin' ? `${base} 1` : base;
  for (let n = 2; taken.has(name); n += 1) name = `${base} ${n}`;
  return { name, kind: chosen };
};

/** A choice of the menu that lays a board. */
const BOARD = /^board (.+)$/;
export const boardChosen = (chosen: string): BoardId | undefined => {
  const id = BOARD.exec(chosen)?.[1];
  return BOARD_IDS.find((one) => one === id);
};

/** A board in an upright rectangle: its corners are dragged from there. */
export const boardIn = (id: BoardId, { x, y, width, height }: Share): NonNullable<RoomPosition['board']> => ({
  id,
  corners: [
    [x, y],
    [x + width, y],
    [x + width, y + height],
    [x, y + height],
  ],
});

/** What is read at a position: its marks, and the patches of its board. */
export const marksOf = ({
  marks,
  board,
}: Pick<RoomPosition, 'marks' | 'board'>): readonly RoomMarkRecord[] => {
  const id = BOARD_IDS.find((one) => one === board?.id);
  if (!board || !id) return marks;
  const patches = boardPatches(board.corners as Corners, BOARDS[id].layout);
  return [
    ...marks,
    ...patches.flatMap(({ name, kind, rect }) => (kind === 'tone' ? [] : [{ name, kind, place: rect }])),
  ];
};

/** Marks with one more, or one put elsewhere. */
export const withMark = (marks: readonly RoomMarkRecord[], mark: RoomMarkRecord): RoomMarkRecord[] => [
  ...marks.filter(({ name }) => name !== mark.name),
  mark,
];
export const withoutMark = (marks: readonly RoomMarkRecord[], name: string): RoomMarkRecord[] =>
  marks.filter((one) => one.name !== name);
