import type { Said } from './said.ts';

/** Labels and headings of the order of correction and conversion. */
export const words = {
  onThisFrame: 'On this frame',
  before: 'before',
  after: 'after',
  theCorrection: 'The correction',
  exposure: 'Exposure',
  balance: 'Balance',
  whatIsLost: 'What is lost',
  whatIsLostOn: 'What is lost on this frame',
  waveformOfSignal: (name: Said) => `Waveform ${name}, % of signal`,
  aChannelAtThe: 'A channel at the top',
  allThreeWhite: 'All three: white',
  levelsOverGrey10: 'Levels over grey, 10 bit',
  neutralsStayApartTo: 'Neutrals stay apart to',
  onToBt1886: (name: Said, value: Said) => `on ${name} to BT.1886, ${value} baked in`,
  stopsOfLightLess: 'Stops of light, less − or more +',
  miredWarmer: 'Mired, warmer +',
  deltaApart: (mean: Said, worst: Said) => `ΔE2000 apart: mean ${mean}, worst ${worst}`,
} as const;
