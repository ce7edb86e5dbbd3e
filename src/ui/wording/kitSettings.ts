import { said } from '#core/said.ts';
import type { Said } from './said.ts';

/** Labels of the picture menu of a camera, in Kit. */
export const words = {
  title: 'In-camera settings',
  note: (camera: Said, profile: Said) => `${camera} with ${profile}`,
  school: 'Who finishes the picture',
  both: 'Both are common practice.',
  because: (kind: Said) => `Suggested for this profile: ${kind}.`,
  isGraded: 'it is graded anyway',
  isFinished: 'it is looked at as it is recorded',
  setting: 'Setting',
  setTo: 'Set it to',
  isSet: 'Set here, as the menu says',
  isSetFor: (setting: Said) => `How ${setting} is set`,
  measured: 'Measured',
  notYet: 'not yet',
  noChange: 'no change',
  open: (setting: Said) => `${setting}: reasons, measure`,
  setsIt: (school: Said, set: Said) => `${school}: ${set}`,
  movesCurve: said(
    'It moves the curve. This profile holds for the setting it was measured with:',
    'write that down here and leave it.',
  ),
  measure: 'What it does, by two frames',
  how: said(
    'Tripod, one light, exposure and balance fixed. Into the picture: white paper on black with its edge upright in',
    'the middle, a plain wall, something coloured, something black, something that clips.',
    'Film a second without the setting, change it alone, film again. Give a frame of each.',
  ),
  without: 'Frame without it',
  withIt: 'Frame with it',
  chosen: (name: Said) => `${name} is in.`,
  stage: 'Let the simulated camera film both',
  staged: 'Filmed by the simulated camera: a stand-in, not your body.',
  measuring: 'Measuring both frames',
  forget: 'Forget the figures',
  on: (date: Said, coding: Said) => `Measured ${date}, ${coding} codes.`,
  howMeasured: 'How it is measured',
  arithmetic: said(
    'Noise: deviation of luma on the evenest parts, texture left out. Edge: how far it passes its own sides.',
    'Hue and saturation: angle and length on a vectorscope (BT.709). Darkest, brightest: a thousandth of the picture.',
    'The ± is 95 %, from how blocks and rows scatter; what is smaller than it counts as no change.',
  ),
  saved: 'in-camera setting',
} as const;
