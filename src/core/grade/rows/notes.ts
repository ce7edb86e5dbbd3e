import type { GradeKind } from './types.ts';

/** What is done to the neighbourhood of a pixel: no LUT holds it, it is words for whoever grades. */
const note = (name: string, says: string, side: GradeKind['side']) =>
  ({ name, says, side, values: {}, isNote: true }) as const satisfies GradeKind;

export const denoise = note(
  'Noise reduction',
  'First of all: what comes later draws noise apart, and sharpening would take it for detail',
  'before',
);
export const sharpen = note(
  'Sharpening',
  'Last but the grain, at the size the picture is delivered in; less on faces',
  'after',
);
export const grain = note(
  'Grain and glow',
  'Last of all. If diffusion was on the lens, the glow is in the picture already',
  'after',
);
