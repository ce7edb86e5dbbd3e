import { WATER_ABSORPTION } from '#core/water.ts';
import { from709, scaled, whiteOf } from '../render/light.ts';
import { addBoard, addBox, addPole, blotchy, matt, planks } from './kit.ts';
import { Model } from '../render/model.ts';
import { cloud, noise } from '../render/sdf.ts';
import { box, Solid, sphere } from '../render/shapes.ts';
import { towards } from './sky.ts';

/** Depth of the bottom at the board, m. */
const SLIPWAY_DEPTH = 10;
/** Absorption of the channels, 1/m: the wavelengths that stand for them (Pope and Fry 1997). */
const TAKES = [WATER_ABSORPTION[600], WATER_ABSORPTION[550], WATER_ABSORPTION[450]] as const;
/** What the water scatters back when one looks through enough of it, cd/m2. */
const VEIL = [1.3, 2.6, 3.0] as const;
/** Scattering, 1/m, alike for all. Our own: clear northern water. */
const SCATTER = 0.075;

/** Bright lines of light that the waves above draw, about 1 on average. */
const ripples = (x: number, z: number): number => {
  const a = Math.abs(noise(x * 1.7 + 3, z * 1.7, 5) - 0.5) + Math.abs(noise(x * 2.9, z * 2.9 + 7, 9) - 0.5);
  return 0.62 + 1.5 * Math.max(0, 1 - 4.2 * a) ** 1.5;
};

/**
 * The slipway under water: a ramp with rails, glass floats on the bottom. Light from above, taken by ten
 * metres of water.
 */
export const slipway = (): Model => {
  const model = new Model();
  model.camera = { at: [0.1, 0.85, 3.3], to: [0, 0.52, 0], fov: 40 };
  const arrives = (y: number, out: [number, number, number]) => {
    for (let c = 0; c < 3; c += 1) out[c] = Math.exp(-TAKES[c] * (SLIPWAY_DEPTH - y));
  };
  model.sun = {
    direction: towards(-30, 66),
    light: scaled(whiteOf(5600), 120),
    spread: 0.05,
    group: 0,
    at: (x, y, z, out) => {
      arrives(y, out);
      const k = ripples(x, z);
      for (let c = 0; c < 3; c += 1) out[c] *= k;
    },
  };
  const glow = scaled(whiteOf(6500), 34);
  model.sky = (_dx, dy, _dz, out) => {
    const up = Math.max(0, dy);
    arrives(0, out);
    for (let c = 0; c < 3; c += 1) out[c] = out[c] * glow[c] * (0.06 + 0.94 * up ** 1.5) + VEIL[c] * 0.5;
  };
  model.medium = (distance, keep, add) => {
    for (let c = 0; c < 3; c += 1) {
      const pass = Math.exp(-(TAKES[c] + SCATTER) * distance);
      keep[c] = pass;
      add[c] = VEIL[c] * (1 - pass);
    }
  };
  const bed = from709(0.3, 0.27, 0.2);
  const weed = from709(0.08, 0.1, 0.05);
  model.add(new Solid(box(30, 0.05, 30), { at: [0, -0.05, 0] }), {
    albedo: (x, _y, z, out) => {
      const n = cloud(x * 1.3, z * 1.3, 0, 5);
      const green = cloud(x * 0.45 + 20, z * 0.45, 4, 3) > 0.57;
      for (let c = 0; c < 3; c += 1) out[c] = (green ? weed[c] : bed[c]) * (0.6 + 0.8 * n);
    },
  });
  // The ramp rises to the back, with two rails and sleepers.
  addBox(
    model,
    [1.5, 0.1, 7],
    { at: [0.2, 0.62, -6], pitch: 0.16 },
    { albedo: blotchy(0.32, 0.31, 0.27, 0.6, 0.5) },
  );
  for (const x of [-0.55, 0.95])
    addBox(
      model,
      [0.05, 0.07, 7],
      { at: [x, 0.78, -6], pitch: 0.16 },
      { albedo: blotchy(0.2, 0.1, 0.06, 0.12, 0.7) },
    );
  for (let i = 0; i < 9; i += 1)
    addBox(
      model,
      [1.1, 0.04, 0.09],
      { at: [0.2, 0.12 + 0.16 * i, -2 - i], pitch: 0.16 },
      { albedo: planks(0.16, 0.11, 0.07) },
    );
  // Glass floats: green, blue, amber, clear.
  const floats: readonly (readonly [number, number, number, readonly [number, number, number]])[] = [
    [0.85, 0.9, 0.17, [0.3, 0.78, 0.6]],
    [1.22, 0.35, 0.22, [0.25, 0.6, 0.8]],
    [0.62, 0.2, 0.12, [0.85, 0.75, 0.35]],
    [1.65, 0.95, 0.14, [0.8, 0.9, 0.85]],
    [-1.35, -0.5, 0.24, [0.3, 0.75, 0.5]],
    [-1.75, 0.35, 0.15, [0.75, 0.85, 0.8]],
    [0.35, -1.1, 0.2, [0.35, 0.7, 0.8]],
  ];
  for (const [x, z, r, tint] of floats) {
    model.add(new Solid(sphere(r), { at: [x, r, z] }), {
      albedo: [tint[0] * 0.34, tint[1] * 0.34, tint[2] * 0.34],
      shine: { f0: 0.07, rough: 0.12 },
    }, { name: 'glass floats', kind: 'thing' }); // prettier-ignore
    addPole(model, 0.03, 0.02, { at: [x, 2 * r, z] }, matt(0.2, 0.25, 0.2));
  }
  for (let i = 0; i < 26; i += 1) {
    const [x, z] = [3.4 * Math.sin(i * 12.9), -1.2 + 2.8 * Math.cos(i * 7.7)];
    const r = 0.05 + 0.09 * noise(i * 3.1, 1);
    if (Math.hypot(x + 0.55, z - 0.9) < 0.7) continue;
    model.add(new Solid(sphere(r), { at: [x, r * 0.4, z] }), { albedo: blotchy(0.2, 0.19, 0.17, 0.1) });
  }
  // A rope from a float, a dark hull of weed.
  addBox(
    model,
    [0.5, 0.36, 0.4],
    { at: [-2.4, 0.3, -1.6], yaw: 0.5 },
    { albedo: [0.04, 0.045, 0.035] },
    { name: 'dark bottom', kind: 'thing' },
  );
  addBoard(model, 0.34, { at: [-0.5, 0.56, 0.95], yaw: 0.12, pitch: -0.12 });
  return model;
};
