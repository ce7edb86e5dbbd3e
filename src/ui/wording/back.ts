import type { Said } from './said.ts';

/** What stands on the panel for what came back from post. */
export const words = {
  back: 'Back from post',
  backSays: 'What was changed since, as advice for the next time',
  file: 'Corrections from post',
  open: 'Open a .ccc, .cc or .edl',
  setup: 'Set-up',
  noTake: 'no take',
  movedOf: (camera: Said, moved: Said, clips: Said) => `${camera}, ${moved} of ${clips} moved`,
  stops: 'stops',
  light: 'Light',
  warmer: 'Red/blue',
  saturation: 'Saturation',
  next: 'Card next time',
  asPlanned: 'as planned',
  compared: (file: Said) => `${file} against what was handed over, medians over the clips of a camera:`,
  unknown: (names: Said) => `No clip of this shoot, or more than one, has the name: ${names}.`,
  refused: (file: Said, where: Said, reason: Said) => `${file}, ${where}: ${reason}`,
} as const;
