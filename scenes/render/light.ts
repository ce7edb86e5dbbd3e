import { GAMUTS, gamutMatrix, rgbToXyz } from '#core/colour/gamut.ts';
import { apply, invert, type Triple } from '#core/maths/matrix.ts';
import { xyToXyz } from '#core/colour/chromaticity.ts';
import { luminance } from '#core/scene/light.ts';
import { whiteXy } from '#core/colour/temperature.ts';

const XYZ_TO_SCENE = invert(rgbToXyz(GAMUTS.bt2020));
const FROM_709 = gamutMatrix('bt709', 'bt2020');

/** Light of a temperature and tint, luminance 1, linear BT.2020; colours outside the gamut are held at its edge. */
export const whiteOf = (kelvin: number, duv = 0): Triple => {
  const rgb = apply(XYZ_TO_SCENE, xyToXyz(whiteXy({ kelvin, duv }))).map((v) => Math.max(v, 1e-4));
  return scaled(rgb as unknown as Triple, 1);
};

/** A reflectance or light given in linear BT.709, turned to the scene's BT.2020. */
export const from709 = (r: number, g: number, b: number): Triple => apply(FROM_709, [r, g, b]);
/** A neutral of this reflectance. */
export const neutral = (v: number): Triple => [v, v, v];

/** Luminance of a colour. */
export const luminanceOf = ([r, g, b]: Triple): number => luminance(r, g, b);

/** The same colour at luminance `y`. */
export const scaled = (rgb: Triple, y: number): Triple => {
  const k = y / luminanceOf(rgb);
  return [rgb[0] * k, rgb[1] * k, rgb[2] * k];
};
