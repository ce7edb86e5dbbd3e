import type { Triple } from '../../maths/matrix.ts';
import type { Grade, GradeSide, GradeValues } from '../rows/types.ts';
import type { GradeKindId } from '../rows/rowKinds.ts';
import type { GradeSchools } from './schools.ts';

/** A marked place as the grade's start reads it. */
export type StartPatch = {
  readonly kind: 'card' | 'skin' | 'neutral' | 'white';
  readonly name: string;
  /** Of a face: stops that its key side lies over grey in its own light. */
  readonly own?: number;
  /** Signals of its pixels, spread evenly. */
  readonly signals: readonly Triple[];
  /** A channel of some of it clips. */
  readonly isClipped: boolean;
};

/** What the start of a trial grade is proposed from. */
export type StartInput = {
  readonly base: Omit<Grade, 'rows'>;
  /** Signals of pixels spread evenly over the picture. */
  readonly sample: readonly Triple[];
  readonly patches: readonly StartPatch[];
  /** Where the card was planned, stops over grey. */
  readonly placement: number;
  readonly isUnderWater: boolean;
  readonly schools: GradeSchools;
};

/** Where a proposed value comes from. */
type StartGround = 'measured' | 'planned' | 'choice' | 'left';

/** What is proposed for a row, and how it came about. */
export type Proposal = {
  readonly kind: GradeKindId;
  readonly on: boolean;
  readonly side: GradeSide;
  readonly values: GradeValues;
  readonly ground: StartGround;
  /** One line: why this value. */
  readonly why: string;
  readonly arithmetic: readonly { readonly label: string; readonly value: string }[];
};

/** What one kind of row proposes after the rows before it. */
export type Proposer = (
  input: StartInput,
  before: readonly Proposal[],
) => Omit<Proposal, 'kind' | 'side'> | undefined;
