import { scaled, whiteOf } from '../render/light.ts';
import { addBoard, addBox, addPole, blotchy, matt, planks } from './kit.ts';
import { ellipsoid, Solid } from '../render/shapes.ts';
import { Model } from '../render/model.ts';
import { addPerson } from '../render/person.ts';
import { SKINS } from './people.ts';
import { addSky, towards } from './sky.ts';

/** Where the walk goes: out of the shed's shade into the sun, 0..1. */
const walkAt = (t: number): readonly [number, number, number] => [-2.35 + 2.75 * t, 1.62, -1.55 + 1.35 * t];
/** Steps of the walk, radians. */
const STEPS = 4 * Math.PI;

/**
 * The packing yard at noon. Layers: the sun, the sky. `walk` puts Ola on the way or leaves the yard empty;
 * without it he stands by the crates.
 */
export const yard = (walk?: number | 'empty'): Model => {
  const model = new Model();
  model.camera = { at: [0.5, 1.5, 4.6], to: [0.1, 1.22, 0], fov: 34 };
  addSky(
    model,
    { zenith: 2600, horizon: 6500, zenithKelvin: 12_000, horizonKelvin: 7200, clouds: 0.42, halo: 1.2 },
    { direction: towards(38, 49), light: scaled(whiteOf(5500), 25_500) },
    true,
  );
  addBox(model, [30, 0.05, 30], { at: [0, -0.05, 0] }, { albedo: blotchy(0.26, 0.245, 0.22, 1.3, 0.35) });
  // The shed, left: a roof on posts, boards behind, dark inside.
  const boards = { albedo: planks(0.2, 0.13, 0.085, 0.17) };
  addBox(
    model,
    [1.5, 0.06, 1.5],
    { at: [-2.9, 2.5, -2.1], roll: 0.1 },
    { albedo: planks(0.12, 0.11, 0.1, 0.3) },
  );
  addBox(model, [1.5, 1.3, 0.05], { at: [-2.9, 1.3, -3.5] }, boards);
  addBox(model, [0.05, 1.3, 1.45], { at: [-4.3, 1.3, -2.1] }, { albedo: [0.12, 0.09, 0.07] });
  for (const [x, z] of [
    [-1.5, -0.7],
    [-4.2, -0.7],
    [-1.5, -3.4],
  ] as const)
    addBox(model, [0.06, 1.25, 0.06], { at: [x, 1.25, z] }, matt(0.16, 0.11, 0.07));
  addBox(model, [0.3, 0.3, 0.3], { at: [-3.1, 0.3, -2.6], yaw: 0.3 }, boards, {
    name: 'crate in the shade',
    kind: 'thing',
  });
  addBox(model, [0.26, 0.26, 0.26], { at: [-3.75, 0.26, -2.2], yaw: -0.2 }, boards);
  addPole(model, 0.24, 0.42, { at: [-2.35, 0.42, -3.0] }, { albedo: [0.1, 0.16, 0.2] });
  // White crates in the sun.
  const white = { albedo: planks(0.86, 0.85, 0.82, 0.13) };
  const crates: readonly (readonly [number, number, number, number, number])[] = [
    [1.75, 0.42, -1.1, 0.42, 0.2],
    [2.7, 0.42, -1.35, 0.42, -0.1],
    [2.15, 1.2, -1.25, 0.36, 0.45],
    [1.2, 0.3, -0.25, 0.3, -0.35],
    [3.2, 0.36, 0.1, 0.36, 0.15],
  ];
  for (const [x, y, z, h, yaw] of crates) {
    addBox(model, [h, h, h], { at: [x, y, z], yaw }, white, { name: 'white crates', kind: 'thing' });
    for (const s of [-1, 1])
      addBox(
        model,
        [h + 0.012, 0.045, h + 0.012],
        { at: [x, y + s * (h - 0.06), z], yaw },
        { albedo: planks(0.8, 0.78, 0.74, 0.4) },
        { name: 'white crates', kind: 'thing' },
      );
  }
  // A steel drum that catches the sun, a fence, hills and water beyond.
  addPole(
    model,
    0.29,
    0.44,
    { at: [0.35, 0.44, -2.3] },
    { albedo: [0.5, 0.52, 0.54], metal: 0.42 },
    { name: 'sun on the metal', kind: 'thing' },
  );
  for (let i = -6; i <= 8; i += 1)
    addBox(model, [0.035, 0.5, 0.02], { at: [i * 0.75, 0.5, -6] }, matt(0.3, 0.28, 0.25));
  for (const y of [0.35, 0.8]) addBox(model, [6, 0.03, 0.015], { at: [0.8, y, -6] }, matt(0.3, 0.28, 0.25));
  addBox(
    model,
    [60, 0.02, 20],
    { at: [0, 0.0, -38] },
    { albedo: [0.03, 0.05, 0.06], shine: { f0: 0.04, rough: 0.35 } },
  );
  for (const [x, r, h] of [
    [-24, 21, 7.5],
    [7, 26, 5],
    [38, 24, 9],
  ] as const)
    model.add(new Solid(ellipsoid(r, h, 9), { at: [x, -0.6, -62] }), {
      albedo: blotchy(0.09, 0.13, 0.1, 3, 0.5),
    });
  model.medium = haze;
  addBoard(model, 0.3, { at: [-0.62, 1.02, 0.9], yaw: 0.1 });
  if (walk === 'empty') return model;
  const moving = walk !== undefined;
  const [x, y, z] = moving ? walkAt(walk) : [0.42, 1.62, 0.55];
  addPerson(model, {
    id: 'ola',
    name: 'Ola',
    at: [x, y, z],
    yaw: moving ? 0.95 : 0.12,
    skin: SKINS.ola,
    hair: [0.02, 0.018, 0.016],
    coat: [0.42, 0.2, 0.05],
    style: 'short',
    standing: true,
    stride: moving ? walk * STEPS : 0,
  });
  return model;
};

/** Where the walker is in the picture, with room for the shadow; of one size all the way. */
export const walkWindow = (at: number, { width, height }: { width: number; height: number }) => {
  const box = { width: Math.round(0.29 * width), height: Math.round(0.7 * height) };
  const middle = (0.13 + 0.33 * at) * width;
  const x = Math.round(Math.min(width - box.width, Math.max(0, middle - 0.62 * box.width)));
  return { x, y: Math.round(0.24 * height), ...box };
};

/** Thin sea air: distance takes contrast; the sky has it already. */
const AIR = [1900, 2300, 3000] as const;
const haze: NonNullable<Model['medium']> = (distance, keep, add) => {
  const k = distance > 9e4 ? 0 : 0.6 * (1 - Math.exp(-Math.max(0, distance - 8) / 220));
  for (let c = 0; c < 3; c += 1) {
    keep[c] = 1 - k;
    add[c] = AIR[c] * k;
  }
};
