import type { SensorModel } from '../noise/sensorNoise.ts';
import type { Narrowing } from './solve/narrowing.ts';
import type { CurveReading, CurveSpec, ProfileData } from './types.ts';

/** Readings of a curve, and where they say that it ends. */
export type CurveEvidence = {
  readonly readings: readonly CurveReading[];
  /** Stops over grey; undefined where they do not tell. */
  readonly clipStops?: number;
  /** A formula or a table as it is: where nothing else is heard, it is the curve. */
  readonly curve?: CurveSpec;
};

/** What every way into a profile comes to. */
export type ProfileSolution = {
  readonly profile: ProfileData;
  /** What was given minus the curve, signal fraction; in stops where a reading has a place of its own. */
  readonly residuals: readonly {
    readonly name: string;
    readonly signal: number;
    readonly stops?: number;
    /** Lies too far off to be believed; left out of the fit. */
    readonly outlier?: boolean;
  }[];
  /** Sentences about what is left open or does not agree. */
  readonly warnings: readonly string[];
  /** Sentences about what was found. */
  readonly findings?: readonly string[];
  /** Break at a printed formula's cut: value in signal fraction, slope relative. */
  readonly continuity?: { readonly value: number; readonly slope: number };
  /** The sensor, where frames told of its noise. */
  readonly noise?: SensorModel;
  /** Which further reading would help most; only where the curve was inferred. */
  readonly narrowing?: Narrowing;
  /** What it rests on, to be put together with more; none where a curve was only trimmed. */
  readonly evidence?: CurveEvidence;
};

/** The reading that lies farthest off. */
export const worstOf = <R extends { readonly signal: number }>(residuals: readonly R[]): R =>
  residuals.reduce((a, b) => (Math.abs(b.signal) > Math.abs(a.signal) ? b : a));
