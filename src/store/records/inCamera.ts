import * as z from 'zod/mini';
import { IN_CAMERA_IDS, type InCameraId, type SchoolId } from '#core/inCamera/settings.ts';
import type { TwoFrames } from '#core/inCamera/twoFrames.ts';
import { atLeast, between, finite, idSchema, listOf, text, whole } from './common.ts';

const both = z.object({ without: atLeast(0), with: atLeast(0) });
const framesSchema = z.object({
  noise: both,
  edge: z.optional(both),
  rise: z.optional(both),
  colour: z.optional(z.object({ hue: between(-180, 180), saturation: atLeast(0) })),
  moved: z.object({ black: finite, grey: finite, clip: finite }),
  /** Figures measured before it was told have none. */
  within: z.optional(
    z.object({
      noise: both,
      edge: z.optional(atLeast(0)),
      rise: z.optional(atLeast(0)),
      hue: z.optional(atLeast(0)),
      saturation: z.optional(atLeast(0)),
      moved: z.object({ black: atLeast(0), grey: atLeast(0), clip: atLeast(0) }),
    }),
  ),
  tones: z.readonly(listOf(z.object({ code: finite, moved: finite }), 0, 3)),
}) satisfies z.ZodMiniType<TwoFrames>;

const noteSchema = z.object({
  profileId: idSchema,
  setting: z.enum(IN_CAMERA_IDS as [InCameraId, ...InCameraId[]]),
  /** How the menu is set, in its own words: `−7`, `off`. */
  at: z.optional(text(0, 40)),
  /** What it does, by two frames. */
  measured: z.optional(
    z.object({
      frames: framesSchema,
      coding: z.object({
        bitDepth: whole(8, 16),
        range: z.enum(['legal', 'full']),
      }),
      /** ISO 8601 date. */
      on: z.iso.date(),
      /** The stage filmed it: a stand-in, not this body. */
      isStaged: z.optional(z.literal(true)),
    }),
  ),
});
export type SettingNote = z.infer<typeof noteSchema>;

const inCameraSchema = z.object({
  notes: listOf(noteSchema, 0, 500),
  /** Who finishes the picture, by profile. */
  schools: z.record(idSchema, z.enum(['post', 'camera'] as [SchoolId, SchoolId])),
});
export type InCamera = z.infer<typeof inCameraSchema>;

/** What is written of a camera's picture menu; nothing where it cannot be read. */
export const inCameraOf = ({ inCamera }: { readonly inCamera?: unknown }): InCamera =>
  inCameraSchema.safeParse(inCamera).data ?? { notes: [], schools: {} };

/** The note of a setting with a profile. */
export const noteOf = (
  { notes }: InCamera,
  profileId: string,
  setting: InCameraId,
): SettingNote | undefined => notes.find((note) => note.profileId === profileId && note.setting === setting);

/** The same with a note changed; one that says nothing is taken off. */
export const withNote = (
  own: InCamera,
  profileId: string,
  setting: InCameraId,
  change: Partial<Pick<SettingNote, 'at' | 'measured'>>,
): InCamera => {
  const before = noteOf(own, profileId, setting);
  const { at, measured } = { ...before, ...change };
  const others = own.notes.filter((note) => note !== before);
  if (!at && !measured) return { ...own, notes: others };
  return {
    ...own,
    notes: [...others, { profileId, setting, ...(at ? { at } : {}), ...(measured ? { measured } : {}) }],
  };
};
