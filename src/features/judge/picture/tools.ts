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
