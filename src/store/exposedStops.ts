import { stopsBefore } from '#core/exposure/glassLoss.ts';
import { isoStanding } from '#core/exposure/iso.ts';
import { recordedStops } from '#core/exposure/solver.ts';
import type { Planned } from './selection.ts';

/**
 * How far a plan exposes a camera: where it records a grey card of 1 cd/m2, stops over grey. Two plans less one another
 * are what was opened or closed between them.
 */
export const exposedStops = ({ camera, plan }: Planned, fps: number): number => {
  const { iris, shutter } = plan;
  // With an exposure index the sensor stays at its base.
  const iso = camera.sensitivity === 'ei' ? isoStanding(plan.iso, camera.baseIsos, 'ei').base : plan.iso;
  return recordedStops(
    1,
    { iris, shutter, iso, nd: { stops: stopsBefore(plan), names: [], setIds: [] } },
    fps,
  );
};
