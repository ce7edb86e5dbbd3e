import type { Triple } from '../../maths/matrix.ts';
import { LUMA } from '../../signal/luma.ts';

/** Shares of grey's light that the log's toe begins at: six stops under it, where cameras have noise. Our own. */
const TOE = 2 ** -6;
const AT_GREY = Math.log2(1 + TOE);
const TOE_SLOPE = 1 / (TOE * Math.LN2);

/** Light as a share of grey's to stops over it; under black it goes on straight. */
export const softStops = (share: number): number =>
  (share >= 0 ? Math.log2(share + TOE) : Math.log2(TOE) + share * TOE_SLOPE) - AT_GREY;

/** The inverse. */
export const fromSoftStops = (stops: number): number => {
  const v = stops + AT_GREY;
  const zero = Math.log2(TOE);
  return v >= zero ? 2 ** v - TOE : (v - zero) / TOE_SLOPE;
};

const { kr, kg, kb } = LUMA.bt709;

/**
 * A colour taken apart in stops: luma, and blue and red against it. A gain of light moves the luma alone, so that the
 * bright and the dark side of a face have one hue and one chroma.
 */
export type LogColour = { readonly luma: number; readonly blue: number; readonly red: number };

export const logColour = ([r, g, b]: Triple, grey: number): LogColour => {
  const [x, y, z] = [softStops(r / grey), softStops(g / grey), softStops(b / grey)];
  const luma = kr * x + kg * y + kb * z;
  return { luma, blue: z - luma, red: x - luma };
};

export const fromLogColour = ({ luma, blue, red }: LogColour, grey: number): Triple => {
  const [x, z] = [luma + red, luma + blue];
  const y = (luma - kr * x - kb * z) / kg;
  return [grey * fromSoftStops(x), grey * fromSoftStops(y), grey * fromSoftStops(z)];
};

/** Blue and red as colour differences on equal scale, as BT.709 has them: hue in degrees, chroma in stops. */
export const hueOf = ({ blue, red }: LogColour): { readonly hue: number; readonly chroma: number } => {
  const [cb, cr] = [blue / (2 - 2 * kb), red / (2 - 2 * kr)];
  return { hue: ((Math.atan2(cr, cb) * 180) / Math.PI + 360) % 360, chroma: Math.hypot(cb, cr) };
};

/** The colour with its hue turned and its chroma multiplied. */
export const turned = (colour: LogColour, degrees: number, times: number): LogColour => {
  const { hue, chroma } = hueOf(colour);
  const angle = ((hue + degrees) * Math.PI) / 180;
  return {
    luma: colour.luma,
    blue: times * chroma * Math.cos(angle) * (2 - 2 * kb),
    red: times * chroma * Math.sin(angle) * (2 - 2 * kr),
  };
};
