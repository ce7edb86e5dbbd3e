import type { Coding } from '../signal/scale.ts';
import type { Triple } from '../colour/matrix.ts';
import { onSignal, type CubeScale } from './cubeScale.ts';
import type { CompiledMonitoring } from './monitoring.ts';

/**
 * A LUT of a file as the monitoring transform: signals go in on its scale, what comes out is a display signal, held to 0..1.
 */
export const monitoringOfLut = (
  through: (rgb: Triple) => Triple,
  scale: CubeScale,
  coding: Coding,
): CompiledMonitoring => {
  const made = onSignal(through, scale, coding);
  const held = (v: number) => Math.min(1, Math.max(0, v));
  const rgb: CompiledMonitoring['rgb'] = (signal) => {
    const [x, y, z] = made(signal);
    return [held(x), held(y), held(z)];
  };
  return { rgb, neutral: (signal) => rgb([signal, signal, signal])[1] };
};
