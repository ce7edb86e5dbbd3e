import type { ComponentType } from 'react';
import type { GamutSpec } from '#core/colour/gamut.ts';
import type { ProfileData, ProfileSolution } from '#core/profile/index.ts';
import type { Result } from '#core/result.ts';
import type { Coding } from '#core/signal/scale.ts';

export type WayProps<F> = {
  /** What stands in the form now. */
  readonly fields: F;
  /** Changes several fields at once, and what is no field: files, marks. */
  readonly change: (part: Partial<F>) => void;
  readonly coding: Coding;
  /** The profile in use, whose numbers stand grey in empty fields; none once something is typed. */
  readonly example?: ProfileData;
};

/** One way into a profile: how its fields start, what they solve to, and how they are typed. */
export type Way<F> = {
  readonly id: 'anchors' | 'formula' | 'table' | 'bracket' | 'edit';
  readonly name: string;
  readonly says: string;
  /** How its fields start: empty where readings are typed, for only what is typed counts. */
  readonly start: (profile: ProfileData, coding: Coding) => F;
  readonly solve: (fields: F, coding: Coding, gamut: GamutSpec) => Result<ProfileSolution>;
  /** What of its fields is not typed: files that were opened, marks on them, the profile that is trimmed. */
  readonly papers: readonly (keyof F)[];
  /** The fields that a failure is about, by its `where`; none where it is about all of them. */
  readonly fieldsAt: (where: string, fields: F) => readonly string[];
  readonly Fields: ComponentType<WayProps<F>>;
};
