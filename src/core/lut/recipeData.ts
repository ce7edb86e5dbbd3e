import type { Correction } from '../correction/operations.ts';
import type { ProfileData } from '../profile/index.ts';
import type { GamutMap } from './compressFrom.ts';
import type { OutputId } from './outputs.ts';
import type { ToneScale } from './toneScale.ts';

/** A LUT from a profile's signal to a picture, as data. */
export type LutRecipe = {
  readonly profile: ProfileData;
  /** Stops taken off before the picture is made: the placement, so that the card looks like a card. 0 = none. */
  readonly pullStops: number;
  readonly output: OutputId;
  /** Peak of the display, cd/m2; counts for PQ alone. */
  readonly peak: number;
  readonly tone: ToneScale;
  /** Colour about luma on the output's signal; 1 leaves it, 0 is black and white. */
  readonly saturation: number;
  /** What brings the camera to another, done on its light before the pull. */
  readonly match?: Correction;
  /** What becomes of colours outside the output's gamut; without one they are cut at 0. */
  readonly gamutMap?: GamutMap;
};
