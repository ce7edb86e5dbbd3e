import type { ComponentType } from 'react';
import type { GamutSpec } from '#core/colour/gamut.ts';
import type { ProfileData, ProfileSolution } from '#core/profile/index.ts';
import type { Failure, Result } from '#core/result.ts';
import type { Coding } from '#core/signal/scale.ts';

export type WayProps<F> = {
  readonly fields: F;
  readonly onChange: (fields: F) => void;
  readonly coding: Coding;
  /** What is wrong, so that the field can be marked. */
  readonly failure?: Failure;
};

/** One way into a profile: how its fields start, what they solve to, and how they are typed. */
export type Way<F> = {
  readonly id: 'anchors' | 'formula' | 'table' | 'bracket' | 'edit';
  readonly name: string;
  readonly says: string;
  /** Filled in from the profile in use: never an empty questionnaire. */
  readonly start: (profile: ProfileData, coding: Coding) => F;
  readonly solve: (fields: F, coding: Coding, gamut: GamutSpec) => Result<ProfileSolution>;
  readonly Fields: ComponentType<WayProps<F>>;
};
