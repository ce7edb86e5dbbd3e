// What the judging worker does. Types only. The frame stays in the worker; it travels there once.
import type { CodeBand } from '#core/scopes/zebra.ts';
import type { CameraBody, CameraSettings } from '#core/sensor/camera.ts';
import type { Spotting } from '#core/sensor/meter.ts';
import type { SceneTruth } from '#core/scene/truth.ts';
import type { SampleReading } from '#core/frame/codes.ts';
import type { Patch } from '#core/scopes/measure.ts';
import type { ProfileData } from '#core/profile/index.ts';
import type { RampId } from '#core/scopes/ramp.ts';
import type { Range } from '#core/signal/scale.ts';
import type { Result } from '#core/result.ts';
import type { ViewId } from '#core/scopes/picture.ts';
import type { WaveformScale } from '#core/scopes/waveformPicture.ts';
import type { FrameMeasurement } from '#core/verdict/index.ts';

export type FrameInfo = {
  readonly width: number;
  readonly height: number;
  readonly bitDepth: number;
  readonly range: Range;
  readonly reading: SampleReading | 'codes8';
  readonly evidence: string;
};

export type OpenInput = {
  readonly bytes: ArrayBuffer;
  readonly range: Range;
  readonly reading?: SampleReading;
};
/** The same file, its codes read another way. */
export type RereadInput = Omit<OpenInput, 'bytes'>;

export type MeasureInput = {
  readonly profile: ProfileData;
  readonly clipStops: number;
  readonly floorStops: number;
  readonly patches: readonly Patch[];
};

export type PictureRequest = {
  readonly profile: ProfileData;
  readonly pullStops: number;
  readonly view: ViewId;
  readonly ramp: RampId;
  readonly contours: boolean;
  readonly rangeZebras: readonly CodeBand[];
  readonly warningZebra?: CodeBand;
};

export type WaveformRequest = {
  readonly profile: ProfileData;
  readonly columns: number;
  readonly height: number;
  readonly scale: WaveformScale;
  /** Bottom and top of the axis, in % of signal or in stops. */
  readonly axis: readonly [number, number];
  readonly ramp: RampId;
};

export type ThumbnailRequest = {
  readonly profile: ProfileData;
  readonly pullStops: number;
  readonly width: number;
};

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
export type Exposed = {
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

export type JudgeJobs = {
  scene: { input: SceneInput; output: Result<SceneTruth> };
  expose: { input: ExposeInput; output: Result<Exposed> };
  /** The frame on the bench as a file of its codes. */
  still: { input: Record<string, never>; output: Result<{ readonly png: Uint8Array<ArrayBuffer> }> };
  /** Some seconds through the simulated camera as a Y4M clip. */
  clip: { input: ClipInput; output: Result<{ readonly bytes: Uint8Array<ArrayBuffer> }> };
  open: { input: OpenInput; output: Result<FrameInfo> };
  reread: { input: RereadInput; output: Result<FrameInfo> };
  measure: { input: MeasureInput; output: FrameMeasurement };
  picture: { input: PictureRequest; output: Pixels };
  waveform: { input: WaveformRequest; output: Pixels };
  thumbnail: { input: ThumbnailRequest; output: { readonly png: Uint8Array<ArrayBuffer> } };
};
