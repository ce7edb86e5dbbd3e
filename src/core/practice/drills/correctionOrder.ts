import { said } from '../../said.ts';
import { shuffled } from '../random.ts';
import { standsWith } from '../stageTask.ts';
import type { Drill, Level, Option } from '../types.ts';

/** The order in which a clip is put right. Later ones take what the earlier have left. */
const ORDER: readonly Option[] = [
  { id: 'range', says: 'Tell the software range and profile of the file' },
  { id: 'exposure', says: 'Exposure, as a gain on the light' },
  { id: 'balance', says: 'White balance, on the light' },
  { id: 'match', says: 'Match of the camera to the hero' },
  { id: 'convert', says: 'Conversion to the display' },
  { id: 'look', says: 'The look, on the picture' },
];
const STEPS_AT: Readonly<Record<Level, readonly number[]>> = {
  1: [0, 1, 4],
  2: [0, 1, 4, 5],
  3: [0, 1, 2, 3, 4, 5],
};

/** Exposure and balance change places without a trace: both are gains on the light (exactly so). */
export const correctionOrder: Drill = {
  id: 'correction-order',
  name: 'Corrections in the right order',
  says: 'Before or after the conversion is not the same.',
  skill: 'post',
  make: (making) => {
    const { random, level } = making;
    const options = STEPS_AT[level].map((i) => ORDER[i]);
    return {
      placement: 0,
      text: `A clip of ${standsWith(making)} comes to the grade. In which order are these done?`,
      facts: [],
      asks: [
        {
          id: 'order',
          kind: 'order',
          label: 'First to last',
          options: shuffled(random, options),
          right: options.map(({ id }) => id),
          either: [['exposure', 'balance']],
        },
      ],
    };
  },
  explain: () => ({
    because: said(
      'A gain is light only while the numbers are light: before the conversion one stop is one',
      'stop at every tone. After it the shoulder has bent the highlights, and the same gain',
      'bends faces too.',
    ),
    careful: 'Corrects what the camera did first, then converts, then makes the picture pretty.',
    schools: said(
      'Exposure before balance or balance before exposure is a habit: both are gains on the',
      'light, and the end is the same.',
    ),
  }),
};
