import type { ProfileSolution } from '#core/profile/index.ts';
import { floorAt } from '#core/noise/sensorNoise.ts';
import type { Edit } from '#store/edits.ts';
import { withOwnProfile, type CameraRecord } from '#store/records/camera.ts';
import { planChange, type PlanRecord } from '#store/records/plan.ts';
import type { ProfileRecord } from '#store/records/profile.ts';
import type { WayId } from './ways/index.ts';
import { words } from '#ui/wording/kit.ts';

const SAYS = {
  anchors: 'Solved from printed numbers.',
  formula: 'From a printed formula.',
  table: 'From a table, interpolated.',
  bracket: 'Solved from a filmed bracket.',
  edit: 'A profile trimmed as the camera is set.',
} as const satisfies Record<WayId, string>;

/** A profile of the kit onto this camera and its plan; one of the user's own is what new set-ups start with. */
export const pickProfile = (
  { id, name, origin }: ProfileRecord,
  camera: CameraRecord,
  plan: PlanRecord,
): Edit => {
  const profileIds = [...new Set([...camera.profileIds, id])];
  const after = origin === 'archetype' ? { ...camera, profileIds } : withOwnProfile(camera, id);
  return {
    label: words.profileNamed(name),
    changes: [
      { table: 'cameras', id: camera.id, before: camera, after },
      planChange(plan, { profileId: id }),
    ],
  };
};

/** What a filmed bracket's noise says of the camera; nothing where none was filmed. */
const noiseOf = ({ noise }: ProfileSolution): Partial<CameraRecord> =>
  noise === undefined
    ? {}
    : { noise: { ...noise, from: 'bracket' }, floorStops: Math.round(10 * floorAt(noise)) / 10 };

/** The solved profile into the kit, onto the camera and onto the plan, as one edit. */
export const saveProfile = (
  made: {
    readonly id: string;
    readonly name: string;
    readonly way: WayId;
    readonly solution: ProfileSolution;
  },
  camera: CameraRecord,
  plan: PlanRecord,
): Edit => {
  const { name } = made;
  const record: ProfileRecord = {
    id: made.id,
    name,
    origin: made.way,
    says: SAYS[made.way],
    data: made.solution.profile,
  };
  return {
    label: words.profileNamed(name),
    changes: [
      { table: 'profiles', id: record.id, after: record },
      {
        table: 'cameras',
        id: camera.id,
        before: camera,
        after: {
          ...withOwnProfile(camera, record.id),
          ...noiseOf(made.solution),
        },
      },
      planChange(plan, { profileId: record.id }),
    ],
  };
};
