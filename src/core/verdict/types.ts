import type { SetCardNumbers } from '../exposure/setCard.ts';
import type { Rect } from '../frame/frame.ts';
import type { Distribution } from '../scopes/distribution.ts';
import type { FrameMeasurement } from '../scopes/measureFrame.ts';
import type { Temperature } from '../colour/temperature.ts';
import type { Correction as LightCorrection } from '../correction/operations.ts';
import type { Profile } from '../profile/index.ts';
import type { Coding } from '../signal/scale.ts';

/** ring = holds, diamond = watch, hatched square = lost. */
export type VerdictState = 'holds' | 'watch' | 'lost';

/** One sentence on a frame: a number, a place and what to do. */
export type Verdict = {
  readonly id: string;
  readonly state: VerdictState;
  /** Up to five words. */
  readonly title: string;
  /** The number, with its unit. */
  readonly figure: string;
  /** One line: what it reads, and what to do. */
  readonly advice: string;
  /** Where in the picture. */
  readonly place?: Rect;
  /** What of the plan would be set so that it holds. */
  readonly correction?: Correction;
  /** How the number came about, line by line. */
  readonly arithmetic: readonly { readonly label: string; readonly value: string }[];
};

/** A change of the plan, as data; what it comes to on a camera's dials is worked out where the camera is known. */
export type Correction =
  /** The placement taken as it was found, or moved. */
  | { readonly kind: 'placement'; readonly to: number }
  /** Light on the sensor: stops more (+) or less (-). */
  | { readonly kind: 'exposure'; readonly stops: number }
  /** The dial moved so that a neutral comes out neutral: mired of the light, and tint in thousandths of Duv. */
  | { readonly kind: 'balance'; readonly mired: number; readonly tint: number };

/** What moved between the frames of a clip. */
export type Drift = {
  readonly frames: number;
  /** Highest less lowest card (or mean), stops. */
  readonly stops: number;
  readonly byCard: boolean;
  /** Warmest less coolest neutral. */
  readonly mired?: number;
  /** Frame that is furthest off the plan. */
  readonly worst: number;
};

export type VerdictInput = {
  readonly measurement: FrameMeasurement;
  readonly distribution: Distribution;
  readonly numbers: SetCardNumbers;
  readonly placement: number;
  /** The light that comes out neutral as the camera is dialled; without it D65. */
  readonly light?: Temperature;
  /** What is dialled, and in what the recording is made; without it not compared with the file. */
  readonly recorded?: Coding;
  /** The camera's other profiles: what the picture may have been recorded with instead. */
  readonly others?: readonly { readonly name: string; readonly profile: Profile }[];
  /** Where the camera's dial is an exposure index: what is set, the dial, whether its display follows. */
  readonly index?: {
    readonly set: number;
    readonly bases: readonly number[];
    readonly dial: readonly number[];
    readonly follows?: 'yes' | 'no';
  };
  /** Only where the frames of a clip were measured. */
  readonly drift?: Drift;
  /** What the camera keeps for this light that brings it to the hero camera, and the lights it was found in, K. */
  readonly match?: {
    readonly hero: string;
    readonly correction: LightCorrection;
    readonly from: readonly number[];
  };
};

export type VerdictRule = {
  readonly id: string;
  readonly name: string;
  /** The threshold in words, shown with the verdict. */
  readonly threshold: string;
  /** undefined when the rule has nothing to say about this frame. */
  readonly judge: (input: VerdictInput) => Omit<Verdict, 'id'> | undefined;
};
