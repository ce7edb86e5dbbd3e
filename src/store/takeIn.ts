import type { Edit } from './edits.ts';
import { freeName } from './freeName.ts';
import type { BookRecords } from './book.ts';
import { withOwnProfile, type CameraRecord } from './records/camera.ts';
import { profileDataSchema, type ProfileRecord } from './records/profile.ts';

/** How a profile from a file stands to the kit. */
export type Conflict =
  | { readonly kind: 'none' }
  /** The same profile is there already, curve and all. */
  | { readonly kind: 'same'; readonly held: ProfileRecord }
  /** Another one goes by this id or name. `replaceable`: not one that ships with the app. */
  | { readonly kind: 'differs'; readonly held: ProfileRecord; readonly replaceable: boolean };

// Parsed, both have their fields in the schema's order.
const spelled = ({ data }: ProfileRecord) => JSON.stringify(profileDataSchema.parse(data));
const sameData = (a: ProfileRecord, b: ProfileRecord) => spelled(a) === spelled(b);

export const conflictOf = (kit: BookRecords['profiles'], profile: ProfileRecord): Conflict => {
  const held = kit.get(profile.id) ?? [...kit.values()].find(({ name }) => name === profile.name);
  if (!held) return { kind: 'none' };
  if (sameData(held, profile)) return { kind: 'same', held };
  return { kind: 'differs', held, replaceable: held.origin !== 'archetype' };
};

/** A profile into the kit beside what is there, and onto a camera. */
export const addProfile = (
  kit: BookRecords['profiles'],
  profile: ProfileRecord,
  camera: CameraRecord,
  id: string,
): Edit => {
  const origin = profile.origin === 'archetype' ? 'table' : profile.origin;
  const after = { ...profile, id, origin, name: freeName(kit, profile.name) };
  return {
    label: `Profile ${after.name}`,
    changes: [
      { table: 'profiles', id, after },
      {
        table: 'cameras',
        id: camera.id,
        before: camera,
        after: withOwnProfile(camera, id),
      },
    ],
  };
};

/** The held profile's place taken by the one from the file; takes that were logged keep the curve they had. */
export const replaceProfile = (held: ProfileRecord, profile: ProfileRecord): Edit => ({
  label: `Profile ${held.name} replaced`,
  changes: [{ table: 'profiles', id: held.id, before: held, after: { ...profile, id: held.id } }],
});
