import type { Triple } from '#core/maths/matrix.ts';
import type { Vec } from './shapes.ts';

/** Reflectance that depends on where on a solid it is asked, in the solid's own frame. */
export type Texture = (x: number, y: number, z: number, out: Vec) => void;

/** What a surface does with light. Reflectances are linear BT.2020, 0..1. */
export type Material = {
  readonly albedo: Triple | Texture;
  /** Light it gives, cd/m2 linear BT.2020; such a surface reflects nothing. */
  readonly emit?: Triple;
  /** A shine over it: reflectance at right angles and how wide it spreads, 0..1. */
  readonly shine?: { readonly f0: number; readonly rough: number };
  /** All of its reflection is a mirror's, spread so wide. */
  readonly metal?: number;
  /** Clear: index of refraction; the albedo is what passes. */
  readonly glass?: number;
};

/** What a thing on the set is, for the truth file. */
type ThingKind = 'card' | 'white' | 'trap' | 'wedge' | 'patch' | 'skin' | 'light' | 'thing';

/** Something with a name. */
export type Thing = {
  readonly name: string;
  readonly kind: ThingKind;
  /** Whose face. */
  readonly subjectId?: string;
};

/** Which thing a point of a solid belongs to; solids of several things (the board) say it by place. */
export type Naming = Thing | ((x: number, y: number, z: number) => Thing | undefined);
