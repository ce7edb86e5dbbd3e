// A LUT as a page asks for it. Types only.
import type { Grade } from '#core/grade/rows/types.ts';
import type { GradeCorrection, Order } from '#core/grade/order.ts';
import type { ChainStep } from '#core/lut/chain.ts';
import type { CubeScale } from '#core/lut/cubeScale.ts';
import type { InterpolationId } from '#core/lut/lut.ts';
import type { LutRecipe } from '#core/lut/recipe.ts';
import type { Coding } from '#core/signal/scale.ts';

/** A file that was given to the worker, and how it is read. */
export type LutFileSpec = {
  readonly id: string;
  readonly scale: CubeScale;
  readonly coding: Coding;
  readonly interpolation: InterpolationId;
  /** Turned round: 1D files only. */
  readonly inverse?: boolean;
};

/** Steps of a chain; files are named instead of brought. */
export type StepSpec =
  | Exclude<ChainStep, { kind: 'lut' }>
  | (LutFileSpec & { readonly kind: 'lut'; readonly intensity: number })
  | { readonly kind: 'look'; readonly of: LutSpec; readonly intensity: number };

/** From a recording's signal to a picture's. */
export type LutSpec =
  | { readonly kind: 'recipe'; readonly recipe: LutRecipe }
  | ({ readonly kind: 'kept' } & LutFileSpec)
  | { readonly kind: 'chain'; readonly steps: readonly StepSpec[] }
  /** Baked to so many points a side, signal 0..1, and read between them: what a monitor makes of it. */
  | {
      readonly kind: 'reduced';
      readonly of: LutSpec;
      readonly points: number;
      readonly interpolation: InterpolationId;
    }
  | {
      readonly kind: 'corrected';
      readonly recipe: LutRecipe;
      readonly correction: GradeCorrection;
      readonly order: Order;
    }
  | {
      readonly kind: 'grade';
      readonly grade: Grade;
      /** What its look rows go through, by the id of the LUT. */
      readonly looks?: { readonly [id: string]: LutSpec };
      /** Shows how much a row takes of each colour instead of the picture: white is all of it. */
      readonly matte?: string;
      /** Shows its light in cd/m2 as colours instead of the picture. */
      readonly falseLight?: boolean;
      /** Points along an edge that are enough for a picture on its way; without it as many as it is drawn with. */
      readonly points?: number;
    };
