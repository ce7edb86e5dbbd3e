// ISO 2720: reflected N^2/t = L S / K, incident N^2/t = E S / C.
/** Reflected-light meter constant, cd/m2. */
export const METER_K = 12.5;
/** Incident-light meter constant, lux (flat receptor). */
export const METER_C = 250;

export type ExposureSettings = {
  /** Exact f-number. */
  readonly fNumber: number;
  readonly seconds: number;
  readonly iso: number;
  /** Neutral density in stops. */
  readonly ndStops: number;
};

const factor = ({ fNumber, seconds, iso, ndStops }: ExposureSettings): number =>
  ((fNumber * fNumber) / (seconds * iso)) * 2 ** ndStops;

/** Luminance in cd/m2 that these settings render as a meter's middle tone, raised by the placement in stops. */
export const luminanceFor = (settings: ExposureSettings, placement = 0, k = METER_K): number =>
  k * factor(settings) * 2 ** placement;

/** Illuminance in lux at the subject for the same. */
export const illuminanceFor = (settings: ExposureSettings, placement = 0, c = METER_C): number =>
  c * factor(settings) * 2 ** placement;

/** Exposure value of the camera's iris and shutter alone, log2(N^2 / t). */
export const exposureValue = (fNumber: number, seconds: number): number =>
  Math.log2((fNumber * fNumber) / seconds);
