import { advise, type Advice, type AdviceScene } from '#core/advice/advise.ts';
import type { RuleId } from '#core/advice/rules.ts';
import { splitOf } from '#core/colour/balance.ts';
import { bitsPerPixel } from '#core/day/media.ts';
import type { SetCardNumbers } from '#core/exposure/setCard.ts';
import type { Survey } from '#core/exposure/survey.ts';
import type { BookRecords } from '#store/book.ts';
import type { CameraRecord } from '#store/records/camera.ts';
import { planId } from '#store/records/plan.ts';
import type { ProfileRecord } from '#store/records/profile.ts';
import type { Selection } from '#store/selection.ts';
import { sensorOf } from '#ui/bench/sensorOf.ts';

/** Recording size taken for bits a pixel, until a camera says its own. */
export const PIXELS = { width: 3840, height: 2160 };

/** What the camera records at a frame rate: the first line that reaches it. */
export const recordingAt = ({ recordings }: CameraRecord, fps: number) =>
  [...recordings].sort((a, b) => a.upToFps - b.upToFps).find(({ upToFps }) => fps <= upToFps);

/** Profiles that the other cameras of a set-up shoot. */
const sistersOf = ({ setup, camera }: Selection, records: BookRecords): string[] =>
  setup.cameraIds
    .filter((id) => id !== camera.id)
    .flatMap((id) => records.plans.get(planId(setup.id, id))?.profileId ?? []);

export const adviceOf = (
  selection: Selection,
  numbers: SetCardNumbers,
  records: BookRecords,
  survey: Survey | undefined,
  muted: readonly RuleId[],
): Advice<ProfileRecord>[] => {
  const { camera, setup } = selection;
  const recording = recordingAt(camera, setup.fps);
  const { graded, minutesPerClip, live, changing, hdr } = setup.brief;
  const scene: AdviceScene = {
    coding: camera.coding,
    sensor: sensorOf(camera),
    clipLoss: numbers.iso.clipLoss,
    keep: survey && setup.spots.length > 0 ? survey.keep : undefined,
    overBase: camera.sensitivity === 'ei' ? 0 : numbers.iso.overBase,
    bitsPerPixel: recording && bitsPerPixel(recording.mbps, setup.fps, PIXELS.width, PIXELS.height),
    sisters: sistersOf(selection, records),
    graded,
    minutesPerClip,
    live,
    changing,
    splitMired: splitOf(setup.lightIds.flatMap((id) => records.lights.get(id) ?? [])),
    chroma: camera.chroma,
    hdr,
  };
  return advise(
    camera.profileIds.flatMap((id) => records.profiles.get(id) ?? []),
    scene,
    muted,
  );
};
