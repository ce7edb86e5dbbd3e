import type { Triple } from '#core/maths/matrix.ts';
import { scaled, whiteOf } from '../render/light.ts';
import { cloud } from '../render/sdf.ts';
import type { Vec } from '../render/shapes.ts';
import type { Model } from '../render/model.ts';

/** A unit vector from compass-like angles: azimuth from +z towards +x, height over the horizon; degrees. */
export const towards = (azimuth: number, height: number): Vec => {
  const [a, h] = [(azimuth * Math.PI) / 180, (height * Math.PI) / 180];
  return [Math.sin(a) * Math.cos(h), Math.sin(h), Math.cos(a) * Math.cos(h)];
};

export type SkyLook = {
  /** cd/m2 straight up and at the horizon. */
  readonly zenith: number;
  readonly horizon: number;
  readonly zenithKelvin: number;
  readonly horizonKelvin: number;
  /** How much of it is cloud, 0..1. */
  readonly clouds?: number;
  /** Brightness round the sun, as a share of the horizon's. */
  readonly halo?: number;
};

/** Gives the model a clear sky with some cloud, and a sun; each its own layer of light when `layers`. */
export const addSky = (
  model: Model,
  look: SkyLook,
  sun?: { direction: Vec; light: Triple; spread?: number },
  layers = false,
): void => {
  const top = scaled(whiteOf(look.zenithKelvin, -0.002), look.zenith);
  const low = scaled(whiteOf(look.horizonKelvin), look.horizon);
  const white = scaled(whiteOf(6000), look.horizon * 1.15);
  const { clouds = 0, halo = 0 } = look;
  model.sky = (dx, dy, dz, out) => {
    const up = Math.max(0, dy);
    const t = 1 - (1 - up) ** 3.2;
    let cover = 0;
    if (clouds > 0 && dy > 0.015) {
      const n = cloud((dx / (dy + 0.12)) * 1.1 + 9, (dz / (dy + 0.12)) * 1.1 + 4, 2.5, 5);
      cover = Math.min(1, Math.max(0, (n - (1 - clouds)) * 5)) * Math.min(1, dy * 9);
    }
    const near = sun ? Math.max(0, dx * sun.direction[0] + dy * sun.direction[1] + dz * sun.direction[2]) : 0;
    const glow = halo * near ** 24 + 0.35 * halo * near ** 5;
    for (let c = 0; c < 3; c += 1) {
      const clear = low[c] + (top[c] - low[c]) * t + low[c] * glow;
      out[c] = clear + (white[c] - clear) * cover;
    }
    if (dy < 0) {
      const k = 0.35 + 0.65 * Math.exp(dy * 14);
      for (let c = 0; c < 3; c += 1) out[c] *= k;
    }
  };
  if (layers) model.groups = 2;
  model.skyGroup = layers ? 1 : 0;
  if (sun) model.sun = { ...sun, spread: sun.spread ?? 0.006, group: 0 };
};
