import { toThird } from '../units.ts';

/** How an ISO stands to the sensor's bases, in stops. */
export type IsoStanding = {
  /** The base this ISO is amplified from (or reduced from, under the lowest). */
  readonly base: number;
  /** Stops above that base; negative under the lowest base. */
  readonly overBase: number;
  /** Stops of highlight room lost: only under base. */
  readonly clipLoss: number;
  /** Stops by which the usable floor rises: only above base. */
  readonly floorRise: number;
};

/** The real gain that an ISO of a raw camera's dial stands on: the next one under it, else the lowest. */
export const realGain = (iso: number, real: readonly number[]): number => {
  const gains = [...real].sort((a, b) => a - b);
  return gains.findLast((one) => one <= iso) ?? gains[0];
};

/** How the ISO dial works: it amplifies the recording, or it moves metering and monitoring only (exposure index). */
export type Sensitivity = 'gain' | 'ei';

/**
 * Under the lowest base highlights clip earlier, above a base shadows get noisier, each by the stops between. With an
 * exposure index neither the file's gain nor its clip moves.
 * @throws RangeError without a base or when an ISO is not above 0.
 */
export const isoStanding = (
  iso: number,
  bases: readonly number[],
  sensitivity: Sensitivity = 'gain',
): IsoStanding => {
  if (bases.length === 0 || !(iso > 0) || bases.some((base) => !(base > 0))) {
    throw new RangeError('isoStanding: needs an ISO and at least one base, all above 0');
  }
  const sorted = [...bases].sort((a, b) => a - b);
  if (sensitivity === 'ei') {
    // The sensor stays at a base; the nearest one is meant.
    const apart = (base: number) => Math.abs(Math.log2(iso / base));
    const base = sorted.reduce((best, one) => (apart(one) < apart(best) ? one : best));
    return { base, overBase: Math.log2(iso / base), clipLoss: 0, floorRise: 0 };
  }
  const base = sorted.findLast((candidate) => candidate <= iso) ?? sorted[0];
  const overBase = Math.log2(iso / base);
  return { base, overBase, clipLoss: Math.max(0, -overBase), floorRise: Math.max(0, overBase) };
};

/** Placement that an exposure index means: one stop under base is +1. In stops, to the third. */
export const placementOfIndex = (index: number, bases: readonly number[]): number =>
  toThird(-isoStanding(index, bases, 'ei').overBase);

/** The exposure index on the camera's dial that comes nearest to a placement, from the base of `near`. */
export const indexForPlacement = (
  placement: number,
  near: number,
  bases: readonly number[],
  dial: readonly number[],
): number => {
  const { base } = isoStanding(near, bases, 'ei');
  const apart = (iso: number) => Math.abs(Math.log2(base / iso) - placement);
  return dial.reduce((best, iso) => (apart(iso) < apart(best) ? iso : best), near);
};

/** Marked ISO speeds in thirds of a stop (ISO 12232, table of rounded speeds), from 50 to 102 400. */
export const ISO_SPEEDS = [
  50, 64, 80, 100, 125, 160, 200, 250, 320, 400, 500, 640, 800, 1000, 1250, 1600, 2000, 2500, 3200, 4000,
  5000, 6400, 8000, 10000, 12800, 16000, 20000, 25600, 32000, 40000, 51200, 64000, 80000, 102400,
] as const;
