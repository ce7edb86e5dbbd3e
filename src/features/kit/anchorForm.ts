import {
  ANCHOR_NAMES,
  profileFromAnchors,
  type Anchor,
  type AnchorSolution,
  type ProfileData,
} from '#core/profile/index.ts';
import { failure, type Result } from '#core/result.ts';
import { SCALES, type Coding, type ScaleId } from '#core/signal/scale.ts';
import type { GamutId } from '#core/colour/gamut.ts';
import { compileProfile } from '#core/profile/index.ts';
import { parseStops } from '#core/units.ts';
import type { Edit } from '#store/edits.ts';
import type { CameraRecord } from '#store/records/camera.ts';
import type { PlanRecord } from '#store/records/plan.ts';
import type { ProfileRecord } from '#store/records/profile.ts';

/** What stands in the fields, as typed. */
export type AnchorFields = {
  readonly name: string;
  readonly scale: ScaleId;
  readonly gamut: GamutId;
  readonly black: string;
  readonly grey: string;
  readonly white: string;
  readonly clip: string;
  readonly clipStops: string;
};

export const ANCHOR_IDS = ['black', 'grey', 'white', 'clip'] as const;

const trim = (value: number, scale: ScaleId) =>
  scale === 'codeValue' ? value.toFixed(0) : Number(value.toFixed(1)).toString();

/** The form filled in from a profile: never an empty questionnaire. */
export const fieldsFrom = (name: string, data: ProfileData, scale: ScaleId, coding: Coding): AnchorFields => {
  const { transfer, clipSignal, clipStops } = compileProfile(data);
  const reading = (signal: number) => trim(SCALES[scale].fromSignal(signal, coding), scale);
  return {
    name,
    scale,
    gamut: data.gamut,
    black: reading(transfer.encode(0)),
    grey: reading(transfer.encode(0.18)),
    white: reading(transfer.encode(0.9)),
    clip: reading(clipSignal),
    clipStops: Number(clipStops.toFixed(2)).toString(),
  };
};

/** The same readings on another scale. */
export const rescaled = (fields: AnchorFields, scale: ScaleId, coding: Coding): AnchorFields => {
  const turn = (text: string) => {
    const value = Number(text.replace(',', '.'));
    if (text.trim() === '' || !Number.isFinite(value)) return text;
    return trim(SCALES[scale].fromSignal(SCALES[fields.scale].toSignal(value, coding), coding), scale);
  };
  return {
    ...fields,
    scale,
    black: turn(fields.black),
    grey: turn(fields.grey),
    white: turn(fields.white),
    clip: turn(fields.clip),
  };
};

/** What the fields solve to, or the one sentence that says which is wrong. */
export const solveFields = (fields: AnchorFields, coding: Coding): Result<AnchorSolution> => {
  const anchors: Anchor[] = [];
  for (const id of ANCHOR_IDS) {
    const text = fields[id].trim().replace(',', '.');
    if (text === '' && id === 'clip') continue;
    const reading = text === '' ? Number.NaN : Number(text);
    if (!Number.isFinite(reading)) {
      return failure(
        ANCHOR_NAMES[id],
        `Type a number for ${ANCHOR_NAMES[id]}${text ? `: “${text.slice(0, 20)}” is none` : ''}.`,
      );
    }
    anchors.push({ id, reading });
  }
  if (fields.clipStops.trim() !== '') {
    const clipStops = parseStops(fields.clipStops);
    if (clipStops === undefined)
      return failure(
        'clip stops',
        `Clip stops: type a number such as 6 or 5 2/3, not “${fields.clipStops.slice(0, 20)}”.`,
      );
    const at = anchors.findIndex(({ id }) => id === 'clip');
    if (at >= 0) anchors[at] = { ...anchors[at], stops: clipStops };
  }
  return profileFromAnchors(anchors, fields.scale, coding, fields.gamut);
};

/** The solved profile into the kit, onto the camera and onto the plan, as one edit. */
export const saveProfile = (
  id: string,
  fields: AnchorFields,
  solution: AnchorSolution,
  camera: CameraRecord,
  plan: PlanRecord,
  planStored: boolean,
): Edit => {
  const name = fields.name.trim() || 'my profile';
  const record: ProfileRecord = {
    id,
    name,
    origin: 'anchors',
    says: `Solved from printed numbers in ${SCALES[fields.scale].name}.`,
    data: solution.profile,
  };
  return {
    label: `Profile ${name}`,
    changes: [
      { table: 'profiles', id, after: record },
      {
        table: 'cameras',
        id: camera.id,
        before: camera,
        after: { ...camera, profileIds: [...camera.profileIds, id] },
      },
      {
        table: 'plans',
        id: plan.id,
        before: planStored ? plan : undefined,
        after: { ...plan, profileId: id },
      },
    ],
  };
};
