import type { Correction } from '../../correction/operations.ts';
import type { Dial } from '../../colour/lean.ts';
import type { GamutSpec } from '../../colour/gamut.ts';
import type { LutRecipe } from '../../lut/recipeData.ts';
import type { Triple } from '../../maths/matrix.ts';
import type { TransferFunction } from '../../transfer/index.ts';

/** Before the conversion a row works on the recording's light, after it on the picture's. */
export type GradeSide = 'before' | 'after';

export type Step = (rgb: Triple) => Triple;

/** What a row works in: linear R, G, B, and what is known of them. */
export type Space = {
  readonly primaries: GamutSpec;
  /** Light of middle grey. */
  readonly grey: number;
  /** Light to the signal that the recording, or the picture, is coded in; and back. */
  readonly signal: TransferFunction;
  /** Balance that a neutral of this light stands for. */
  readonly dial: Dial;
  /** Light under which noise hides everything; 0 where that is not known. */
  readonly floor: number;
};

/** One number of a row: what it is called, its unit, its limits, and where it does nothing. */
export type GradeValue = {
  readonly name: string;
  readonly unit: 'stops' | 'mired' | 'points' | 'times' | 'percent' | 'degrees' | 'choice';
  readonly min: number;
  readonly max: number;
  readonly step: number;
  readonly neutral: number;
  readonly says: string;
};

/** Values of a row by their names; what is missing is neutral. */
export type GradeValues = { readonly [name: string]: number };

/** What a kind of row may need beside its numbers. */
type RowAid = {
  /** What brings the camera to its hero. */
  readonly match?: Correction;
  /** A look of the kit by its id: picture signal in and out, or the recording's signal in. */
  readonly look?: Step;
  /** The picture's signal back to the recording's. */
  readonly undo: Step;
};

/** Slope and offset a channel, and saturation, on the recording's own signal: what a CDL can hold. */
export type Sop = { readonly slope: Triple; readonly offset: Triple; readonly saturation: number };

/** A kind of operation of the trial grade. */
export type GradeKind = {
  readonly name: string;
  /** What it does and why it stands where it stands. */
  readonly says: string;
  /** Where it belongs. */
  readonly side: GradeSide;
  readonly values: { readonly [name: string]: GradeValue };
  /** Words for whoever grades: Candelum does nothing there. */
  readonly isNote?: true;
  /** On light of its space, unclamped; undefined where it has nothing to work with. */
  readonly compile?: (value: (name: string) => number, space: Space, aid: RowAid) => Step | undefined;
  /** How much of it each colour takes, 0..1, where it does not take all of them alike. */
  readonly weight?: (value: (name: string) => number, space: Space) => (rgb: Triple) => number;
  /** What it is on the signal where a CDL holds it exactly; undefined where none does. */
  readonly sop?: (value: (name: string) => number, space: Space) => Sop | undefined;
};

/** A row of a trial grade, as data. */
export type GradeRow = {
  /** Tells rows of one kind apart. */
  readonly id: string;
  readonly kind: string;
  readonly on: boolean;
  readonly side: GradeSide;
  readonly values: GradeValues;
  /** A LUT of the kit: of a look. */
  readonly lut?: string;
};

/** A trial grade: what is done before the conversion, the conversion, what is done after it; in this order. */
export type Grade = {
  /** The conversion; its pull is not used: exposure is a row. */
  readonly recipe: LutRecipe;
  /** What the recording was balanced to. */
  readonly dial: Dial;
  /** Usable floor of the recording, stops over grey. */
  readonly floorStops: number;
  readonly match?: Correction;
  readonly rows: readonly GradeRow[];
};
