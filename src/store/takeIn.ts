import type { Edit } from './edits.ts';
import type { BookRecords } from './book.ts';
import type { CameraRecord } from './records/camera.ts';
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

/** A name nobody in the kit has: `own log`, `own log 2`, … */
export const freeName = (kit: BookRecords['profiles'], wanted: string): string => {
  const names = new Set([...kit.values()].map(({ name }) => name));
  for (let n = 1; ; n += 1) {
    const ending = n === 1 ? '' : ` ${n}`;
    const name = `${wanted.slice(0, 80 - ending.length)}${ending}`;
    if (!names.has(name)) return name;
  }
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
        after: { ...camera, profileIds: [...camera.profileIds, id] },
      },
    ],
  };
};

/** The held profile's place taken by the one from the file; takes that were logged keep the curve they had. */
export const replaceProfile = (held: ProfileRecord, profile: ProfileRecord): Edit => ({
  label: `Profile ${held.name} replaced`,
  changes: [{ table: 'profiles', id: held.id, before: held, after: { ...profile, id: held.id } }],
});

/**
 * A profile taken off the kit, off every camera and every plan; they fall back to the camera's first other one.
 * A camera left without any keeps the standard picture.
 */
export const removeProfile = (book: BookRecords, profile: ProfileRecord): Edit => {
  const cameras = [...book.cameras.values()]
    .filter(({ profileIds }) => profileIds.includes(profile.id))
    .map((before) => {
      const profileIds = before.profileIds.filter((id) => id !== profile.id);
      return { before, after: { ...before, profileIds: profileIds.length > 0 ? profileIds : ['standard'] } };
    });
  const first = (cameraId: string) =>
    cameras.find(({ after }) => after.id === cameraId)?.after.profileIds[0] ??
    book.cameras.get(cameraId)?.profileIds[0] ??
    'standard';
  const plans = [...book.plans.values()].filter(({ profileId }) => profileId === profile.id);
  return {
    label: `Profile ${profile.name} off the kit`,
    changes: [
      { table: 'profiles', id: profile.id, before: profile },
      ...cameras.map(({ before, after }) => ({ table: 'cameras' as const, id: before.id, before, after })),
      ...plans.map((before) => ({
        table: 'plans' as const,
        id: before.id,
        before,
        after: { ...before, profileId: first(before.cameraId) },
      })),
    ],
  };
};
