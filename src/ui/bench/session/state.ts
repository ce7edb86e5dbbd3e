import type { StandingId } from '#store/demo/scenes.ts';
import type { SceneTruth } from '#core/scene/truth.ts';
import type { ProfileData } from '#core/profile/index.ts';
import type { Failure } from '#core/result.ts';
import type { Patch } from '#core/scopes/measure.ts';
import type { MeasureOptions } from '#core/scopes/measureFrame.ts';
import type { Keyed } from '#core/scopes/tracks.ts';
import type {
  ClipInfo,
  ClipSample,
  FrameInfo,
  Hero,
  KernelsInUse,
  MeasuredFrame,
} from '#workers/judge/protocol.ts';
import type { Progress } from '#workers/rpc/protocol.ts';
import type { Standing } from '../../stage/standing.ts';
import type { Automatics, AutoValues, Knobs, Seen } from '../../stage/stageModel.ts';
import type { LutWork, MovingBuild, OpenedLut } from './lutWork.ts';

/** The frame on the bench; its pixels stay in the worker. */
export type OpenFrame = {
  readonly name: string;
  readonly kind: 'still' | 'clip' | 'feed' | 'camera';
  readonly info: FrameInfo;
  /** Counts openings in this window, so that a new frame of the same name is told from the old one. */
  readonly serial: number;
  /** The scene it was exposed from by the simulated camera. */
  readonly scene?: StandingId;
  readonly clip?: ClipInfo;
};

/** The simulated camera before a scene. */
export type StageState = AutoValues &
  Seen & {
    readonly standing: Standing;
    readonly truth: SceneTruth;
    /** Knobs turned away from the card. */
    readonly turned: Partial<Knobs>;
    readonly auto: Automatics;
    readonly running: boolean;
    /** Pictures shown and left out since it runs. */
    readonly shown: number;
    readonly dropped: number;
  };

/** Points of a curve across the ladder: stops, and share of the bar from 0 to 1. */
export type Laid = {
  readonly name: string;
  readonly points: readonly (readonly [stops: number, share: number])[];
};

/** What a frame is measured against; where the marks lie, the bench knows. */
export type MeasureTarget = Omit<MeasureOptions, 'patches'>;

/** A file of the tray; `refused` says why it did not open. */
export type TrayItem = { readonly name: string; readonly refused?: string };
/** Files that were opened together, and which of them is at hand. */
type Tray = { readonly items: readonly TrayItem[]; readonly at: number };

export type SessionState = {
  /** What went wrong last, to be shown; nothing else goes by it. */
  readonly failure?: Failure & { readonly name: string; readonly isLasting?: boolean };
  readonly frame?: OpenFrame;
  /** Something is being opened. */
  readonly busy?: Progress & { readonly name: string };
  readonly patches: readonly Patch[];
  /** Ids of marks of the file before that were not found on this one. */
  readonly unfound: readonly string[];
  readonly tray?: Tray;
  /** Places of patches at frames of a clip; in between they move evenly. */
  readonly keyed: Keyed;
  /** What was measured last of the frame. */
  readonly measured?: MeasuredFrame;
  /** How far the judging of the whole clip is, 0..1; undefined when none is under way. */
  readonly surveying?: number;
  /** What was measured over the open clip. */
  readonly samples?: readonly ClipSample[];
  /** A picture that the worker keeps as the reference. */
  readonly hero?: Hero & { readonly name: string };
  /** A LUT file that was opened in this window, and how it is read. */
  readonly openedLut?: OpenedLut;
  readonly lutWork: LutWork;
  /** The LUT being built, ahead of the plan while a slider moves. */
  readonly movingBuild?: MovingBuild;
  /** A LUT's output over stops, drawn across the ladder. */
  readonly laid?: Laid;
  readonly stage?: StageState;
  /** A profile being solved in Kit: ladder and card show it while it is there. */
  readonly draft?: { readonly name: string; readonly data: ProfileData };
  /** A second profile of the kit, drawn beside the one in use on chart and ladder. */
  readonly comparedId?: string;
  /** The form of the pixel loops, once the worker has told. */
  readonly kernels?: KernelsInUse;
  /** Workers that ended and were replaced: what they held has to be asked for again. */
  readonly revived: number;
};

/** How a slice of the session reads and changes the state. */
export type Access = {
  readonly get: () => SessionState;
  readonly set: (change: Partial<SessionState> | ((state: SessionState) => Partial<SessionState>)) => void;
};

/**
 * Tells what went wrong; `name` is what it went wrong with. What lasts stays until it is closed, whatever is
 * opened meanwhile.
 */
export type Tell = (name: string, failure: Failure, options?: { readonly isLasting: boolean }) => void;

/** A notice that is over once something was opened. */
export const withoutPassingNotice = ({ failure }: SessionState): Partial<SessionState> =>
  failure?.isLasting ? {} : { failure: undefined };

/** What goes when something new comes onto the bench. */
export const CLEARED = {
  measured: undefined,
  samples: undefined,
  patches: [],
  unfound: [],
  keyed: {},
} as const;
