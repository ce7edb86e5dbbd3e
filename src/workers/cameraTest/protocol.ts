// What a camera test's worker does: looks at clips, tells shots apart, works out what they say, films a list on the
// stage. It keeps what it saw of each clip until that is forgotten. Types only.
import type { TestTold } from '#core/cameraTest/evaluate.ts';
import type { Filming } from '#core/cameraTest/film/film.ts';
import type { TestMarks } from '#core/cameraTest/find/glance.ts';
import type { ClipProblem, FoundIn, HoldEdits } from '#core/cameraTest/find/foundIn.ts';
import type { TestBasis } from '#core/cameraTest/tell/types.ts';
import type { Shot } from '#core/cameraTest/types.ts';
import type { Corners } from '#core/match/board.ts';
import type { BoardId } from '#core/match/boards.ts';
import type { Triple } from '#core/maths/matrix.ts';
import type { Result } from '#core/result.ts';
import type { Coding, Range } from '#core/signal/scale.ts';

/** A small picture as recorded: RGBA. */
export type SmallPicture = {
  readonly width: number;
  readonly height: number;
  readonly rgba: Uint8ClampedArray<ArrayBuffer>;
};

type LookInput = {
  /** The clip's name for all later calls. */
  readonly id: string;
  readonly file: Blob;
  readonly range: Range;
  readonly marks: TestMarks;
};

/** What a clip was found to be. */
export type LookedClip = {
  readonly seconds: number;
  readonly frames: number;
  readonly coding: Coding;
  /** Times between frames differ, as a phone's do. */
  readonly isVariable: boolean;
  readonly codec: string;
  /** Why it ends before its end, where it does. */
  readonly cutShort?: string;
};

type PreviewInput = { readonly file: Blob; readonly range: Range; readonly at: number };

type ChartInput = PreviewInput & { readonly corners: Corners; readonly board: BoardId };

type FilmInput = {
  readonly list: readonly Shot[];
  readonly filming: Filming;
  /** A file a shot, or all of them in one with a hand over the lens between. */
  readonly inOne: boolean;
};

export type FilmedFile = { readonly name: string; readonly bytes: ArrayBuffer };

export type CameraTestJobs = {
  /** A frame with the card in it, to mark; what is looked at from then on is searched for its surroundings. */
  remember: { input: PreviewInput & { readonly marks: TestMarks }; output: Result<true> };
  /** A frame to mark the card on. */
  preview: { input: PreviewInput; output: Result<SmallPicture> };
  /** R', G', B' of a chart's patches, signal fractions, row by row: its corners lie on a frame of a clip. */
  chart: { input: ChartInput; output: Result<readonly Triple[]> };
  look: { input: LookInput; output: Result<LookedClip> };
  forget: { input: { readonly ids: readonly string[] }; output: undefined };
  find: {
    input: { readonly list: readonly Shot[]; readonly clips: readonly string[]; readonly edits: HoldEdits };
    output: { readonly found: readonly FoundIn[]; readonly problems: readonly ClipProblem[] };
  };
  /** The picture in the middle of a hold. */
  picture: { input: { readonly clip: string; readonly at: number }; output: SmallPicture | undefined };
  evaluate: {
    input: Omit<TestBasis, 'filmed'> & {
      readonly list: readonly Shot[];
      readonly clips: readonly string[];
      readonly edits: HoldEdits;
    };
    output: Result<TestTold>;
  };
  film: { input: FilmInput; output: readonly FilmedFile[] };
};
