// What the matching worker does: two pictures side by side, what is solved between them, how they look. Types only.
import type { Correction, OperationKind } from '#core/correction/operations.ts';
import type { Dial } from '#core/colour/lean.ts';
import type { GamutSpec } from '#core/colour/gamut.ts';
import type { Lab } from '#core/colour/lab.ts';
import type { ReadingOptions } from '#core/formats/opened.ts';
import type { ClipLight, ClipMatch } from '#core/match/clipCorrection.ts';
import type { MixerAnswer } from '#core/match/mixer.ts';
import type { MatchSpace } from '#core/match/parameters.ts';
import type { MatchKind, MatchPatch } from '#core/match/patches.ts';
import type { SchoolAnswer } from '#core/match/schools.ts';
import type { Match } from '#core/match/solveMatch.ts';
import type { LearntControl, LookPatch, Response, Turns } from '#core/match/turns.ts';
import type { ProfileData } from '#core/profile/index.ts';
import type { Result } from '#core/result.ts';
import type { SceneTruth } from '#core/scene/truth.ts';
import type { ClipInfo, ExposeInput, FrameCoding, Pixels, SceneInput } from '../judge/protocol.ts';

/** The two pictures: what is to be matched, and what it is matched to. */
export const SIDES = ['camera', 'hero'] as const;
export type Side = (typeof SIDES)[number];

/** A rectangle in fractions of a picture. */
export type Share = {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
};

/** How a side's codes are read as light: through its profile, or as a finished picture where none is known. */
export type SideReading = {
  readonly profile?: ProfileData;
  /** Stops that the card lies over grey as it was planned. */
  readonly placement: number;
  readonly floorStops: number;
};

/** The same thing on both pictures. */
export type MatchMark = {
  readonly name: string;
  readonly kind: MatchKind;
  readonly camera: Share;
  readonly hero: Share;
};

type FilmInput = SceneInput & { readonly sides: { readonly [S in Side]: ExposeInput } };
type Filmed = { readonly truth: SceneTruth; readonly sides: { readonly [S in Side]: FrameCoding } };

type OpenInput = ReadingOptions & {
  readonly side: Side;
  readonly file: Blob;
  /** Where in a clip: 0 its beginning, 1 its end. */
  readonly at: number;
};
export type OpenedSide = {
  readonly coding: FrameCoding;
  readonly clip?: Omit<ClipInfo, 'times'> & { readonly frames: number; readonly frame: number };
};

/** What both sides are read by. In `picture` both are taken as finished pictures. */
export type MatchReadings = {
  readonly sides: { readonly [S in Side]: SideReading };
  /** What each was balanced to: its dial with its lean. */
  readonly white: { readonly [S in Side]: Dial };
  readonly dials: { readonly [S in Side]: Dial };
};

type SolveInput = MatchReadings & {
  readonly marks: readonly MatchMark[];
  /** The pictures as a whole instead of marks: an estimate. */
  readonly whole: boolean;
};

/** A patch as it is plotted. */
export type PlottedPatch = {
  readonly name: string;
  readonly kind: MatchKind;
  readonly hero: Lab;
  readonly before: Lab;
  readonly after: Lab;
  /** ΔE that is left of it, noise taken off. */
  readonly off: number;
};

export type Look = { readonly [S in Side]: readonly LookPatch[] } & { readonly primaries: GamutSpec };

export type SolvedMatch = {
  readonly match: Match;
  readonly schools: readonly SchoolAnswer[];
  readonly plotted: readonly PlottedPatch[];
  /** What to turn at a desk instead: on the signals as both cameras give them. Needs marks. */
  readonly mixer?: MixerAnswer;
  /** The marked things as each shows them, in one set of primaries; clipped ones left out. */
  readonly look: Look;
  readonly by: 'marks' | 'whole';
  /** Solved in light, or in the display's picture because a profile is not known. */
  readonly in: 'light' | 'picture';
};

type PictureInput = MatchReadings & {
  readonly side: Side;
  readonly correction?: Correction;
  readonly width: number;
  /** A part of it; the whole where there is none. */
  readonly region?: Share;
};

/** A clip and the hero it is brought to; their light in the primaries of `space`. */
export type ClipPair = {
  readonly id: string;
  readonly clip: ClipLight;
  readonly hero: ClipLight;
  readonly space: MatchSpace;
};

/** A kept picture of a clip as its monitor shows it, with a correction before the monitor's picture. */
type PreviewInput = {
  readonly png: Uint8Array<ArrayBuffer>;
  readonly profile: ProfileData;
  readonly pullStops: number;
  readonly correction: Correction;
};

export type MatchJobs = {
  /** A scene of the stage through both cameras. */
  film: { input: FilmInput; output: Result<Filmed> };
  /** A still, or a frame of a clip, on one side. */
  open: { input: OpenInput; output: Result<OpenedSide> };
  solve: { input: SolveInput; output: Result<SolvedMatch> };
  /** The same from patches that were measured elsewhere, in the primaries of the match. */
  solvePatches: {
    input: MatchReadings & { readonly patches: readonly MatchPatch[] };
    output: Result<SolvedMatch>;
  };
  /** A side as the hero's monitor would show it, with a correction or without. */
  picture: { input: PictureInput; output: Result<Pixels> };
  /** Clips to their heroes. */
  clips: {
    input: { readonly pairs: readonly ClipPair[]; readonly asked: readonly OperationKind[] };
    output: readonly (ClipMatch & { readonly id: string })[];
  };
  /** What a control does, from the camera's pictures before and after it was turned. */
  learn: {
    input: {
      readonly before: readonly LookPatch[];
      readonly after: readonly LookPatch[];
      readonly steps: number;
      readonly primaries: GamutSpec;
    };
    output: Result<Response>;
  };
  /** What to turn, so that the camera shows what the hero shows. */
  turns: {
    input: { readonly look: Look; readonly controls: readonly LearntControl[] };
    output: Result<Turns>;
  };
  preview: { input: PreviewInput; output: Result<Pixels> };
};
