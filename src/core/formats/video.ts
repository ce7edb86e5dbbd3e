import { frameOfVideo, type VideoPicture } from '../frame/ofVideo.ts';
import { plainTag, type Exactness, type SourceTags } from '../frame/tags.ts';
import { matrixFor, rangeFor, type FrameReading, type OpenedFrame, type ReadingOptions } from './opened.ts';

/** How codes of a depth are read: as they are. */
const READINGS = { 8: 'codes8', 10: 'codes10', 12: 'codes12' } as const satisfies Record<
  number,
  FrameReading
>;

export type DecodedPicture = Omit<VideoPicture, 'matrix' | 'range'> & {
  readonly container: string;
  readonly tags: SourceTags;
  readonly exactness: Exactness;
  /** Said beside depth and layout. */
  readonly remark?: string;
};

/** A decoded picture of a clip or a feed as it was wished; matrix and range by its tags. */
export const openedVideo = (
  { container, tags, exactness, remark, ...picture }: DecodedPicture,
  options: ReadingOptions,
): OpenedFrame => {
  const { bitDepth, chroma, kind } = picture.layout;
  const colour = kind === 'rgb' || kind === 'gbr' ? 'RGB' : chroma;
  return {
    frame: frameOfVideo({
      ...picture,
      matrix: matrixFor(options, tags),
      range: rangeFor(options, tags.range),
    }),
    reading: READINGS[bitDepth],
    evidence: `${bitDepth}-bit ${colour}${remark ? `, ${remark}` : ''}`,
    container,
    tags,
    referred: options.referred ?? 'recorded',
    exactness,
  };
};

/** Colour as WebCodecs tells it (VideoColorSpace), in the words used here. */
export type ToldColour = {
  readonly primaries?: string | null;
  readonly transfer?: string | null;
  readonly matrix?: string | null;
  readonly fullRange?: boolean | null;
};

export const tagsOfColour = ({ primaries, transfer, matrix, fullRange }: ToldColour): SourceTags => ({
  range: typeof fullRange === 'boolean' ? (fullRange ? 'full' : 'legal') : undefined,
  primaries: plainTag('primaries', primaries),
  transfer: plainTag('transfer', transfer),
  matrix: plainTag('matrix', matrix),
});
