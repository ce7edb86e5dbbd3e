import { median } from '../maths/quantile.ts';
import { luminance } from '../scene/light.ts';
import { MIDDLE_GREY } from '../units.ts';
import { MOST_CLIPPED, type RoomPatch } from './drift.ts';

/** Somebody who speaks: where the key side of the face lies, stops over grey. */
export type Face = { readonly id: string; readonly name: string; readonly offset: number };

/** Stops over grey that a marked thing lies at. */
export const levelOf = ({ light: [r, g, b] }: Pick<RoomPatch, 'light'>): number =>
  Math.log2(Math.max(1e-6, luminance(r, g, b)) / MIDDLE_GREY);

/** What a new face is measured from: some pictures of it. */
export const offsetOf = (pictures: readonly Pick<RoomPatch, 'light'>[]): number =>
  median(pictures.map(levelOf));

/** A face within this of its own place is as it was. A sixth of a stop: half of what a dial moves. Our own. */
const AS_IT_WAS = 1 / 6;

export type FaceVerdict = {
  readonly level: number;
  /** Stops that it lies over its own place. */
  readonly off: number;
  readonly says: 'well' | 'bright' | 'dark' | 'clipped';
};

/** Whether a face lies where it is known to lie: each against its own place, never against a skin line's. */
export const judgeFace = (face: Face, patch: Pick<RoomPatch, 'light' | 'clipped'>): FaceVerdict => {
  const level = levelOf(patch);
  const off = level - face.offset;
  const says =
    patch.clipped > MOST_CLIPPED
      ? 'clipped'
      : Math.abs(off) <= AS_IT_WAS
        ? 'well'
        : off > 0
          ? 'bright'
          : 'dark';
  return { level, off, says };
};
