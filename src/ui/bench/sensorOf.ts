import { sensorFromFloor, type SensorModel } from '#core/noise/sensorNoise.ts';
import type { CameraRecord } from '#store/records/camera.ts';

/** The sensor as measured, or as its usable floor tells. */
export const sensorOf = ({ noise, floorStops }: Pick<CameraRecord, 'noise' | 'floorStops'>): SensorModel =>
  noise ?? sensorFromFloor(Math.min(-0.5, floorStops));
