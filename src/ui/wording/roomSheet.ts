import type { Said } from './said.ts';

/** What stands on the room's sheet. */
export const words = {
  title: 'Room sheet',
  hero: 'the hero',
  profile: 'Profile',
  placement: 'Grey card at, stops',
  iso: 'ISO',
  balance: 'White balance, tint',
  shutter: 'Shutter',
  iris: 'Iris',
  nd: 'ND',
  stops: (stops: Said) => `${stops} stops`,
  control: 'Control',
  standsAt: 'Stands at',
  step: 'A step does',
  notLearnt: 'not learnt',
  position: 'Position',
  marks: (names: Said) => `Marked: ${names}.`,
  apart: (stops: Said, mired: Said, tint: Said) =>
    `Against the hero here: ${stops} stop, ${mired} mired, ${tint} of tint.`,
  desk: (lift: Said, gamma: Said, gain: Said, saturation: Said) =>
    `Desk, R / G / B: lift ${lift}; gamma ${gamma}; gain ${gain}; saturation ${saturation}.`,
  because: (reason: Said) => `Because: ${reason}.`,
  faces: (all: Said) => `Faces, stops over grey: ${all}.`,
  log: 'The evening',
  nothing: 'Nothing.',
  caution: 'Local codes and licensed practice decide on power, rigging and escape routes.',
  foot: (setup: Said, page: Said, pages: Said) => `${setup} · page ${page} of ${pages}`,
  csvTime: 'Time (UTC)',
  csvCamera: 'Camera',
  csvWhat: 'Kind',
  csvSays: 'What happened',
  cdlMisses: (codes: Said) => `This CDL is within ${codes} codes of it; the LUT is all of it.`,
  inAndOut: (profile: Said) => `${profile} in and out, 0..1 is code 0 to the top code.`,
} as const;
