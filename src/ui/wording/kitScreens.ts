import { said } from '#core/said.ts';
import type { Said } from './said.ts';

/** Labels of the screen check, in Kit. */
export const words = {
  title: 'What this screen may be trusted with',
  noMonitor: 'Add the screen you look at to the bag, as a monitor: then it is checked here.',
  monitor: 'Screen',
  surround: 'It stands in',
  peakOf: (peak: Said, veil: Said) =>
    `peak ${peak} cd/m², and ${veil} cd/m² of veil from the light that falls on it`,
  stops: (stops: Said) => `It shows ${stops} here.`,
  trust: (from: Said, to: Said) => `By eye between ${from} and ${to} from grey.`,
  blind: 'Nothing can be judged by eye here: shade the screen, or go by numbers alone.',
  under: (from: Said, by: Said) =>
    `What lies under ${from} is not seen (${by}): read the waveform, or the ladder.`,
  over: (to: Said) => `What lies over ${to} looks white: read the warning zebra.`,
  bySurround: 'the veil covers it',
  bySteps: 'by the steps on black',
  never: said(
    'Never by eye on any screen: exposure to a third of a stop, white balance to 10 mired, noise in a small picture.',
    'Zebra, waveform and the card are what counts.',
  ),
  test: 'Test picture',
  testNote: 'press the last step that you can tell from its ground',
  onBlack: 'Darkest step that is seen on black',
  onWhite: 'Brightest step that is seen on white',
  step: (percent: Said) => `${percent} %`,
  forget: 'Forget the steps',
  ramp: 'Ramp from black to white: no step and no colour may show in it',
  patch: (percent: Said) => `The card as it is planned: ${percent} % on this screen`,
  save: 'Save as a picture',
  saveSays: 'For a monitor on the set: play it there, and press here what is seen there',
  offset: 'Measured',
  measured: 'Patch measured, cd/m²',
  typeMeasured: 'Type what a meter reads of the patch above, 0.01 to 10000 cd/m²',
  how: 'How it is set',
  howExample: 'brightness 3',
  should: (light: Said) => `At its peak it should read ${light} cd/m².`,
  shows: (stops: Said, side: Said, how: Said) => `Shows ${stops} too ${side}${how}.`,
  right: (how: Said) => `Shows the patch as bright as it should${how}.`,
  bright: 'bright',
  darkSide: 'dark',
  at: (how: Said) => `, at ${how}`,
  saved: 'Screen check',
  meterHow: said(
    'With a spot meter, or a camera whose meter was checked: fill its frame with the patch, in the dark.',
    'A phone’s meter will do to about half a stop.',
  ),
} as const;
