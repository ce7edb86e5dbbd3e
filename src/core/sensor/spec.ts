import { isoStanding, type Sensitivity } from '../exposure/iso.ts';
import { floorAt, type SensorModel } from '../noise/sensorNoise.ts';

/** A simulated sensor: its electrons at the first base, and how its gains stand. */
export type SensorSpec = SensorModel & {
  readonly baseIsos: readonly number[];
  readonly sensitivity: Sensitivity;
  /** Stops over grey at which a pixel is full at a base. */
  readonly fullStops: number;
};

/** Electrons of red and blue for those of green under equal light: filters pass less there. Our own, a usual sensor. */
export const CHANNEL_SHARE = [0.58, 1, 0.72] as const;

/** What the sensor does at an ISO. */
export type SensorState = {
  /** ISO that the light is metered for: the dial's, with an exposure index the base. */
  readonly exposedAt: number;
  /** Electrons of green at middle grey. */
  readonly electronsAtGrey: number;
  readonly readElectrons: number;
  /** Electrons at which a pixel is full. */
  readonly wellElectrons: number;
};

/**
 * Less light at a higher ISO makes fewer electrons. Each base is a gain of its own: a higher one holds fewer electrons
 * and reads them with less noise (by the root of the step, our own), so that it is cleaner than the ISOs just under it.
 * An exposure index leaves the sensor at its base.
 */
export const sensorAt = (spec: SensorSpec, iso: number): SensorState => {
  const first = Math.min(...spec.baseIsos);
  const { base } = isoStanding(iso, spec.baseIsos, spec.sensitivity);
  const exposedAt = spec.sensitivity === 'ei' ? base : iso;
  return {
    exposedAt,
    electronsAtGrey: (spec.electronsAtGrey * first) / exposedAt,
    readElectrons: spec.readElectrons * Math.sqrt(first / base),
    wellElectrons: (spec.electronsAtGrey * 2 ** spec.fullStops * first) / base,
  };
};

/** Stops between full and the tone whose signal to noise is `snr` (ISO 15739: 1), at the first base. */
export const dynamicRange = (spec: SensorSpec, snr = 1): number => spec.fullStops - floorAt(spec, snr);

/** The spec of a camera as its owner describes it; full where the widest of its profiles clips. */
export const specOf = (
  model: SensorModel,
  { baseIsos, sensitivity }: { readonly baseIsos: readonly number[]; readonly sensitivity: Sensitivity },
  fullStops: number,
): SensorSpec => ({
  electronsAtGrey: model.electronsAtGrey,
  readElectrons: model.readElectrons,
  baseIsos,
  sensitivity,
  fullStops,
});
