import { said } from '#core/said.ts';
import type { Said } from './said.ts';

/** Labels of window light through the day, in Plan. */
export const words = {
  title: 'Window light through the day',
  note: 'beside the patch of sun; trees, houses and walls are not in it',
  noPlace: 'Type the place and the day beside: then the window’s light stands here.',
  noWindow: 'Say where the window looks, and its light stands here by the hour.',
  faces: 'Window looks to',
  sky: 'Sky',
  notSaid: 'not said',
  compass: ['north', 'north-east', 'east', 'south-east', 'south', 'south-west', 'west', 'north-west'],
  turned: 'window of the set-up',
  time: 'Time',
  stops: 'Stops',
  stopsSays: 'Against the hour of this set-up',
  lux: 'Just inside',
  kelvin: 'Colour',
  patch: 'Patch of sun',
  yes: (stops: Said) => `${stops} brighter`,
  no: 'no',
  steady: (from: Said, to: Said) => `From ${from} to ${to} it stays within a third of a stop.`,
  never: 'It never stays within a third of a stop for an hour: meter every shot.',
  sunIn: (from: Said, to: Said) =>
    `The sun lies in the room from ${from} to ${to}: keep faces out of it, or shade the pane.`,
  noSun: 'The sun does not come in.',
  model: said(
    'Sun and sky by the daylight model of lighting handbooks, the sky taken for even, ground 20 %, pane 80 %.',
    'Read one spot on the set; these are the changes from it.',
  ),
  howWorked: 'How it is worked out',
} as const;
