import { isBuiltIn, STANDARD_PROFILE } from '../builtIn.ts';
import { gone, turned, type Owned } from './owned.ts';

/**
 * A profile on cameras and plans. Without it they fall back to the camera's first other one; a camera left without
 * any keeps the standard picture. Takes that were logged keep the curve they had.
 */
export const profiles: Owned<'profiles'> = {
  table: 'profiles',
  nameOf: ({ name }) => name,
  renamed: (profile, name) => ({ ...profile, name }),
  removal: (book, profile) => {
    const left = (ids: readonly string[]): string[] => {
      const others = ids.filter((id) => id !== profile.id);
      return others.length > 0 ? others : [STANDARD_PROFILE];
    };
    return [
      ...gone('profiles', [profile]),
      ...turned(
        'cameras',
        [...book.cameras.values()].filter(
          ({ profileIds, starts }) => profileIds.includes(profile.id) || starts?.profileId === profile.id,
        ),
        (camera) => {
          const { profileId, ...starts } = camera.starts ?? {};
          return {
            ...camera,
            profileIds: left(camera.profileIds),
            ...(profileId === profile.id ? { starts } : {}),
          };
        },
      ),
      ...turned(
        'plans',
        [...book.plans.values()].filter(({ profileId }) => profileId === profile.id),
        (plan) => {
          const camera = book.cameras.get(plan.cameraId);
          return { ...plan, profileId: camera ? left(camera.profileIds)[0] : STANDARD_PROFILE };
        },
      ),
    ];
  },
  without: 'will fall back to another profile',
  staying: (_book, { id }) =>
    isBuiltIn('profiles', id) ? 'It ships with the app; duplicate it to have one of your own.' : undefined,
};
