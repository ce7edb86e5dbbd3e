import type { SensorModel } from '../noise/sensorNoise.ts';
import type { Narrowing } from './narrowing.ts';
import type { ProfileData } from './types.ts';

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
};
