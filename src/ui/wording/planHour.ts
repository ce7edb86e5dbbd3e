import { said } from '#core/said.ts';
import type { Said } from './said.ts';

/** Labels of the light of the hour in Plan. */
export const words = {
  title: 'Sun and sky while you shoot',
  note: 'clear sky; cloud takes up to three stops and evens the colour',
  noPlace: 'Type the place and the day beside, and the sun stands here.',
  looksTo: 'Where the camera looks',
  looksToNow: (degrees: Said) => `Camera looks to ${degrees}°`,
  degrees: (degrees: Said) => `${degrees} degrees from north over east`,
  quarters: ['N', 'E', 'S', 'W'],
  time: 'Time',
  height: 'Sun',
  lux: 'Level ground',
  sunColour: 'Direct sun',
  tenMinutes: 'Stops',
  tenMinutesColour: 'Mired',
  inTen: 'In ten minutes from then on, brighter and warmer +',
  meterAgain: 'Meter',
  balanceAgain: 'Balance',
  againSays: 'When to do it again, from then on',
  night: 'night',
  sunDown: 'down',
  steady: 'steady',
  inMinutes: (minutes: Said) => `${minutes} min`,
  lightIsSteady: 'The light is steady.',
  colourIsSteady: 'The sun’s colour is steady.',
  turnCamera:
    'Turn the camera on the compass to where it looks: then the side that the set is lit from is told.',
  meterEvery: (minutes: Said) => `The light moves a third of a stop in ${minutes} min: meter again.`,
  balanceEvery: (minutes: Said) => `The sun moves 10 mired in ${minutes} min: balance again between shots.`,
  lit: (name: Said, says: Said) => `With the camera as drawn the set is ${name}; ${says}.`,
  sunIsDown: 'The sun is down: the sky alone lights, and is bluer than most dials say. Balance on a card.',
  stretches: {
    morningBlue: 'Blue hour',
    morningGold: 'Golden hour, morning',
    eveningGold: 'Golden hour, evening',
    eveningBlue: 'Blue hour, evening',
  },
  lasts: (minutes: Said, fits: Said) =>
    `${minutes} min: ${fits === 0 ? 'less than one set-up like this' : `room for ${fits} like this one`}`,
  models: (mired: Said) =>
    said(
      'Light by the sun’s height: Explanatory Supplement to the Astronomical Almanac (1992).',
      'Colour: a black body through air and a little haze (Kasten and Young 1989, Leckner 1978), no ozone, no sky.',
      'Stops and mired: in ten minutes from then on.',
      `Again after a third of a stop or ${mired} mired: our own. Haze and cloud change all of it: trust the meter.`,
    ),
} as const;
