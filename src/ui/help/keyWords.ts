import type { KeyId } from '../shell/keymap.ts';

/** What each key of the map does, and where; read by the help alone. */
export const KEY_WORDS = {
  step: { does: 'Go to that step of the work', where: 'everywhere' },
  log: { does: 'Log the take', where: 'everywhere' },
  brighter: { does: 'Placement up a third', where: 'everywhere' },
  darker: { does: 'Placement down a third', where: 'everywhere' },
  undo: { does: 'Undo the last edit', where: 'everywhere' },
  redo: { does: 'Do it again', where: 'everywhere' },
  surround: { does: 'Dark, grey or daylight surround', where: 'everywhere' },
  help: { does: 'Help: keys, words, guide', where: 'everywhere' },
  open: { does: 'Open a frame', where: 'Judge' },
  view: { does: 'Next view of the picture', where: 'Judge' },
  contours: { does: 'Stop contours on or off', where: 'Judge' },
  zebra: { does: 'Zebras on or off', where: 'Judge' },
  clips: { does: 'Map of what clips on or off', where: 'Judge' },
  play: { does: 'Play or pause the clip', where: 'Judge' },
  back: { does: 'One frame back', where: 'Judge' },
  on: { does: 'One frame on', where: 'Judge' },
  next: { does: 'Next file of the tray', where: 'Judge' },
  previous: { does: 'File before it', where: 'Judge' },
  circleClip: { does: 'Circle the clip in focus or under the pointer', where: 'Log, Clips' },
  noteClip: { does: 'Write a note on that clip', where: 'Log, Clips' },
  hero: { does: 'Hold this frame as the reference', where: 'Judge' },
  glass: { does: 'Magnifier on or off', where: 'Judge' },
  ladder: { does: 'Move the card by a third', where: 'ladder' },
  patch: { does: 'Move a marked patch; Delete takes it off', where: 'picture' },
} as const satisfies { readonly [K in KeyId]: { readonly does: string; readonly where: string } };
