// What the judging worker does. Types only. The frame stays in the worker; it travels there once.
import type { CodeBand } from '#core/scopes/zebra.ts';
import type { CameraBody, CameraSettings } from '#core/sensor/camera.ts';
import type { Spotting } from '#core/sensor/meter.ts';
import type { LightOfSpots } from '#core/scene/ofSpots.ts';
import type { SceneTruth } from '#core/scene/truth.ts';
import type { SampleReading } from '#core/frame/codes.ts';
import type { Rect } from '#core/frame/frame.ts';
import type { Exactness, SourceTags } from '#core/frame/tags.ts';
import type { FrameReading, ReadingOptions, Referred } from '#core/formats/opened.ts';
import type { OutputId } from '#core/lut/outputs.ts';
import type { Patch } from '#core/scopes/measure.ts';
import type { MeasureOptions } from '#core/scopes/measureFrame.ts';
import type { Remembered } from '#core/scopes/looks.ts';
import type { Keyed } from '#core/scopes/tracks.ts';
import type { ProfileData } from '#core/profile/index.ts';
import type { RampId } from '#core/scopes/ramp.ts';
import type { Coding, FeedAnchors, Range } from '#core/signal/scale.ts';
import type { LumaId } from '#core/signal/luma.ts';
import type { Result } from '#core/result.ts';
import type { ViewId } from '#core/kernels/picture.ts';
import type { ScopeId, ScopeScale } from '#core/scopes/scopeList.ts';
import type { GradeCorrection, OrderLoss } from '#core/grade/order.ts';
import type { LutRecipe } from '#core/lut/recipe.ts';
import type { FrameMeasurement } from '#core/scopes/measureFrame.ts';
import type { LutSpec } from '../luts/lutSpec.ts';
import type { GradeJobs } from './gradeProtocol.ts';

/** How a frame is coded, and how that was found out. */
export type FrameCoding = Coding & {
  readonly width: number;
  readonly height: number;
  readonly reading: FrameReading;
  readonly evidence: string;
  readonly container: string;
  readonly tags: SourceTags;
  readonly referred: Referred;
  readonly exactness: Exactness;
  /** What its Y'CbCr was read by; undefined where the codes are R'G'B'. */
  readonly matrix?: LumaId;
};

export type FrameInfo = FrameCoding & {
  /** Number of the source it belongs to, and of the picture: each new one has a higher number. */
  readonly opening: number;
  readonly picture: number;
};

/** What is known of a clip beside its frames. */
export type ClipInfo = {
  /** Start of each frame, seconds. */
  readonly times: Float64Array;
  readonly seconds: number;
  /** Frames a second, the mean when they vary. */
  readonly rate: number;
  readonly variable: boolean;
  /** Said of the file as a whole: cut short, decoded by a helper. */
  readonly note?: string;
};

type OpenInput = ReadingOptions & { readonly file: Blob; readonly name: string };
export type OpenedPicture = { readonly info: FrameInfo; readonly clip?: ClipInfo; readonly at?: number };
/** The same file, its codes read another way. */
export type RereadInput = {
  readonly range: Range;
  readonly reading?: SampleReading;
  readonly referred?: Referred;
  readonly matrix?: LumaId;
  readonly feed?: FeedAnchors;
};

export type MeasureInput = MeasureOptions & {
  /** Where patches were put at which frames of a clip; elsewhere they stay. */
  readonly keyed?: Keyed;
};

/** What was measured, and of which picture. */
export type MeasuredFrame = Pick<FrameInfo, 'opening' | 'picture'> & {
  readonly measurement: FrameMeasurement;
  /** Frame of a clip from 0, or seconds of a feed. */
  readonly at?: number;
};

/** A LUT, and what its output is for: it is shown on this screen as that display would. */
export type Through = { readonly spec: LutSpec; readonly output: OutputId };

export type PictureRequest = {
  readonly profile: ProfileData;
  readonly pullStops: number;
  readonly view: ViewId;
  readonly ramp: RampId;
  readonly contours: boolean;
  readonly rangeZebras: readonly CodeBand[];
  readonly warningZebra?: CodeBand;
  /** Codes from which a channel is marked as clipped; without, none are. */
  readonly clipCode?: number;
  /** The monitoring view goes through this instead of the profile's own picture. */
  readonly through?: Through;
  /** Each so-manieth pixel is enough for the size it is shown at. */
  readonly every?: number;
};

export type ScopeRequest = {
  /** The pane it is for: each holds its own peaks. */
  readonly pane: string;
  readonly scope: ScopeId;
  readonly profile: ProfileData;
  readonly scale: ScopeScale;
  /** Bottom and top of the axis, on its scale. */
  readonly axis: readonly [number, number];
  readonly columns: number;
  readonly height: number;
  readonly ramp: RampId;
  readonly matrix: LumaId;
  /** Pixels of the frame it is made of; without, all. */
  readonly region?: Rect;
  /** Made of the picture behind this, in % of its signal, on a smaller frame. */
  readonly through?: LutSpec;
  /** Opacity, 1 = usual. */
  readonly brightness: number;
  /** Share of the colour plane that is shown: 1 all of it, 0.5 twice as large. */
  readonly reach: number;
  /** Keep the highest of every level shown since it was last false. */
  readonly hold: boolean;
};

/** The picture on the bench as the monitor shows it, small. */
export type ThumbnailRequest = {
  readonly profile: ProfileData;
  readonly pullStops: number;
  readonly through?: Through;
  readonly width: number;
};

