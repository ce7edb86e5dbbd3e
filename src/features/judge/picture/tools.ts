import type { Rect } from '#core/frame/frame.ts';
import type { PatchKind } from '#core/scopes/measure.ts';

/** What a drag on the picture marks. */
export type Tool = {
  readonly id: string;
  readonly kind: PatchKind;
  readonly subjectId?: string;
  readonly name: string;
};

type Named = { readonly id: string; readonly name: string };

/** A tool for the card, each subject's skin, a neutral and a white. */
export const toolsFor = (subjects: readonly Named[]): readonly Tool[] => [
  { id: 'card', kind: 'card', name: 'card' },
  ...subjects.map(({ id, name }): Tool => ({ id: `skin-${id}`, kind: 'skin', subjectId: id, name })),
  { id: 'neutral', kind: 'neutral', name: 'neutral' },
  { id: 'white', kind: 'white', name: 'white' },
];

/** A patch in the middle of a picture, for those who do not drag: a tenth of it wide, square. */
export const middleOf = ({ width, height }: { readonly width: number; readonly height: number }): Rect => {
  const side = Math.max(1, Math.round(Math.min(width, height) / 10));
  return { x: Math.round((width - side) / 2), y: Math.round((height - side) / 2), width: side, height: side };
};
