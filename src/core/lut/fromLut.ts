import type { Coding } from '../signal/scale.ts';
import { compileLut, type Lut } from './lut.ts';
import { cubeScale, type CompiledMonitoring, type CubeScale } from './monitoring.ts';

/**
 * A LUT of a file as the monitoring transform: signals go in on its scale, what comes out is a display signal for BT.1886, held
 * to 0..1. Tetrahedral between points.
 */
export const monitoringOfLut = (lut: Lut, scale: CubeScale, coding: Coding): CompiledMonitoring => {
  const { toSignal, fromSignal } = cubeScale(scale, coding);
  const through = compileLut(lut);
  const held = (v: number) => Math.min(1, Math.max(0, toSignal(v)));
  const rgb: CompiledMonitoring['rgb'] = ([r, g, b]) => {
    const [x, y, z] = through([fromSignal(r), fromSignal(g), fromSignal(b)]);
    return [held(x), held(y), held(z)];
  };
  return { rgb, neutral: (signal) => rgb([signal, signal, signal])[1] };
};
