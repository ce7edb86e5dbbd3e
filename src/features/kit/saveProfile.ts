import {
  EVIDENCE_KINDS,
  soundSolution,
  type EvidenceItem,
  type ProfileSolution,
} from '#core/profile/index.ts';
import { curveAsEvidence, profileFromEvidence } from '#core/profile/making.ts';
import { success, type Result } from '#core/result.ts';
import { dateIn, printDate } from '#core/day/clock.ts';
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

/** What a solution rests on, as it is kept; a trimmed profile rests on another. */
const evidenceOf = (way: WayId, solution: ProfileSolution, id: string, now: Date): EvidenceItem[] => {
  if (way === 'edit') return [];
  const rests = solution.evidence ?? curveAsEvidence(solution.profile);
  return [
    {
      ...rests,
      id,
      kind: way,
      source: words.evidenceOfDay(EVIDENCE_KINDS[way].name, printDate(dateIn(now))),
    },
  ];
};

/** A further source onto a profile: all it rests on is solved together. A failure says why nothing came of it. */
export const withEvidence = (profile: ProfileRecord, items: readonly EvidenceItem[]): Result<Edit> => {
  const solved = soundSolution(profileFromEvidence(items, profile.data.gamut, profile.data.clipStops));
  if (!solved.ok) return solved;
  const after = { ...profile, data: solved.value.profile, evidence: items };
  return success({
    label: words.evidenceFor(profile.name),
    changes: [{ table: 'profiles', id: profile.id, before: profile, after }],
  });
};

/** What was solved, beside what the profile at hand rests on already. */
export const addToProfile = (
  profile: ProfileRecord,
  made: { readonly id: string; readonly way: WayId; readonly solution: ProfileSolution; readonly now: Date },
): Result<Edit> =>
  withEvidence(profile, [
    ...(profile.evidence ?? []),
    ...evidenceOf(made.way, made.solution, made.id, made.now),
  ]);

/** The solved profile into the kit, onto the camera and onto the plan, as one edit. */
export const saveProfile = (
  made: {
    readonly id: string;
    readonly name: string;
    readonly way: WayId;
    readonly solution: ProfileSolution;
    readonly now: Date;
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
    evidence: evidenceOf(made.way, made.solution, `${made.id}-1`, made.now),
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
