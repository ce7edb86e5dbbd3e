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
  planIt: 'Plan it',
  planItFor: (placement: Said, camera: Said, setup: Said) => `Plan ${placement} for ${camera} in ${setup}`,
  planned: (camera: Said, setup: Said) => `Placement of ${camera}, ${setup}`,
  isPlanned: 'planned',
  matched: (camera: Said) => `Match of ${camera} by post`,
  lack: (camera: Said, does: Said, stops: Said, hero: Said, moved: Said, clips: Said) =>
    `${camera} was ${does} by ${stops} stop against ${hero}, ${moved} of ${clips} clips moved: its match lacks that.`,
  lifted: 'lifted',
  lowered: 'lowered',
  intoMatch: (stops: Said, camera: Said) => `Add ${stops} to the match of ${camera}`,
  inMatch: (camera: Said) => `Added to every match of ${camera}; undo takes it off.`,
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
