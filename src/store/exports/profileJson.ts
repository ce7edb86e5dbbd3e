import * as z from 'zod/mini';
import type { Result } from '#core/result.ts';
import { profileSchema, type ProfileRecord } from '../records/profile.ts';
import { readVersioned } from './versioned.ts';

/** A profile as it travels from one user to another. */
const profileFileSchema = z.object({
  format: z.literal('candelum-profile'),
  version: z.literal(1),
  exportedAt: z.iso.datetime(),
  profile: profileSchema,
});

const MAX_TEXT = 4_000_000;

export const profileJson = (profile: ProfileRecord, now: Date): string =>
  `${JSON.stringify({ format: 'candelum-profile', version: 1, exportedAt: now.toISOString(), profile }, null, 2)}\n`;

/** The profile of a file; at most 4 MB. A failure names the field that is wrong. */
export const parseProfileJson = (text: string): Result<ProfileRecord> => {
  if (text.length > MAX_TEXT)
    return { ok: false, where: 'file', reason: 'The file is over 4 MB: a profile is far smaller.' };
  const read = readVersioned(text, {
    format: 'candelum-profile',
    version: 1,
    schema: profileFileSchema,
    remedy: 'share the profile again',
  });
  return read.ok ? { ok: true, value: read.value.profile } : read;
};
