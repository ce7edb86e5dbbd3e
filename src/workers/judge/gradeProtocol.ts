// What the judging worker does for the trial grade. Types only.
import type { GradeFigures } from '#core/grade/gradeFigures.ts';
import type { ContentLight, FrameLight } from '#core/grade/lightLevels.ts';
import type { GradeForecast } from '#core/grade/gradeForecast.ts';
import type { OrderLoss } from '#core/grade/order.ts';
import type { Grade } from '#core/grade/rows/types.ts';
import type { Proposal, StartInput } from '#core/grade/start/types.ts';
import type { Rect } from '#core/frame/frame.ts';
import type { SensorModel } from '#core/noise/sensorNoise.ts';
import type { Result } from '#core/result.ts';
import type { Patch } from '#core/scopes/measure.ts';
import type { LutSpec } from '../luts/lutSpec.ts';

/** Who stands at a marked place, as far as that is known. */
type PatchNames = {
  readonly [patchId: string]: { readonly name: string; readonly own?: number };
};

type GradePatches = { readonly patches: readonly Patch[]; readonly names: PatchNames };

export type GradeStartInput = Omit<StartInput, 'sample' | 'patches'> & GradePatches;

type Graded = {
  readonly grade: Grade;
  readonly looks?: { readonly [id: string]: LutSpec };
};

type GradeReadInput = GradePatches &
  Graded & {
    readonly sensor: SensorModel;
    /** Stops over base ISO. */
    readonly overBase: number;
  };

/** What a trial grade comes to on the picture. */
export type GradeRead = {
  readonly figures: GradeFigures;
  /** The same without each row that is on. */
  readonly without: readonly { readonly id: string; readonly figures: GradeFigures }[];
  readonly forecast: GradeForecast;
  /** What each row costs that stands on the wrong side of the conversion. */
  readonly costs: readonly { readonly id: string; readonly loss: OrderLoss }[];
  /** Light of the whole picture, of every pixel: where the picture is HDR. */
  readonly light?: FrameLight;
  /** Stops of red and blue that an automatic balance would add. */
  readonly automatic: { readonly red: number; readonly blue: number };
  /** Coloured pixels by their hue on each row that chooses hues, a bin five degrees. */
  readonly hues: readonly { readonly id: string; readonly bins: readonly number[] }[];
};

/** The hues of a place as a range for a row; none where nothing there has a colour. */
type PickedHue = { readonly range?: { readonly hue: number; readonly width: number } };

export type GradeJobs = {
  /** What a trial grade is started with on the picture on the bench, row by row. */
  gradeStart: { input: GradeStartInput; output: readonly Proposal[] };
  /** What a trial grade comes to on the picture on the bench. */
  gradeRead: { input: GradeReadInput; output: GradeRead };
  /** The frame on the bench through a grade, as a PNG of 16 bits; and as it was recorded, where that is wanted. */
  gradeStill: {
    input: Graded & { readonly isBoth?: boolean };
    output: Result<{ readonly png: Uint8Array<ArrayBuffer>; readonly asShot?: Uint8Array<ArrayBuffer> }>;
  };
  /** MaxCLL and MaxFALL of pictures of the clip on the bench through a grade; of a still's one. */
  gradeLight: {
    input: Graded & { readonly frames: readonly number[] };
    output: Result<ContentLight & { readonly frames: number }>;
  };
  gradePick: { input: Graded & { readonly rowId: string; readonly rect: Rect }; output: PickedHue };
};
