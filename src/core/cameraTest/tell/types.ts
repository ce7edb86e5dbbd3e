import type { ProfileData } from '../../profile/index.ts';
import type { EvidenceItem } from '../../profile/evidenceKinds.ts';
import type { Triple } from '../../maths/matrix.ts';
import type { GamutSpec } from '../../colour/gamut.ts';
import type { Coding } from '../../signal/scale.ts';
import type { Hold } from '../find/holds.ts';
import type { ShutterErrors } from './shutterErrors.ts';
import type { Shot, ShotKindId, TestedCamera, TestHave } from '../types.ts';

/** What a figure is counted in; how it is printed is a row in `printFigure`. */
export type FigureUnit =
  | 'stops'
  | 'percent'
  | 'share'
  | 'codes'
  | 'bits'
  | 'kelvin'
  | 'mired'
  | 'tint'
  | 'electrons'
  | 'iso'
  | 'hertz'
  | 'degrees'
  | 'times'
  /** Distance of two chromaticities, CIE 1976 u', v'. */
  | 'chromaticity'
  /** CIEDE2000. */
  | 'deltaE'
  /** 1 yes, 0 no. */
  | 'yes';

/** A number that a test found. */
export type Figure = {
  /** What it is, the same in every test: two tests are compared by it. */
  readonly id: string;
  readonly name: string;
  readonly value: number;
  readonly unit: FigureUnit;
  /** Half of the range that holds it with 95 %. */
  readonly plusMinus?: number;
  /** Shots it was measured on. */
  readonly from: readonly string[];
};

/** A small drawing of what was measured: points and what was made of them, in the same units. */
export type Plot = {
  readonly id: string;
  readonly name: string;
  readonly x: string;
  readonly y: string;
  readonly points: readonly (readonly [x: number, y: number])[];
  readonly line?: readonly (readonly [x: number, y: number])[];
  /** Half widths about the line. */
  readonly band?: readonly number[];
};

/** What one part of the evaluation comes to. */
export type Told = {
  readonly figures: readonly Figure[];
  readonly plots?: readonly Plot[];
  /** Sentences about what does not add up, each with what to do. */
  readonly warnings?: readonly string[];
  /** What could not be found out, and the kind of shot that would tell. */
  readonly missing?: readonly Missing[];
};

export type Missing = { readonly what: string; readonly shot: ShotKindId };

/** A shot of the list as it was found. */
export type FilmedShot = { readonly shot: Shot; readonly hold: Hold };

/** A chart of known colours as it was read off its frame. */
export type ChartRead = {
  /** XYZ in the light it was filmed in, on any scale; R', G', B' as signal fractions. */
  readonly patches: readonly { readonly name: string; readonly xyz: Triple; readonly signal: Triple }[];
  /** XYZ of the light. */
  readonly white: Triple;
  /** Id of the shot it was read on. */
  readonly from: string;
};

/** What an evaluation begins with. */
export type TestBasis = {
  readonly filmed: readonly FilmedShot[];
  readonly camera: TestedCamera;
  readonly have: TestHave;
  readonly coding: Coding;
  readonly gamut: GamutSpec;
  /** The signal of grey by the profile on file, where the test is told to believe it. */
  readonly greySignal?: number;
  readonly chart?: ChartRead;
  /**
   * Zebra levels at which the card began to show, as noted, % of its scale: with the display assist off, on, and on
   * with the camera told that the card is placed a stop higher (EI or the assist's own offset), the exposure left.
   */
  readonly zebra?: {
    readonly assistOff?: number;
    readonly assistOn?: number;
    readonly assistPlaced?: number;
  };
};

/** A dark step: linear light, 0.18 at grey, and its signal. */
type ToeStep = { readonly light: number; readonly signal: number };

/** The curve as the test found it, and what else hangs on it. */
export type TestCurve = {
  readonly profile: ProfileData;
  readonly evidence: readonly EvidenceItem[];
  /** Stops over grey that a signal is. */
  readonly stopsAt: (signal: number) => number;
  readonly signalAt: (stops: number) => number;
  /** Linear light, 0.18 at grey. */
  readonly lightAt: (signal: number) => number;
  /** Half of the 95 % range at a place, stops. */
  readonly doubt: (stops: number) => number;
  /** Whether it did stop rising. */
  readonly isClipFound: boolean;
  readonly clipSignal: number;
  /** The brightest place that was read under clip, stops over grey. */
  readonly lastStops: number;
  /** Real shutter times, where two lights tell them apart from the curve. */
  readonly shutters?: ShutterErrors;
  /** Steps as they were read, and what does not add up. */
  readonly steps: readonly { readonly stops: number; readonly signal: number }[];
  readonly warnings: readonly string[];
  /** Its two darkest steps, light and signal: the toe between them and black. */
  readonly toe: readonly [ToeStep, ToeStep];
  /** Signal of no light. */
  readonly blackSignal: number;
};

/** What the parts after the curve are given. */
export type TestGround = TestBasis & { readonly curve: TestCurve };
