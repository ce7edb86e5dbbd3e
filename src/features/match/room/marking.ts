import type { RoomMarkRecord } from '#store/records/room.ts';
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

/** Marks with one more, or one put elsewhere. */
export const withMark = (marks: readonly RoomMarkRecord[], mark: RoomMarkRecord): RoomMarkRecord[] => [
  ...marks.filter(({ name }) => name !== mark.name),
  mark,
];
export const withoutMark = (marks: readonly RoomMarkRecord[], name: string): RoomMarkRecord[] =>
  marks.filter((one) => one.name !== name);
