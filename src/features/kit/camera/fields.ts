import { balanceFields } from './balanceFields.ts';
import { exposureFields } from './exposureFields.ts';
import type { Field } from './field.ts';
import { noiseFields } from './noiseFields.ts';
import { recordingFields } from './recordingFields.ts';
import { zebraFields } from './zebraFields.ts';
import { words } from '#ui/wording/kitCamera.ts';

/** Folded parts of the editor, in the order a menu is read. A further question is a row of one of them. */
export const GROUPS = {
  recording: { title: words.recording, fields: recordingFields },
  exposure: { title: words.isoIrisShutterMeter, fields: exposureFields },
  zebra: { title: words.zebraAndWaveform, fields: zebraFields },
  balance: { title: words.whiteBalanceAndLean, fields: balanceFields },
  noise: { title: words.noiseAndFloor, fields: noiseFields },
} as const;

export type GroupId = keyof typeof GROUPS;
export const GROUP_IDS = Object.keys(GROUPS) as GroupId[];

type FieldsOf<G> = G extends GroupId ? keyof (typeof GROUPS)[G]['fields'] : never;
export type CameraFieldId = FieldsOf<GroupId>;

export const fieldIdsOf = (group: GroupId): CameraFieldId[] =>
  Object.keys(GROUPS[group].fields) as CameraFieldId[];

const PLACES = GROUP_IDS.flatMap((group) => fieldIdsOf(group).map((id) => [id, group] as const));
const GROUP_OF = Object.fromEntries(PLACES) as Readonly<Record<CameraFieldId, GroupId>>;

export const CAMERA_FIELD_IDS: readonly CameraFieldId[] = PLACES.map(([id]) => id);
/** The part a field stands in; undefined for what is no field. */
export const groupOf = (id: CameraFieldId): GroupId | undefined => GROUP_OF[id];
export const fieldOf = (id: CameraFieldId): Field =>
  (GROUPS[GROUP_OF[id]].fields as Readonly<Record<string, Field>>)[id];
