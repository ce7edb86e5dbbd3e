import type { Said } from './said.ts';

/** Labels of the ways to a camera's gamut. */
export const words = {
  ownMatrix: 'own matrix',
  nineNumbers: 'Nine numbers from linear R, G, B, row after row',
  matrixLeadsTo: 'They lead to',
  xyz: 'CIE XYZ, white Y = 1',
  linearOf: (name: Said) => `linear ${name}`,
  fromAChart: 'from a chart',
  chartRows: 'Chart as CSV',
  chartColumns:
    'Columns: a name; R, G, B as read, or none and the places marked in Judge; X, Y, Z, or reflectances by nm.',
  chartExample: 'name,R,G,B,X,Y,Z',
  filmedIn: 'Filmed in',
  rgbAre: 'R, G, B are',
  chartFits: (count: Said, mean: Said, leftOut: Said) =>
    `${count} patches: mean ΔE ${mean}; each by a fit that has not seen it, ${leftOut}.`,
  eachPatch: 'ΔE of each patch (unseen in brackets)',
} as const;
