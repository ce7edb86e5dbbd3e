import { said } from '#core/said.ts';
import type { Said } from './said.ts';

/** Labels of the ratio of light, and of what meters read, in Plan. */
export const words = {
  title: (bright: Said, shadow: Said, stops: Said, ratio: Said, band: Said) =>
    `Ratio: ${bright} to ${shadow} ${stops} (${ratio}), ${band}`,
  open: 'Ratio of key to fill, and to the background',
  how: said(
    'Read the bright side and the shadow side of a face with the same meter, both as spots. Or mark them on a frame',
    'in Judge, the shadow side as something neutral, and press “From the frame”.',
  ),
  bright: 'Bright side',
  shadow: 'Shadow side',
  behind: 'Background',
  wanted: 'Wanted',
  any: 'no wish',
  notRead: 'not read',
  setRatio: 'Ratio',
  exposed: (name: Said, stops: Said) => `${name} is what is exposed: at ${stops}.`,
  shadowAt: (name: Said, stops: Said, says: Said) => `${name} lies at ${stops}, ${says}`,
  behindAt: (name: Said, stops: Said, ratio: Said) => `${name}: ${stops} from the bright side (${ratio}).`,
  inBand: (band: Said) => `As wanted: ${band}.`,
  moreFill: (stops: Said, band: Said) => `For ${band}: ${stops} more on the shadow side.`,
  lessFill: (stops: Said, band: Said) => `For ${band}: ${stops} less on the shadow side.`,
  meters: 'What meters read of this plan',
  metersNote: 'the body’s bias is in it; in automatic modes the same number is the compensation to dial',
  pointedAt: 'Pointed at',
  reads: 'Reads, stops',
  within: 'Within',
  dial: 'Automatic mode',
  compensation: (stops: Said) => `compensation ${stops}`,
  pastCompensation: 'no dial goes so far: set it by hand',
  isGuess: 'an odd frame, or known too roughly: no guide',
  ofFrame: {
    centre: 'the frame as surveyed, the middle weighed more',
    whole: 'the whole frame, as surveyed',
  },
  greyCard: 'the grey card',
  openFrame: 'the frame open in Judge, whole',
  bySchool: (name: Said, from: Said, to: Said, why: Said) => `${name}: ${from} to ${to}; ${why}.`,
  schools: 'Where nobody measures, by school:',
  thisOne: 'for this profile',
  autoIso: (floor: Said, ceiling: Said) =>
    `Automatic ISO: not under ${floor}, the base, and no higher than ${ceiling}.`,
  autoShutter: (slowest: Said) =>
    `Automatic shutter: no slower than ${slowest}; under lamps only what does not flicker.`,
} as const;
