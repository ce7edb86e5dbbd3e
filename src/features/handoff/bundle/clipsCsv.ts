import { decimals, percent, rowsCsv, type CsvColumn } from '#store/exports/rowsCsv.ts';
import { correctionWords } from '#ui/bench/match/correctionWords.ts';
import { startOf, type BundledClip } from './clipFacts.ts';
import { printTimecode } from '#core/formats/timecode.ts';

const triple = (values: readonly number[] | undefined) => values?.map((v) => v.toFixed(6)).join(' ') ?? '';

/** Columns of the clips, with their units in the heading. A further one is a row. */
const COLUMNS: readonly CsvColumn<BundledClip>[] = [
  { name: 'clip', of: ({ clip }) => clip.file.name },
  { name: 'camera', of: ({ camera }) => camera },
  { name: 'set-up', of: ({ setup }) => setup },
  { name: 'take', of: ({ takeNumber }) => takeNumber ?? '' },
  { name: 'circled', of: ({ clip }) => (clip.circled ? 'yes' : 'no') },
  { name: 'start timecode', of: ({ clip }) => clip.facts?.timecode ?? '' },
  {
    name: 'end timecode',
    of: ({ clip }) => {
      const { start, isKnown } = startOf(clip);
      return isKnown ? printTimecode({ ...start, frames: start.frames + (clip.facts?.frames ?? 0) }) : '';
    },
  },
  { name: 'reel', of: ({ clip }) => clip.facts?.reel ?? '' },
  { name: 'frames', of: ({ clip }) => clip.facts?.frames ?? '' },
  { name: 'fps', of: ({ clip }) => decimals(clip.facts?.rate, 3) },
  { name: 'variable rate', of: ({ clip }) => (clip.facts?.variable ? 'yes' : 'no') },
  { name: 'width', of: ({ clip }) => clip.facts?.size[0] ?? '' },
  { name: 'height', of: ({ clip }) => clip.facts?.size[1] ?? '' },
  { name: 'depth (bit)', of: ({ clip }) => clip.facts?.bitDepth ?? '' },
  { name: 'range', of: ({ clip }) => clip.facts?.range ?? '' },
  { name: 'chroma', of: ({ clip }) => clip.facts?.chroma ?? '' },
  { name: 'tags', of: ({ clip }) => clip.facts?.tags ?? '' },
  { name: 'placement planned (stops)', of: ({ placement }) => decimals(placement, 3) },
  { name: 'card found (stops)', of: ({ clip }) => decimals(clip.found?.cardStops, 3) },
  { name: 'cast of the neutral (mired)', of: ({ clip }) => decimals(clip.found?.mired, 1) },
  { name: 'drift (stops)', of: ({ clip }) => decimals(clip.found?.driftStops, 3) },
  { name: 'all channels clipped (% of picture)', of: ({ clip }) => percent(clip.found?.clippedAll) },
  { name: 'under the floor (% of picture)', of: ({ clip }) => percent(clip.found?.underFloor) },
  {
    name: 'correction',
    of: ({ clip: { correction } }) =>
      correction?.accepted ? correctionWords(correction.correction).join(', ') : '',
  },
  { name: 'CDL slope (codes)', of: ({ correction }) => triple(correction?.cdl.slope) },
  { name: 'CDL offset (codes)', of: ({ correction }) => triple(correction?.cdl.offset) },
  { name: 'CDL power', of: ({ correction }) => triple(correction?.cdl.power) },
  { name: 'CDL saturation', of: ({ correction }) => decimals(correction?.cdl.saturation, 6) },
  { name: 'CDL off by at most (codes)', of: ({ correction }) => decimals(correction?.worstCodes, 2) },
  { name: 'differs on purpose', of: ({ clip }) => (clip.onPurpose ? 'yes' : 'no') },
  { name: 'doubt', of: ({ clip }) => clip.found?.doubt ?? '' },
  { name: 'notes', of: ({ clip }) => clip.notes },
];

/** The clips as CSV. */
export const clipsCsv = (clips: readonly BundledClip[]): string => rowsCsv(COLUMNS, clips);
