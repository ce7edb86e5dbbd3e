import { LUMA } from '../signal/luma.ts';
import { SKIN_UV, U_SCALE, uvPolar, V_SCALE } from '../signal/skinLine.ts';
import { printStopsDecimal } from '../units.ts';
import { bt709 } from '../transfer/bt709.ts';
import { adaptation } from '../colour/adaptation.ts';
import { GAMUTS, rgbToXyz } from '../colour/gamut.ts';
import { apply, invert, multiply, type Triple } from '../maths/matrix.ts';
import { xyToXyz } from '../colour/chromaticity.ts';
import { whiteXy, type Temperature } from '../colour/temperature.ts';

/** What a light that the camera is not balanced to does to a neutral and to skin. */
export type CastEffect = {
  /** Red and blue of a neutral against its green, stops. */
  readonly red: number;
  readonly blue: number;
  /** By how much skin on the skin line turns in the U, V plane, degrees: towards yellow +, towards red −. */
  readonly skinTurn: number;
  /** Its distance from neutral, as a share of what it was: 1 unchanged, 2 twice as saturated. */
  readonly skinChroma: number;
};

/** A skin tone on the +I axis of BT.709: signal and distance from neutral. Our own. */
const SKIN = { luma: 0.6, chroma: 0.16, degrees: SKIN_UV } as const;

const skinSignal = (): Triple => {
  const angle = (SKIN.degrees * Math.PI) / 180;
  const red = SKIN.luma + (SKIN.chroma * Math.sin(angle)) / V_SCALE;
  const blue = SKIN.luma + (SKIN.chroma * Math.cos(angle)) / U_SCALE;
  const { kr, kg, kb } = LUMA.bt709;
  return [red, (SKIN.luma - kr * red - kb * blue) / kg, blue];
};

const polar = (rgb: Triple) => uvPolar(rgb, LUMA.bt709);

/** A neutral and skin lit by `light` on a camera balanced to `balanced` (Bradford adaptation, BT.709). */
export const castEffect = (light: Temperature, balanced: Temperature): CastEffect => {
  const toRgb = invert(rgbToXyz(GAMUTS.bt709));
  const adapted = multiply(toRgb, adaptation(whiteXy(balanced), GAMUTS.bt709.white));
  const [r, g, b] = apply(adapted, xyToXyz(whiteXy(light))).map((v) => Math.max(v, 1e-4));
  const skin = skinSignal();
  const lit = skin.map((v, i) => bt709.encode(bt709.decode(v) * ([r, g, b][i] / g))) as unknown as Triple;
  const [was, is] = [polar(skin), polar(lit)];
  const turn = ((is.hue - was.hue + 540) % 360) - 180;
  return {
    red: Math.log2(r / g),
    blue: Math.log2(b / g),
    skinTurn: turn,
    skinChroma: is.chroma / was.chroma,
  };
};

/** Red and blue as they are told; blue that a warm lamp hardly has ends at six stops. */
const DEEPEST = -6;
export const printNeutral = ({ red, blue }: CastEffect): string =>
  [red, blue]
    .map((v) => (v < DEEPEST ? `under ${printStopsDecimal(DEEPEST, 0)}` : printStopsDecimal(v)))
    .join(' ');

/** Past this the hue is no longer that of skin, degrees. Our own. */
const LOST_TURN = 45;
/** `+4° ×1.8`, or in words where it is no longer the colour of skin. */
export const printSkin = ({ skinTurn, skinChroma }: CastEffect): string =>
  Math.abs(skinTurn) > LOST_TURN
    ? 'goes cold'
    : `${printStopsDecimal(skinTurn, 0)}° ×${skinChroma.toFixed(1)}`;
