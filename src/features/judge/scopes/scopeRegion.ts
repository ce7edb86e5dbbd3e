import type { Rect } from '#core/frame/frame.ts';
import type { Patch } from '#core/scopes/measure.ts';
import { patchName } from '#ui/patchName.ts';
import { words } from '#ui/wording/judgeScopes.ts';

/** Share of the width that a column takes. */
const COLUMN_SHARE = 0.02;

/**
 * The part of a frame that a scope is made of; undefined for all of it. `column@0.4` is a column at 40 % of
 * the width.
 */
export const regionOf = (
  of: string,
  patches: readonly Patch[],
  { width, height }: { readonly width: number; readonly height: number },
): Rect | undefined => {
  if (of.startsWith('column')) {
    const at = Number(of.split('@')[1] ?? 0.5);
    const wide = Math.max(2, Math.round(width * COLUMN_SHARE));
    return { x: Math.round(at * width - wide / 2), y: 0, width: wide, height };
  }
  return patches.find(({ id }) => id === of)?.rect;
};

/** What a scope may be made of. */
export const regionOptions = (
  patches: readonly Patch[],
  subjects: readonly { readonly id: string; readonly name: string }[],
): readonly { readonly id: string; readonly name: string }[] => [
  { id: 'frame', name: words.theWholeFrame },
  ...patches.map((patch) => ({ id: patch.id, name: `patch: ${patchName(patch, subjects)}` })),
  ...[0.25, 0.5, 0.75].map((at) => ({ id: `column@${at}`, name: `column at ${100 * at} %` })),
];
