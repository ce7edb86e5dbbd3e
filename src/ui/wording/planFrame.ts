import { said } from '#core/said.ts';
import type { Said } from './said.ts';

/** Labels of what a meter of the whole frame reads, in Plan. */
export const words = {
  title: (mean: Said, within: Said, pulledBy: Said | undefined) => {
    const reads = `A meter of the whole frame reads ${mean} ±${within} from the card`;
    return pulledBy === undefined ? reads : `${reads}, pulled most by ${pulledBy}`;
  },
  nothingInFrame: 'A meter of the whole frame: no spot stands in the frame',
  how: (times: Said) =>
    said(
      'Say how much of the frame each spot stands for, and where it lies: a meter that weighs the middle counts a',
      `thing there about ${times} times as much as one at the edge. What is more than four stops over the mean`,
      'counts no more than that: the sensor that meters is full there. A share may be twice as large or half, and',
      'a place nobody said may be any: that is the ±.',
    ),
  placeOfNamed: (name: Said) => `Where in the frame ${name} lies`,
  shareOfNamed: (name: Said) => `How much of the frame ${name} fills`,
} as const;
