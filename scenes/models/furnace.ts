import {
  bricks,
  addBall,
  addBoard,
  addBox,
  addPole,
  addQuad,
  blotchy,
  glowing,
  matt,
  planks,
} from './kit.ts';
import { Model, NOT_AIMED } from '../render/model.ts';
import { scaled, whiteOf } from '../render/light.ts';
import { addPerson } from '../render/person.ts';
import { SKINS } from './people.ts';

/** A bench with tools, embers of the shop: marver, racks, a bucket, vases on a shelf, a crate in the dark. */
const addShop = (model: Model) => {
  addBox(model, [0.7, 0.03, 0.3], { at: [0.15, 0.82, -1.7] }, { albedo: [0.3, 0.3, 0.31], metal: 0.4 });
  for (const x of [-0.45, 0.75])
    addBox(model, [0.03, 0.4, 0.24], { at: [x, 0.4, -1.7] }, matt(0.05, 0.05, 0.05));
  addPole(model, 0.17, 0.2, { at: [0.55, 0.2, -0.6] }, { albedo: [0.25, 0.25, 0.26], metal: 0.5 });
  addBox(model, [0.85, 0.02, 0.14], { at: [-1.5, 1.95, -2.95] }, { albedo: planks(0.2, 0.14, 0.09) });
  const glassColours = [
    [0.3, 0.75, 0.8],
    [0.85, 0.5, 0.25],
    [0.4, 0.6, 0.35],
    [0.75, 0.75, 0.8],
    [0.3, 0.4, 0.75],
  ] as const;
  glassColours.forEach(([r, g, b], i) => {
    const x = -2.15 + i * 0.32;
    addPole(
      model,
      0.06 + 0.015 * (i % 3),
      0.11 + 0.02 * (i % 2),
      { at: [x, 2.09 + 0.02 * (i % 2), -2.95] },
      { albedo: [r * 0.5, g * 0.5, b * 0.5], shine: { f0: 0.06, rough: 0.12 } },
    );
  });
  for (let i = 0; i < 7; i += 1)
    addPole(
      model,
      0.012,
      0.75,
      { at: [-0.55 + 0.1 * i, 1.35, -3.02], roll: 0.04 * (i - 3) },
      { albedo: [0.35, 0.34, 0.33], metal: 0.5 },
    );
  addBox(
    model,
    [0.4, 0.35, 0.3],
    { at: [-2.7, 0.35, -1.2] },
    { albedo: planks(0.25, 0.18, 0.11), shine: { f0: 0.02, rough: 0.6 } },
    { name: 'crate in the dark', kind: 'thing' },
  );
};

