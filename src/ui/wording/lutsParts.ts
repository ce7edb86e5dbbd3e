import type { Said } from './said.ts';

/** Labels and headings of parts of the LUT screens. */
export const words = {
  underThePicture: 'Under the picture',
  atStopsArrowKeys: (stops: Said, readings: Said) =>
    `At ${stops} stops: ${readings}. Arrow keys move the reading.`,
  onThePictureOver: '% on the picture over stops in the recording',
  tone: 'Tone',
  stops: 'stops',
  in: 'in, %',
  out: 'out, %',
  other: 'other, %',
  cdM: 'cd/m²',
  whereTonesLand: 'Where tones land',
  behind: (frame: Said, lut: Said) => `${frame} behind ${lut}`,
  noFrameOnThe: 'No frame on the bench',
  movedDoubleClickTo: 'Moved; double-click to go back',
  behindThisLut: 'Behind this LUT',
  forAZebraThat: 'for a zebra that reads it',
  thisCamerasZebraReads: 'this camera’s zebra reads it',
} as const;
