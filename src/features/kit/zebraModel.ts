import type { ProfileData } from '#core/profile/index.ts';
import { zebraSheet, type ZebraSheet } from '#core/exposure/zebraSheet.ts';
import { SCALES } from '#core/signal/scale.ts';
import { printStopsLength, stopsWord } from '#core/units.ts';
import type { CameraRecord } from '#store/records/camera.ts';
import type { Selection } from '#store/selection.ts';

/** The two pictures a zebra may read. */
export const PICTURES = { log: 'On the recording', lut: 'Behind the display LUT' } as const;

export const sheetOf = (selection: Selection, data: ProfileData): ZebraSheet =>
  zebraSheet(data, selection.camera, selection.subjects, {
    iso: selection.plan.iso,
    warningMargin: selection.plan.warningMargin,
  });

const output = (reads: 'log' | 'lut') => (reads === 'log' ? 'the recording' : 'the display LUT’s output');

const levelsWords = (zebra: CameraRecord['zebra'], waveformReads: 'log' | 'lut') => {
  const levels = `Levels in ${SCALES[zebra.scale].name}, by ${zebra.range.step}`;
  return `${levels}; this zebra reads ${output(zebra.reads)}, the waveform ${output(waveformReads)}.`;
};

/** What is taken of the picture behind the camera's own view assist. */
const FOLLOWS = {
  yes: 'Behind the display LUT: its view assist takes the pull off.',
  no: 'Behind the display LUT: its view assist does not take the pull off, so the levels rise with the placement.',
  unknown: [
    'Behind the display LUT: assumed that its view assist takes the pull off.',
    'Film the card once at +1 and look, then say it in Kit.',
  ].join(' '),
};

/** What of this camera's zebra has to be known beside the levels. */
export const zebraNotes = ({ zebra, waveformReads }: CameraRecord): string[] => [
  levelsWords(zebra, waveformReads),
  FOLLOWS[zebra.follows ?? 'unknown'],
  ...(zebra.slots === 1
    ? ['One zebra at a time: set the card’s level, place, then set the warning and shoot.']
    : []),
  ...(zebra.kinds.includes('range')
    ? []
    : ['No range zebra: the level given is where stripes just begin to cover the tone.']),
  ...(zebra.kinds.includes('lowerLimit')
    ? []
    : ['No lower-limit zebra: the warning is the widest band, set to begin under the limit.']),
];

export const warningWords = (margin: number): string =>
  margin < 0.01
    ? 'Warning at clip.'
    : `Warning ${printStopsLength(margin)} ${stopsWord(margin)} under clip, rounded down.`;