/** The furnace mouth: a dark shop, a glowing gather before the furnace, a door to cold daylight, Ana and the board. */
export const furnace = (): Model => {
  const model = new Model();
  model.camera = { at: [0, 1.55, 3.6], to: [0.12, 1.28, 0], fov: 36 };
  addBox(
    model,
    [6, 0.05, 6],
    { at: [0, -0.05, 0] },
    { albedo: blotchy(0.16, 0.15, 0.14, 0.7), shine: { f0: 0.03, rough: 0.55 } },
  );
  const wall = { albedo: bricks(0.22, 0.12, 0.085) };
  addBox(model, [4.2, 2.2, 0.1], { at: [1.35, 2.2, -3.2] }, wall);
  addBox(model, [0.1, 2.2, 4], { at: [-3.6, 2.2, 0.4] }, { albedo: blotchy(0.2, 0.19, 0.18, 0.9) });
  addBox(model, [0.1, 2.2, 4], { at: [4.6, 2.2, 0.4] }, { albedo: blotchy(0.16, 0.14, 0.12, 0.9) });
  addBox(model, [4.2, 0.08, 4], { at: [0.5, 4.3, 0] }, { albedo: planks(0.12, 0.09, 0.06, 0.3) });
  for (const x of [-2.2, 0, 2.2])
    addBox(model, [0.09, 0.16, 4], { at: [x, 4.1, 0] }, matt(0.07, 0.05, 0.035));
  // The door, left at the back: cold daylight behind it, the leaf ajar.
  addQuad(model, [0.36, 1.08], { at: [-3.2, 1.1, -3.09], yaw: 0.0 }, glowing(6300, 150, 0.003), {
    name: 'door to daylight',
    kind: 'light',
  });
  addBox(model, [0.05, 1.15, 0.06], { at: [-2.79, 1.15, -3.08] }, matt(0.06, 0.05, 0.04));
  addBox(model, [0.4, 0.05, 0.06], { at: [-3.2, 2.24, -3.08] }, matt(0.06, 0.05, 0.04));
  addBox(
    model,
    [0.03, 1.08, 0.34],
    { at: [-2.62, 1.1, -2.74], yaw: -0.35 },
    { albedo: planks(0.14, 0.1, 0.07) },
  );
  // The furnace: a block of fire brick with a bright mouth.
  const fire = { albedo: bricks(0.34, 0.2, 0.13) };
  addBox(model, [1, 0.42, 0.7], { at: [1.75, 0.42, -2.4] }, fire);
  addBox(model, [1, 0.55, 0.7], { at: [1.75, 2.25, -2.4] }, fire);
  addBox(model, [0.36, 0.45, 0.7], { at: [1.11, 1.27, -2.4] }, fire);
  addBox(model, [0.36, 0.45, 0.7], { at: [2.39, 1.27, -2.4] }, fire);
  addBox(model, [0.3, 0.45, 0.3], { at: [1.75, 1.27, -2.8] }, { albedo: bricks(0.5, 0.3, 0.2) });
  addQuad(model, [0.28, 0.43], { at: [1.75, 1.27, -2.45] }, glowing(1750, 420), {
    name: 'furnace mouth',
    kind: 'light',
  });
  addPole(
    model,
    0.22,
    1.0,
    { at: [1.75, 3.6, -2.5] },
    { albedo: blotchy(0.1, 0.095, 0.09, 0.3), metal: 0.6 },
  );
  // The gather on its pipe, and who turns it.
  addBall(model, 0.105, { at: [1.02, 1.14, -0.75] }, glowing(1600, 1180), { name: 'gather', kind: 'light' });
  addPole(
    model,
    0.013,
    0.62,
    { at: [1.6, 1.2, -0.82], roll: Math.PI / 2 - 0.1, yaw: 0.12 },
    { albedo: [0.4, 0.4, 0.4], metal: 0.45 },
  );
  addPerson(model, {
    id: 'maker',
    extra: true,
    name: 'glassmaker',
    at: [2.3, 1.62, -0.95],
    yaw: -1.35,
    skin: [0.42, 0.28, 0.21],
    hair: [0.05, 0.04, 0.035],
    coat: [0.09, 0.1, 0.12],
    style: 'cap',
    standing: true,
    reaching: true,
  });
  // Ana beside the board, lit by a panel lamp from the left; the lamp is behind the camera's edge.
  addPerson(model, {
    id: 'ana',
    name: 'Ana',
    at: [-0.3, 1.52, 1.85],
    yaw: -0.2,
    pitch: 0.04,
    skin: SKINS.ana,
    hair: [0.1, 0.055, 0.03],
    coat: [0.05, 0.09, 0.16],
    style: 'long',
  });
  addBoard(model, 0.17, { at: [-0.74, 1.2, 1.9], yaw: 0.2 });
  addQuad(
    model,
    [0.32, 0.32],
    { at: [-2.3, 2.25, 3.1], yaw: 2.55, pitch: 0.3 },
    { albedo: [0.5, 0.5, 0.5], emit: scaled(whiteOf(5600, 0.001), 7000) },
  );
  // Warm light from a second furnace, out of frame on the right.
  addQuad(model, [0.4, 0.4], { at: [2.9, 1.5, 2.3], yaw: -1.9 }, glowing(1900, 130));
  addShop(model);
  // Shop tubes far up, faint.
  addBox(
    model,
    [0.6, 0.02, 0.03],
    { at: [0.6, 3.9, -1.2] },
    { albedo: NOT_AIMED, emit: scaled(whiteOf(4100, 0.009), 60) },
  );
  addQuad(model, [0.6, 0.03], { at: [0.6, 3.87, -1.2], pitch: Math.PI / 2 }, glowing(4100, 60, 0.009));
  return model;
};
