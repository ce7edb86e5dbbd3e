import type { Said } from './said.ts';

/** Labels and headings of the step LUTs. */
export const words = {
  keepNamed: (name: Said) => `keep ${name}`,
  computedPictureOnThe: (name: Said) => `computed picture on the monitor of ${name}`,
  lutOnAMonitor: (monitor: Said, lut: Said) => `LUT on a monitor, ${monitor}, ${lut}`,
  clip: 'clip',
  floor: 'floor',
  meanE: 'mean ΔE',
  worstE: 'worst ΔE',
  greyStop: 'grey, stop',
  whoSees: 'to the eye',
  points: 'Points',
  whatEachSizeLoses: 'What each size loses',
  format: 'Format',
  scaleOf0To: 'Scale of 0 to 1',
  interpolation: 'Interpolation',
  keepInTheKit: 'Keep in the kit',
  build: 'Build',
  set: 'Stops and bands',
  inspect: 'Inspect',
  combineAndBake: 'Combine and bake',
  compare: 'Compare',
  orderMatters: 'Order matters',
  computedByTheCard: 'computed by the card',
  worstOnTheGrey: 'Worst on the grey axis, stops of light, from the usable floor to the clip',
} as const;
