import type { Patch } from '#core/scopes/measure.ts';

type Named = { readonly id: string; readonly name: string };

/** What a patch is called. */
export const patchName = ({ kind, subjectId }: Patch, subjects: readonly Named[]): string =>
  kind === 'skin' ? (subjects.find(({ id }) => id === subjectId)?.name ?? 'skin') : kind;
