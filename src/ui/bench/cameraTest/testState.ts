import type { ChartKnown } from '#core/cameraTest/chart.ts';
import type { TestTold } from '#core/cameraTest/evaluate.ts';
import type { ClipProblem, FoundIn, HoldEdits } from '#core/cameraTest/find/foundIn.ts';
import { USUAL_MARK, type TestMarks } from '#core/cameraTest/find/glance.ts';
import type { TestBasis } from '#core/cameraTest/tell/types.ts';
import type { Corners } from '#core/match/board.ts';
import type { BoardId } from '#core/match/boards.ts';
import type { Triple } from '#core/maths/matrix.ts';
import { USUAL_HAVE, type Shot, type TestHave, type TestLength } from '#core/cameraTest/types.ts';
import type { LookedClip } from '#workers/cameraTest/protocol.ts';

/** A clip of a test. */
export type TestClip = {
  readonly id: string;
  readonly file: File;
  readonly state: 'waiting' | 'looking' | 'looked' | 'leftOut';
  /** Share of it that was looked at. */
  readonly share?: number;
  readonly problem?: string;
  readonly looked?: LookedClip;
};

/** What the list and the evaluation are made from. */
export type TestAsked = Omit<TestBasis, 'filmed' | 'coding'> & { readonly list: readonly Shot[] };

/** A chart on a frame of a shot: where its corners lie, what its colours are, what was read there. */
export type TestChart = ChartKnown & {
  /** Id of the shot of the list whose frame it is. */
  readonly shotId: string;
  readonly board: BoardId;
  readonly corners: Corners;
  readonly signals?: readonly Triple[];
  /** Why nothing was read. */
  readonly problem?: string;
};

export type TestState = {
  /** What is at hand, and how thorough the list is. */
  readonly have: TestHave;
  readonly length: TestLength;
  /** Zebra levels as noted. */
  readonly zebra: NonNullable<TestBasis['zebra']>;
  readonly chart?: TestChart;
  readonly clips: readonly TestClip[];
  readonly marks: TestMarks;
  readonly found: readonly FoundIn[];
  readonly problems: readonly ClipProblem[];
  readonly edits: HoldEdits;
  readonly told?: TestTold;
  /** Why nothing can be told. */
  readonly failure?: string;
  /** What is being done, and how far. */
  readonly busy?: { readonly what: string; readonly share: number };
  /** Seconds that looking and evaluating took. */
  readonly seconds?: number;
};

const NO_EDITS: HoldEdits = { labels: {}, bounds: {} };
/** An empty bench. */
export const NO_TEST: TestState = {
  have: USUAL_HAVE,
  length: 'usual',
  zebra: {},
  clips: [],
  marks: { card: USUAL_MARK },
  found: [],
  problems: [],
  edits: NO_EDITS,
};
