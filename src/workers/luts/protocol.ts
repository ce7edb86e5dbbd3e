// What the LUT worker does. Types only.
import type { LutFormatId } from '#core/formats/lutFormats.ts';
import type { LutWords } from '#core/formats/writeLut.ts';
import type { Baked } from '#core/lut/bake.ts';
import type { CubeScale } from '#core/lut/cubeScale.ts';
import type { DifferenceMap } from '#core/lut/differenceMap.ts';
import type { GreyAxis } from '#core/lut/greyAxis.ts';
import type { InspectOptions, LutReport } from '#core/lut/inspect.ts';
import type { InterpolationId } from '#core/lut/lut.ts';
import type { LutLoss } from '#core/lut/loss.ts';
import type { EdgeLoss, Marks } from '#core/lut/marks.ts';
import type { OutputId } from '#core/lut/outputs.ts';
import type { Result } from '#core/result.ts';
import type { Coding } from '#core/signal/scale.ts';
import type { LutSpec } from './lutSpec.ts';

/** A LUT that was opened: what stands in it. */
export type LutInfo = {
  readonly title: string;
  readonly comments: readonly string[];
  readonly says: string;
  /** A single 1D LUT that rises: it can be turned round. */
  readonly invertible: boolean;
};

/** On which scale a LUT is written. */
type Written = { readonly scale: CubeScale; readonly coding: Coding };

type LossesInput = Written & {
  readonly spec: LutSpec;
  readonly output: OutputId;
  /** Signals from the usable floor to the clip: greys between them count. */
  readonly usable?: readonly [from: number, to: number];
};
export type Losses = {
  readonly baked: readonly Baked[];
  /** Channels do not mix: three curves say it all. */
  readonly separable: boolean;
};

type EdgesInput = Written & { readonly marks: Marks };
export type SizedEdges = { readonly size: number; readonly edges: readonly EdgeLoss[] };

export type WriteInput = Written & {
  readonly spec: LutSpec;
  readonly format: LutFormatId;
  /** Points a side; of curves it is the usual number. */
  readonly size: number;
  readonly shaped: boolean;
  readonly interpolation: InterpolationId;
  readonly words: LutWords;
};
type WrittenFile = {
  readonly text: string;
  readonly milliseconds: number;
  /** What the format could not say, as a sentence. */
  readonly leaves?: string;
};

type CompareInput = { readonly a: LutSpec; readonly b: LutSpec; readonly output: OutputId };
export type Compared = { readonly loss: LutLoss; readonly map: DifferenceMap };

export type LutJobs = {
  /** Opens a file and keeps it under an id. */
  keep: { input: { readonly id: string; readonly text: string }; output: Result<LutInfo> };
  inspect: { input: Omit<InspectOptions, 'nodes'> & { readonly spec: LutSpec }; output: LutReport };
  /** What a LUT makes of neutrals. */
  axis: { input: { readonly spec: LutSpec }; output: GreyAxis };
  /** What each usual size loses. */
  losses: { input: LossesInput; output: Losses };
  /** What each usual size loses at the edges of painted bands. */
  edges: { input: EdgesInput; output: readonly SizedEdges[] };
  write: { input: WriteInput; output: Result<WrittenFile> };
  compare: { input: CompareInput; output: Compared };
};
