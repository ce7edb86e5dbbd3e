import { rampBytes, type RampId } from './ramp.ts';

/** Little-endian RGBA of each luma code: the ramp's colour of its stop. */
export const falseColourTable = (stopsOfCode: Float32Array, ramp: RampId): Uint32Array =>
  Uint32Array.from(stopsOfCode, (stops) => {
    const [r, g, b] = rampBytes(ramp, Math.max(-99, stops));
    return ((255 << 24) | (b << 16) | (g << 8) | r) >>> 0;
  });

/** Paints every pixel by its luma code. */
export const drawFalseColour = (pixels: Uint32Array, luma: Uint16Array, table: Uint32Array): void => {
  const n = luma.length;
  for (let i = 0; i < n; i += 1) pixels[i] = table[luma[i]];
};
