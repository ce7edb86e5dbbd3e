import type { SetCardNumbers } from '../exposure/setCard.ts';
import type { Rect } from '../frame/frame.ts';
import type { Distribution } from '../scopes/distribution.ts';
import type { Clipping, PatchReading, Shadows } from '../scopes/measure.ts';
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
  /** How the number came about, line by line. */
  readonly arithmetic: readonly { readonly label: string; readonly value: string }[];
};

/** What was measured on the codes of one frame. */
export type FrameMeasurement = {
  readonly width: number;
  readonly height: number;
  readonly coding: Coding;
  /** Luma histogram, by level. */
  readonly histogram: Uint32Array;
  readonly clipping: Clipping;
  readonly shadows: Shadows;
  readonly patches: readonly PatchReading[];
};

export type VerdictInput = {
  readonly measurement: FrameMeasurement;
  readonly distribution: Distribution;
  readonly numbers: SetCardNumbers;
  readonly placement: number;
};

export type VerdictRule = {
  readonly id: string;
  readonly name: string;
  /** The threshold in words, shown with the verdict. */
  readonly threshold: string;
  /** undefined when the rule has nothing to say about this frame. */
  readonly judge: (input: VerdictInput) => Omit<Verdict, 'id'> | undefined;
};
