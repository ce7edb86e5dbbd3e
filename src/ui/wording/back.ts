import type { Said } from './said.ts';

/** What stands on the panel for what came back from post. */
export const words = {
  back: 'Back from post',
  backSays: 'What was changed since, as advice for the next time',
  file: 'Corrections from post',
  open: 'Open a .ccc, .cc or .edl',
  setup: 'Set-up',
  noTake: 'no take',
  camera: 'Camera',
  moved: 'Clips moved',
  movedOf: (moved: Said, clips: Said) => `${moved} of ${clips}`,
  light: 'Light, stops',
  warmer: 'Red over blue, stops',
  saturation: 'Saturation',
  next: 'Next time',
  asPlanned: 'as planned',
  placeAt: (stops: Said) => `place the card at ${stops}`,
  compared: (file: Said) => `${file} against what was handed over, medians over the clips of a camera:`,
  unknown: (names: Said) => `No clip of this shoot, or more than one, has the name: ${names}.`,
  refused: (file: Said, where: Said, reason: Said) => `${file}, ${where}: ${reason}`,
} as const;
