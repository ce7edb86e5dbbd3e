import { xyToXyz } from './chromaticity.ts';
import { apply, invert, type Triple } from '../maths/matrix.ts';
import { GAMUTS, gamutMatrix, rgbToXyz, type GamutSpec } from './gamut.ts';
import { temperatureOf, whiteXy, type Temperature, type TemperatureFound } from './temperature.ts';

/** How far off neutral a body renders: mired warm +, and Duv green +. */
export type LeanFound = { readonly mired: number; readonly duv: number };

const SENSOR_TO_XYZ = rgbToXyz(GAMUTS.bt2020);
const XYZ_TO_SENSOR = invert(SENSOR_TO_XYZ);

/**
 * The light on a neutral that was recorded as linear R'G'B' `card` on a body dialled to `dial`. A body
 * balances by gains on its own channels; BT.2020's stand for them, whatever gamut it records in. A neutral in
 * the dialled light is R = G = B.
 * @throws RangeError when a channel is not above 0.
 */
export const lightOfNeutral = (card: Triple, gamut: GamutSpec, dial: Temperature): TemperatureFound => {
  if (!card.every((v) => v > 0)) throw new RangeError('lightOfNeutral: every channel must be above 0');
  const white = apply(XYZ_TO_SENSOR, xyToXyz(whiteXy(dial)));
  const seen = apply(gamutMatrix(gamut, 'bt2020'), card);
  const [x, y, z] = apply(SENSOR_TO_XYZ, [seen[0] * white[0], seen[1] * white[1], seen[2] * white[2]]);
  return temperatureOf([x / (x + y + z), y / (x + y + z)]);
};

/**
 * What a neutral card says about a body: linear R'G'B' of the card, recorded with the balance dialled to the very light
 * that fell on it. A neutral body gives equal channels; what is off is read as a light of another temperature.
 * @throws RangeError when a channel is not above 0.
 */
export const leanOf = (card: Triple, gamut: GamutSpec, light: Temperature): LeanFound => {
  const found = lightOfNeutral(card, gamut, light);
  return { mired: 1e6 / found.kelvin - 1e6 / light.kelvin, duv: found.duv - light.duv };
};
