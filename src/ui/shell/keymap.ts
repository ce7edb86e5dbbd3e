import { STEPS } from './steps.ts';

const stepKeys = STEPS.filter(({ later }) => !later).map(({ key }) => key);

/** Every key of the app: what it does and where. The help and the handlers read the same rows. */
export const KEYMAP = {
  step: { keys: stepKeys.join(', '), does: 'Go to that step of the work', where: 'everywhere' },
  log: { keys: 'l', does: 'Log the take', where: 'everywhere' },
  brighter: { keys: ']', does: 'Placement up a third', where: 'everywhere' },
  darker: { keys: '[', does: 'Placement down a third', where: 'everywhere' },
  undo: { keys: 'mod+z', shown: 'Ctrl Z', does: 'Undo the last edit', where: 'everywhere' },
  redo: { keys: 'mod+shift+z', shown: 'Ctrl Shift Z', does: 'Do it again', where: 'everywhere' },
  surround: { keys: 'b', does: 'Dark, grey or daylight surround', where: 'everywhere' },
  help: { keys: '?', does: 'Show the keys', where: 'everywhere' },
  open: { keys: 'o', does: 'Open a frame', where: 'Judge' },
  view: { keys: 'v', does: 'Next view of the picture', where: 'Judge' },
  contours: { keys: 'c', does: 'Stop contours on or off', where: 'Judge' },
  zebra: { keys: 'z', does: 'Zebras on or off', where: 'Judge' },
  clips: { keys: 'x', does: 'Map of what clips on or off', where: 'Judge' },
  play: { keys: 'p', does: 'Play or pause the clip', where: 'Judge' },
  back: { keys: 'comma', shown: ',', does: 'One frame back', where: 'Judge' },
  on: { keys: 'period', shown: '.', does: 'One frame on', where: 'Judge' },
  hero: { keys: 'h', does: 'Hold this frame as the reference', where: 'Judge' },
  glass: { keys: 'm', does: 'Magnifier on or off', where: 'Judge' },
  ladder: { keys: '', shown: '↑ ↓', does: 'Move the card by a third', where: 'ladder' },
  patch: { keys: '', shown: '← ↑ → ↓', does: 'Move a marked patch; Delete takes it off', where: 'picture' },
} as const satisfies Record<string, { keys: string; shown?: string; does: string; where: string }>;

export type KeyId = keyof typeof KEYMAP;
