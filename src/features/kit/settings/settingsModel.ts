import { dateIn, zoneOf } from '#core/day/clock.ts';
import { IN_CAMERA, schoolFor, type InCameraId, type SchoolId } from '#core/inCamera/settings.ts';
import { shownFigures } from '#core/inCamera/shown.ts';
import type { TwoFrames } from '#core/inCamera/twoFrames.ts';
import { kindOf } from '#core/profile/kind.ts';
import type { Edit } from '#store/edits.ts';
import type { CameraRecord } from '#store/records/camera.ts';
import { inCameraOf, type InCamera } from '#store/records/inCamera.ts';
import type { ProfileRecord } from '#store/records/profile.ts';
import type { ShootRecord } from '#store/records/shoot.ts';
import { words } from '#ui/wording/kitSettings.ts';

/** The school of a camera with a profile: as chosen, else as the profile's kind suggests. */
export const schoolOf = (camera: CameraRecord, { id, data }: Pick<ProfileRecord, 'id' | 'data'>): SchoolId =>
  inCameraOf(camera).schools[id] ?? schoolFor(kindOf(data));

/** An edit that writes what is known of a camera's picture menu. */
export const inCameraEdit = (camera: CameraRecord, inCamera: InCamera): Edit => ({
  label: words.saved,
  changes: [{ table: 'cameras', id: camera.id, before: camera, after: { ...camera, inCamera } }],
});

/** The day where the shoot is, ISO 8601. */
export const todayAt = ({ sun }: ShootRecord): string => dateIn(new Date(), sun && zoneOf(sun.clock));

/** What was measured of a setting, in a cell: its own figures that changed. */
export const measuredWords = (id: InCameraId, frames: TwoFrames | undefined): string => {
  if (!frames) return words.notYet;
  const own: readonly string[] = IN_CAMERA[id].shows;
  const changed = shownFigures(frames).filter(({ isChange, id: figure }) => isChange && own.includes(figure));
  return changed.map(({ name, value }) => `${name} ${value}`).join(', ') || words.noChange;
};
