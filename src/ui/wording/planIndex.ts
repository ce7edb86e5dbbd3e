import { said } from '#core/said.ts';
import type { Said } from './said.ts';

/** Labels of the exposure index in Plan. */
export const words = {
  title: 'What the exposure index does',
  note: 'the gain is fixed: the dial moves grey between clip and floor',
  does: [
    ['Meter', 'reckons with this speed: at half the base it asks for a stop more light.'],
    ['Monitor', 'is pulled by the same amount, so that a card looks as bright as ever.'],
    ['File', 'keeps its gain: what changes is how much light the sensor got, and a note for post.'],
  ],
  index: 'EI',
  base: 'base',
  setIndex: (index: Said) => `EI ${index}`,
  placement: 'Card at',
  above: 'Stops over it to clip',
  below: 'Usable under it',
  inPost: 'In post',
  twoFaults: said(
    'Two faults to look for: yesterday’s EI still set (the card then lies off by whole clicks of this dial),',
    'and a display LUT that does not follow (the picture then looks too bright or too dark). Judge names both.',
  ),
  doesNotFollow: said(
    'This camera’s display LUT does not follow the EI:',
    'away from the base the picture looks too bright or too dark. Trust the zebra.',
  ),
} as const;
