import type { Matrix3, Triple } from '../maths/matrix.ts';

/**
 * Colour turned up or down about luminance, and round it, luminance kept: what the knobs saturation and hue do to a
 * pair of colour differences.
 * @param amount 1 as it is, 0 none
 * @param degrees Towards red from blue +
 * @param weights Of luminance in these primaries; they add up to 1
 */
export const colourTurn = (amount: number, degrees: number, [kr, kg, kb]: Triple): Matrix3 => {
  const s = Math.max(0, amount);
  const angle = (degrees * Math.PI) / 180;
  const [cos, sin] = [s * Math.cos(angle), s * Math.sin(angle)];
  // R - Y and B - Y, scaled as Cr and Cb are.
  const [toCr, toCb] = [2 * (1 - kr), 2 * (1 - kb)];
  const row = (own: number) => (channel: number) => (own === channel ? 1 : 0) - [kr, kg, kb][channel];
  const [cr, cb] = [row(0), row(2)].map((of) => [0, 1, 2].map(of));
  const turned = [0, 1, 2].map((c) => ({
    red: cos * cr[c] + ((sin * toCr) / toCb) * cb[c],
    blue: cos * cb[c] - ((sin * toCb) / toCr) * cr[c],
  }));
  const luma = [kr, kg, kb];
  const red = turned.map((v, c) => luma[c] + v.red);
  const blue = turned.map((v, c) => luma[c] + v.blue);
  const green = luma.map((k, c) => (k - kr * red[c] - kb * blue[c]) / kg);
  return [...red, ...green, ...blue] as unknown as Matrix3;
};
