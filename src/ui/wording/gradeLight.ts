import type { Said } from './said.ts';

/** What stands on SDR and HDR of one grade. */
export const words = {
  beside: 'SDR and HDR',
  besideSays: 'one grade, a trim for each',
  shownAs: 'Shown as',
  picture: 'picture',
  light: 'light',
  lightOf: (picture: Said) => `light of ${picture}`,
  lightSays:
    'Light in cd/m², max(R, G, B): grey up to 203, white of HDR, colours to 4000. At hard edges near to half a stop.',
  other: 'Beside it',
  none: 'nothing beside it',
  trimOf: (output: Said) => `Trim for ${output}`,
  trimLight: 'Light',
  trimLightSays: 'Light of the scene, before the conversion',
  trimColour: 'Colour',
  trimColourSays: 'Colour of the whole picture, after the conversion',
  stopsOf: (stops: Said) => `${stops} stops`,
  timesOf: (times: Said) => `× ${times}`,
  plainDisplay: (display: Said, grey: Said, shadow: Said) =>
    `On a ${display} display grey comes out ${grey} stop brighter, a shadow at 10 % of signal ${shadow} stop.`,
  measureLight: 'Measure MaxCLL and MaxFALL',
  stop: 'Stop measuring',
  contentLight: (most: Said, mean: Said) => `MaxCLL ${most}, MaxFALL ${mean} cd/m².`,
  ofSpread: (frames: Said, all: Said) => `${frames} of ${all} pictures: between them one may be brighter.`,
  ofAll: (frames: Said) => `Every pixel of ${frames} ${frames === 1 ? 'picture' : 'pictures'}.`,
  bothInBundle: 'Once rows are kept, the bundle holds LUTs of both.',
} as const;
