import type { Rect } from '../frame/frame.ts';
import type { Patch } from './measure.ts';

/** Where patches were put at which frames, by patch id; frames rise. */
export type Keyed = Readonly<Record<string, readonly { readonly frame: number; readonly rect: Rect }[]>>;

const between = (a: number, b: number, t: number) => Math.round(a + (b - a) * t);

/** The place of a patch at a frame: held before the first and after the last mark, moving evenly in between. */
export const rectAt = (keys: Keyed[string] | undefined, frame: number): Rect | undefined => {
  if (!keys || keys.length === 0) return undefined;
  const after = keys.findIndex((key) => key.frame > frame);
  if (after === -1) return keys[keys.length - 1].rect;
  if (after === 0) return keys[0].rect;
  const [a, b] = [keys[after - 1], keys[after]];
  const t = (frame - a.frame) / (b.frame - a.frame);
  return {
    x: between(a.rect.x, b.rect.x, t),
    y: between(a.rect.y, b.rect.y, t),
    width: between(a.rect.width, b.rect.width, t),
    height: between(a.rect.height, b.rect.height, t),
  };
};

/** Patches as they lie at a frame. */
export const patchesAt = (patches: readonly Patch[], keyed: Keyed, frame: number): readonly Patch[] =>
  patches.map((patch) => {
    const rect = rectAt(keyed[patch.id], frame);
    return rect ? { ...patch, rect } : patch;
  });

/** A patch put somewhere at a frame; what it was at that frame before is replaced. */
export const keyedWith = (keyed: Keyed, id: string, frame: number, rect: Rect): Keyed => ({
  ...keyed,
  [id]: [...(keyed[id] ?? []).filter((key) => key.frame !== frame), { frame, rect }].sort(
    (a, b) => a.frame - b.frame,
  ),
});
