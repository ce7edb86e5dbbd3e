import type { RoomCamera } from '#core/match/alike.ts';
import type { Planned } from '#store/selection.ts';
import type { ProfileRecord } from '#store/records/profile.ts';

/** A camera as it is planned, as far as it is held against others. */
export const roomCamera = ({
  plan,
  camera,
  profile,
}: Planned & { readonly profile: ProfileRecord }): RoomCamera => ({
  profile,
  placement: plan.placement,
  shutter: plan.shutter,
  iso: plan.iso,
  iris: plan.iris,
  ndStops: plan.ndStops,
  dial: { kelvin: plan.kelvin, tint: plan.tint },
  lean: { mired: camera.lean?.mired ?? 0, tint: camera.lean?.tint ?? 0 },
});
