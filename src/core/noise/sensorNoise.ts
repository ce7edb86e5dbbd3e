import { failure, success, type Result } from '../result.ts';

/** A sensor in two numbers: how many electrons middle grey makes at base ISO, and the noise of reading them. */
export type SensorModel = {
  /** Electrons of a pixel at middle grey, base ISO, as far as the recorded file shows them. */
  readonly electronsAtGrey: number;
  /** Read noise, electrons. */
  readonly readElectrons: number;
};

/** Signal to noise at which a shadow counts as usable (ISO 15739 uses 1 for the whole range; 2 is our own choice). */
export const USABLE_SNR = 2;
/** Read noise taken where it was not measured, electrons. Usual for sensors of this kind; assumed, no source. */
export const ASSUMED_READ_ELECTRONS = 3;

/**
 * Signal to noise of a tone `stops` over grey in the recording, `overBase` stops above base ISO. Photon and
 * read noise.
 */
export const snrAt = (
  { electronsAtGrey, readElectrons }: SensorModel,
  stops: number,
  overBase = 0,
): number => {
  const electrons = electronsAtGrey * 2 ** (stops - overBase);
  return electrons / Math.sqrt(electrons + readElectrons ** 2);
};

/** Electrons at which signal over noise is `snr`: the root of n^2 = snr^2 (n + read^2). */
const electronsFor = (snr: number, readElectrons: number): number =>
  (snr ** 2 + Math.sqrt(snr ** 4 + 4 * snr ** 2 * readElectrons ** 2)) / 2;

/** The stop over grey (negative: under it) at which signal over noise falls to `snr`, at base ISO. */
export const floorAt = ({ electronsAtGrey, readElectrons }: SensorModel, snr: number = USABLE_SNR): number =>
  Math.log2(electronsFor(snr, readElectrons) / electronsAtGrey);

/**
 * The sensor whose signal to noise falls to 2 at the shadow stop its owner calls the last usable one.
 * @throws RangeError when the stop is not under grey.
 */
export const sensorFromFloor = (floorStops: number, readElectrons = ASSUMED_READ_ELECTRONS): SensorModel => {
  if (!(floorStops < 0))
    throw new RangeError(`sensorFromFloor: the floor must lie under grey, got ${floorStops}`);
  return { electronsAtGrey: electronsFor(USABLE_SNR, readElectrons) / 2 ** floorStops, readElectrons };
};

/** Noise of a patch of known light: both in linear light, 0.18 = grey. */
export type NoiseReading = { readonly reflectance: number; readonly deviation: number };

/**
 * Photon transfer: variance in linear light is `perElectron` times the light plus the variance in the dark
 * (EMVA Standard 1288 release 4.0, clause 2.3). From a lens-cap frame and one patch.
 */
export const sensorFromPatches = (dark: NoiseReading, patch: NoiseReading): Result<SensorModel> => {
  const numbers = [dark.deviation, patch.reflectance, patch.deviation];
  if (!numbers.every((v) => Number.isFinite(v) && v > 0))
    return failure('noise', 'Noise: the deviations of the dark frame and of the patch must be above 0.');
  const perElectron = (patch.deviation ** 2 - dark.deviation ** 2) / patch.reflectance;
  if (!(perElectron > 0))
    return failure(
      'noise',
      'Noise: the grey patch is no noisier than the dark frame. Read both off the same clip, without noise reduction.',
    );
  return success({ electronsAtGrey: 0.18 / perElectron, readElectrons: dark.deviation / perElectron });
};

/** Fewest noise readings a fit is made from. */
const MIN_NOISE = 4;

/**
 * The same law fitted to patches from dark (0: the cap on) to bright (a filmed bracket), relative squares in log
 * variance so that dark ones count as much as bright ones. undefined when they do not follow it.
 */
export const sensorFromBracket = (readings: readonly NoiseReading[]): SensorModel | undefined => {
  const good = readings.filter(({ reflectance, deviation }) => reflectance >= 0 && deviation > 0);
  if (good.length < MIN_NOISE) return undefined;
  // Weighted least squares in variance = k x + d, weights 1 / variance^2.
  let [sw, sx, sxx, sy, sxy] = [0, 0, 0, 0, 0];
  for (const { reflectance: x, deviation } of good) {
    const y = deviation ** 2;
    const w = 1 / y ** 2;
    sw += w;
    sx += w * x;
    sxx += w * x * x;
    sy += w * y;
    sxy += w * x * y;
  }
  const det = sw * sxx - sx * sx;
  const k = (sw * sxy - sx * sy) / det;
  const d = Math.max(0, (sy - k * sx) / sw);
  if (!(k > 0)) return undefined;
  return { electronsAtGrey: 0.18 / k, readElectrons: Math.sqrt(d) / k };
};
