import { from709, scaled, whiteOf } from '../render/light.ts';
import { addBall, addBoard, addBox, addPole, blotchy, glowing, matt, planks } from './kit.ts';
import { Model, NOT_AIMED } from '../render/model.ts';
import { addPerson } from '../render/person.ts';
import { noise } from '../render/sdf.ts';
import { Solid, box } from '../render/shapes.ts';
import { SKINS } from './people.ts';

/** The lantern quay at night: lamps in frame, wet stones, boats, a last light in the sky. */
export const quay = (): Model => {
  const model = new Model();
  model.camera = { at: [0.3, 1.5, 3.9], to: [0.1, 1.25, 0], fov: 36 };
  const dusk = scaled(whiteOf(8000), 0.045);
  const low = scaled(whiteOf(5000), 0.1);
  model.sky = (_dx, dy, _dz, out) => {
    const t = Math.min(1, Math.max(0, dy) * 2.2);
    for (let c = 0; c < 3; c += 1) out[c] = low[c] + (dusk[c] - low[c]) * t;
  };
  const stone = from709(0.19, 0.18, 0.17);
  model.add(
    new Solid(box(6, 0.4, 4), { at: [-1.5, -0.4, 1.2] }),
    {
      albedo: (x, _y, z, out) => {
        const [i, k] = [Math.floor(x / 0.42 + 0.5 * (Math.floor(z / 0.28) % 2)), Math.floor(z / 0.28)];
        const [u, v] = [x / 0.42 + 0.5 * (k % 2) - i, z / 0.28 - k];
        const joint = u < 0.05 || v < 0.07;
        const own = (0.7 + 0.6 * noise(i * 3.3, k * 5.1)) * (0.9 + 0.2 * noise(x * 20, z * 20));
        for (let c = 0; c < 3; c += 1) out[c] = stone[c] * (joint ? 0.25 : own);
      },
      shine: { f0: 0.03, rough: 0.38 },
    },
    { name: 'quay stones', kind: 'thing' },
  );
  // Water to the right and behind, a far shore with lights.
  addBox(
    model,
    [80, 0.05, 60],
    { at: [0, -0.75, -42] },
    { albedo: [0.01, 0.013, 0.016], shine: { f0: 0.05, rough: 0.24 } },
  );
  addBox(model, [60, 4, 2], { at: [0, 1.4, -60] }, matt(0.03, 0.035, 0.04));
  for (let i = 0; i < 14; i += 1)
    addBall(
      model,
      0.16,
      { at: [-24 + i * 3.7 + Math.sin(i * 7) * 1.4, 1.2 + 1.6 * noise(i * 3, 2), -57] },
      { albedo: NOT_AIMED, emit: scaled(whiteOf(i % 4 === 0 ? 4200 : 2500), 160) },
    );
  // Lanterns on posts along the edge.
  const posts: readonly (readonly [number, number])[] = [
    [1.35, 0.35],
    [1.75, -2.0],
    [-2.3, -1.9],
  ];
  for (const [x, z] of posts) {
    addPole(model, 0.035, 1.05, { at: [x, 1.05, z] }, matt(0.05, 0.05, 0.055));
    addBall(model, 0.115, { at: [x, 2.22, z] }, glowing(2400, 400, 0.001), {
      name: 'lanterns',
      kind: 'light',
    });
    addPole(model, 0.14, 0.02, { at: [x, 2.37, z] }, matt(0.04, 0.04, 0.04));
    addPole(model, 0.06, 0.02, { at: [x, 2.1, z] }, matt(0.04, 0.04, 0.04));
  }
  // A lantern held low between Ana and the board, and one by the boats.
  addBall(model, 0.1, { at: [-0.62, 2.03, 1.95] }, glowing(2400, 400, 0.001), {
    name: 'lanterns',
    kind: 'light',
  });
  addPole(model, 0.006, 0.5, { at: [-0.62, 2.63, 1.95] }, matt(0.03, 0.03, 0.03));
  addPerson(model, {
    id: 'ana',
    name: 'Ana',
    at: [-0.02, 1.56, 1.1],
    yaw: -0.35,
    skin: SKINS.ana,
    hair: [0.1, 0.055, 0.03],
    coat: [0.3, 0.05, 0.04],
    style: 'long',
    standing: true,
  });
  addBoard(model, 0.2, { at: [-0.78, 1.3, 1.2], yaw: 0.3 });
  // Two boats and bollards.
  for (const [x, z, yaw] of [
    [2.9, -2.4, 0.35],
    [-0.7, -5.2, -0.5],
  ] as const) {
    addBox(
      model,
      [0.75, 0.3, 1.9],
      { at: [x, -0.45, z], yaw },
      { albedo: planks(0.16, 0.2, 0.22, 0.2), shine: { f0: 0.03, rough: 0.4 } },
    );
    addBox(model, [0.5, 0.34, 0.55], { at: [x, 0.15, z - 0.5], yaw }, matt(0.4, 0.38, 0.33));
    addPole(model, 0.03, 1.2, { at: [x, 1.2, z + 0.5] }, matt(0.15, 0.12, 0.08));
  }
  for (const z of [2.2, -0.7, -2.6]) {
    addPole(model, 0.11, 0.22, { at: [2.35, 0.22, z] }, matt(0.06, 0.06, 0.065));
    addPole(model, 0.15, 0.03, { at: [2.35, 0.45, z] }, matt(0.06, 0.06, 0.065));
  }
  addBox(
    model,
    [0.45, 0.32, 0.35],
    { at: [-1.9, 0.32, -0.3], yaw: 0.4 },
    { albedo: blotchy(0.2, 0.14, 0.09, 0.2) },
  );
  addBox(
    model,
    [1.4, 1.6, 0.1],
    { at: [-3.4, 1.6, -3.0], yaw: 0.15 },
    { albedo: planks(0.12, 0.1, 0.085, 0.2) },
  );
  return model;
};
