type LutFormat = {
  readonly name: string;
  readonly extension: string;
  readonly type: string;
  readonly says: string;
};

/** Formats a LUT is written in. A further one is a row here and its writer in `writeLut.ts`. */
export const LUT_FORMATS = {
  cube: {
    name: '.cube',
    extension: 'cube',
    type: 'text/plain',
    says: 'A 3D cube: monitors, boxes, editors',
  },
  cube1d: {
    name: '.cube 1D',
    extension: 'cube',
    type: 'text/plain',
    says: 'Three curves, where channels do not mix',
  },
  clf: {
    name: 'CLF',
    extension: 'clf',
    type: 'application/xml',
    says: 'Common LUT Format: names its interpolation, holds a shaper',
  },
  cc: {
    name: '.cc',
    extension: 'cc',
    type: 'application/xml',
    says: 'One ASC CDL: what slope, offset, power and saturation can say',
  },
  ccc: {
    name: '.ccc',
    extension: 'ccc',
    type: 'application/xml',
    says: 'The same as a collection of one',
  },
} as const satisfies Record<string, LutFormat>;

export type LutFormatId = keyof typeof LUT_FORMATS;
export const LUT_FORMAT_IDS = Object.keys(LUT_FORMATS) as LutFormatId[];