/** A take's picture: everything of one moment. */
export type Captured = MeasuredFrame & {
  readonly info: FrameInfo;
  readonly png: Uint8Array<ArrayBuffer>;
  /** The marks that were measured, each with what stands round it. */
  readonly marks: readonly Remembered[];
};

/** A picture that is kept as the reference. */
export type Hero = MeasuredFrame & { readonly hero: number };

export type Pixels = {
  readonly width: number;
  readonly height: number;
  readonly rgba: Uint8ClampedArray<ArrayBuffer>;
};

export type SceneInput = {
  readonly truth: string;
  readonly light: readonly ArrayBuffer[];
  readonly mask: ArrayBuffer;
  readonly walk?: ArrayBuffer;
};

/** A picture asked of the simulated camera. */
export type ExposeInput = {
  readonly body: CameraBody;
  readonly settings: CameraSettings;
  readonly seed: number;
  /** Moment of the sequence. */
  readonly seconds: number;
  /** Width of the picture; its height follows. */
  readonly width: number;
  readonly spotting: Spotting;
  readonly bias: number;
};

/** The picture is on the bench of the worker; what the camera says of it. */
type Exposed = {
  readonly info: FrameInfo;
  /** What its meter shows, stops. */
  readonly shows: number;
  /** What automatic balance takes for white, K. */
  readonly seen: number;
};

export type ClipInput = ExposeInput & {
  readonly frames: number;
  readonly rate: readonly [number, number];
};

/** Measured at one frame of a clip. */
export type ClipSample = { readonly frame: number; readonly measurement: FrameMeasurement };

type SurveyInput = MeasureInput & {
  /** Frames to look at. */
  readonly frames: readonly number[];
};

type FeedInput = {
  readonly frames: ReadableStream<VideoFrame>;
  readonly name: string;
  readonly range: Range;
};

/** The newest picture of a feed; undefined while none came within the wait. */
type FeedPicture = {
  readonly info: FrameInfo;
  /** Seconds since the feed was started, of this picture. */
  readonly seconds: number;
  /** When it came, ms since 1970. */
  readonly arrivedAt: number;
  /** Pictures that came since the last one that was shown and were left out. */
  readonly dropped: number;
};

/** The form of the pixel loops: SIMD in shared memory or its own, or plain code; `why` where a better one failed. */
export type KernelsInUse = { readonly form: 'shared' | 'simd' | 'plain'; readonly why?: string };

export type CodeReadout = {
  readonly r: number;
  readonly g: number;
  readonly b: number;
  readonly luma: number;
};

/** Marks found again, and the ids of those that were not. */
type Refound = { readonly found: readonly Patch[]; readonly lost: readonly string[] };

export type JudgeJobs = GradeJobs & {
  scene: { input: SceneInput; output: Result<SceneTruth> };
  /** A scene out of a survey's readings. */
  lightOfSpots: { input: LightOfSpots; output: Result<SceneTruth> };
  expose: { input: ExposeInput; output: Result<Exposed> };
  /** The frame on the bench as a file of its codes. */
  still: { input: Record<string, never>; output: Result<{ readonly png: Uint8Array<ArrayBuffer> }> };
  /** Some seconds through the simulated camera as a Y4M clip. */
  clip: { input: ClipInput; output: Result<{ readonly bytes: Uint8Array<ArrayBuffer> }> };
  open: { input: OpenInput; output: Result<OpenedPicture> };
  reread: { input: RereadInput; output: Result<OpenedPicture> };
  /** Puts a frame of the open clip on the bench. */
  seek: { input: { readonly frame: number }; output: Result<FrameInfo> };
  /** Measures frames of the open clip, one after another; the frame on the bench stays. */
  survey: { input: SurveyInput; output: Result<readonly ClipSample[]> };
  /** Takes a feed's pictures from now on; the stream is handed over. */
  feed: { input: FeedInput; output: Result<FeedPicture> };
  feedNext: { input: Record<string, never>; output: Result<FeedPicture> };
  feedStop: { input: Record<string, never>; output: undefined };
  measure: { input: MeasureInput; output: MeasuredFrame };
  /**
   * Keeps what these marks look like on the frame, to find them in the next file; in the place of those before. What
   * they look like is handed out, too: to find them in other clips.
   */
  remember: { input: { readonly patches: readonly Patch[] }; output: readonly Remembered[] };
  /** The marks that were remembered, found on the frame by correlation; without a frame none. */
  refind: { input: Record<string, never>; output: Refound };
  /** Measures the picture and makes its thumbnail, both of the same moment. */
  capture: { input: MeasureInput & { readonly thumbnail: ThumbnailRequest }; output: Captured };
  picture: { input: PictureRequest; output: Pixels };
  scope: { input: ScopeRequest; output: Pixels };
  /** Codes of some pixels round a place, for the magnifier. */
  codes: { input: { readonly rect: Rect }; output: readonly CodeReadout[] };
  /** Opens a LUT file and keeps it under an id, for pictures that go through it. */
  keep: { input: { readonly id: string; readonly text: string }; output: Result<undefined> };
  /** What a correction after the conversion loses on the frame against one before it. */
  order: {
    input: { readonly recipe: LutRecipe; readonly correction: GradeCorrection };
    output: OrderLoss;
  };
  /** Keeps the frame on the bench as the reference, in the place of the one before. */
  hold: { input: MeasureInput; output: Hero };
  /** The reference, if it is still the one of that number. */
  reference: { input: PictureRequest & { readonly hero: number }; output: Result<Pixels> };
  /** Which form of the pixel loops is in use. */
  kernels: { input: Record<string, never>; output: KernelsInUse };
};
