import type { Triple } from '../../maths/matrix.ts';
import { hueApart } from '../hues.ts';
import { hueOf, logColour, type LogColour } from './softLog.ts';
import type { GradeValue, Space } from './types.ts';

/** Values that choose a range of hues; hue as {@link hueOf} counts it. */
export const RANGE_VALUES = {
  hue: {
    name: 'Hue',
    unit: 'degrees',
    min: 0,
    max: 360,
    step: 1,
    neutral: 120,
    says: 'Middle of the range, degrees on the hue ring: pick it on the picture',
  },
  width: {
    name: 'Width',
    unit: 'degrees',
    min: 5,
    max: 180,
    step: 1,
    neutral: 30,
    says: 'Hues that are taken whole, degrees from edge to edge',
  },
  soft: {
    name: 'Soft edge',
    unit: 'degrees',
    min: 1,
    max: 90,
    step: 1,
    neutral: 20,
    says: 'Degrees over which it fades on each side: a hard edge shows in the picture',
  },
} as const satisfies { readonly [name: string]: GradeValue };

/** 0 under `from`, 1 over `to`, without a corner between. */
export const smooth = (from: number, to: number, v: number): number => {
  const t = Math.min(1, Math.max(0, (v - from) / (to - from)));
  return t * t * (3 - 2 * t);
};

/** Chroma under which a colour has no hue, and over which it has one, stops. Our own. */
const GREYISH = [0.12, 0.3] as const;
/** Stops under grey where the hue is noise, and where it is told. Our own. */
const DARK = [-6, -4] as const;

/** How much of the range a colour is. @param whole Greyish colours count too: the sheen of a face has little colour. */
export const rangeWeight = (value: (name: string) => number, whole = false) => {
  const [middle, half, soft] = [value('hue'), value('width') / 2, value('soft')];
  return (colour: LogColour): number => {
    const { hue, chroma } = hueOf(colour);
    const away = Math.abs(hueApart(middle, hue));
    const inHue = 1 - smooth(half, half + soft, away);
    const coloured = whole ? smooth(0.03, GREYISH[0], chroma) : smooth(GREYISH[0], GREYISH[1], chroma);
    return inHue * coloured * smooth(DARK[0], DARK[1], colour.luma);
  };
};

/** The same of light, for a matte. */
export const rangeMatte =
  (value: (name: string) => number, { grey }: Space, whole = false) =>
  (rgb: Triple): number =>
    rangeWeight(value, whole)(logColour(rgb, grey));
