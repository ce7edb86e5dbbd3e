import { printStops } from '#core/units.ts';
import type { BookRecords } from '#store/book.ts';
import type { CameraRecord } from '#store/records/camera.ts';
import type { Selection } from '#store/selection.ts';

type Starts = NonNullable<CameraRecord['starts']>;

/** What is planned here, as what new set-ups with the camera start from. */
export const startsAs = ({ plan, setup }: Selection): Starts => ({
  profileId: plan.profileId,
  iso: plan.iso,
  fps: setup.fps,
  warningMargin: plan.warningMargin,
  ...(plan.monitorLuts && Object.keys(plan.monitorLuts).length > 0 ? { monitorLuts: plan.monitorLuts } : {}),
});

/** `own log, ISO 800, 25 fps, warning 1/3 under clip, Plain on the cart monitor`. */
export const startsWords = (
  { profiles, luts, monitors }: BookRecords,
  { starts = {}, profileIds, baseIsos }: CameraRecord,
): string =>
  [
    profiles.get(starts.profileId ?? profileIds[0])?.name ?? 'another profile',
    `ISO ${starts.iso ?? baseIsos[0]}`,
    starts.fps === undefined ? '' : `${starts.fps} fps`,
    starts.warningMargin === undefined
      ? ''
      : `warning ${printStops(starts.warningMargin).replace('+', '')} under clip`,
    ...Object.entries(starts.monitorLuts ?? {}).map(([monitor, lut]) => {
      const [name, on] = [luts.get(lut)?.name, monitors.get(monitor)?.name];
      return name && on ? `${name} on ${on}` : '';
    }),
  ]
    .filter(Boolean)
    .join(', ');
