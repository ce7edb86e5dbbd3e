import type { SampleReading } from '../frame/codes.ts';
import type { Frame } from '../frame/frame.ts';
import { EXACT, matrixOfTags, type Exactness, type SourceTags } from '../frame/tags.ts';
import type { LumaId } from '../signal/luma.ts';
import type { Range } from '../signal/scale.ts';

/** Largest picture read: 64 million pixels hold an 8K frame with room, about 400 MB while it is opened. */
export const MAX_PIXELS = 64_000_000;
export const MAX_BYTES = 600_000_000;

/** Whether codes stand for the light of the scene through a camera's profile, or are made for a display. */
export type Referred = 'recorded' | 'display';

/** How the samples of a file were read: 16-bit ones by one of the readings, 8-bit ones as they are. */
export type FrameReading = SampleReading | 'codes8' | 'codes12';

/** A frame, and how its codes were read. */
export type OpenedFrame = {
  readonly frame: Frame;
  readonly reading: FrameReading;
  /** Why the codes were read so. */
  readonly evidence: string;
  /** `PNG`, `MP4, VP9`: what it came in. */
  readonly container: string;
  readonly tags: SourceTags;
  readonly referred: Referred;
  readonly exactness: Exactness;
};

/** How a user or a camera wants a file read. */
export type ReadingOptions = {
  readonly range: Range;
  /** The range was set by hand: it goes before what the file says. */
  readonly byHand?: boolean;
  readonly reading?: SampleReading;
  readonly referred?: Referred;
  /** The matrix Y'CbCr is read by, set by hand: it goes before what the file says. */
  readonly matrix?: LumaId;
};

/** The range to read with: by hand, else as the file says, else as wished. */
export const rangeFor = ({ range, byHand }: ReadingOptions, told: Range | undefined): Range =>
  byHand ? range : (told ?? range);

/** The matrix to read Y'CbCr by: by hand, else as the file says, else BT.709. */
export const matrixFor = ({ matrix }: Pick<ReadingOptions, 'matrix'>, tags: SourceTags): LumaId =>
  matrix ?? matrixOfTags(tags);

/** A frame of a file that says nothing of itself and holds codes exactly. */
export const plainly = (
  opened: Pick<OpenedFrame, 'frame' | 'reading' | 'evidence' | 'container'>,
  { referred = 'recorded' }: Pick<ReadingOptions, 'referred'>,
): OpenedFrame => ({ ...opened, tags: {}, referred, exactness: EXACT });
