import { addBoard, addBox, addPole, addQuad, blotchy, glowing, matt, planks } from './kit.ts';
import { Model } from '../render/model.ts';
import { addPerson } from '../render/person.ts';
import { SKINS } from './people.ts';

/** The bench interview: a window as key, two people at a work bench, the board between them. */
export const bench = (): Model => {
  const model = new Model();
  model.camera = { at: [0.05, 1.32, 2.75], to: [0.02, 1.19, 0], fov: 29 };
  addBox(model, [4, 0.05, 4], { at: [0, -0.05, 0] }, { albedo: planks(0.22, 0.15, 0.09, 0.2) });
  addBox(model, [4, 1.8, 0.1], { at: [0, 1.8, -1.9] }, { albedo: blotchy(0.5, 0.47, 0.42, 0.8, 0.2) });
  addBox(model, [0.1, 1.8, 4], { at: [2.9, 1.8, 0] }, { albedo: blotchy(0.42, 0.4, 0.36, 0.8, 0.2) });
  addBox(model, [4, 0.1, 4], { at: [0, 3.3, 0] }, { albedo: blotchy(0.5, 0.48, 0.45, 1, 0.15) });
  // The window, left: panes of a north sky, seen at the edge of the picture.
  for (const [y, z] of [
    [1.25, -0.75],
    [1.25, 0.05],
    [1.25, 0.85],
    [2.1, -0.75],
    [2.1, 0.05],
    [2.1, 0.85],
  ] as const)
    addQuad(model, [0.36, 0.38], { at: [-1.75, y, z], yaw: Math.PI / 2 }, glowing(6300, 900, 0.003), {
      name: 'window pane',
      kind: 'light',
    });
  addBox(model, [0.06, 0.9, 1.3], { at: [-1.82, 1.7, 0.05] }, matt(0.42, 0.4, 0.37));
  addBox(
    model,
    [0.1, 0.42, 1.6],
    { at: [-1.84, 0.42, 0.05] },
    { albedo: blotchy(0.45, 0.42, 0.38, 0.5, 0.2) },
  );
  addBox(model, [0.1, 0.5, 1.6], { at: [-1.84, 3.0, 0.05] }, { albedo: blotchy(0.45, 0.42, 0.38, 0.5, 0.2) });
  addBox(
    model,
    [0.1, 1.7, 0.55],
    { at: [-1.84, 1.7, -1.55] },
    { albedo: blotchy(0.45, 0.42, 0.38, 0.5, 0.2) },
  );
  const person = { pitch: 0.03, hair: [0.1, 0.055, 0.03] as const };
  addPerson(model, {
    ...person,
    id: 'ana',
    name: 'Ana',
    at: [-0.56, 1.36, -0.1],
    yaw: 0.28,
    skin: SKINS.ana,
    coat: [0.32, 0.1, 0.06],
    style: 'long',
    table: 0.81 - 1.36,
    build: 0.92,
  });
  addPerson(model, {
    ...person,
    id: 'ola',
    name: 'Ola',
    at: [0.62, 1.4, -0.12],
    yaw: -0.3,
    skin: SKINS.ola,
    hair: [0.02, 0.018, 0.016],
    coat: [0.1, 0.14, 0.16],
    style: 'short',
    table: 0.81 - 1.4,
  });
  addBox(
    model,
    [1.5, 0.03, 0.28],
    { at: [0, 0.78, 0.36] },
    { albedo: planks(0.36, 0.24, 0.14, 0.11), shine: { f0: 0.03, rough: 0.45 } },
  );
  for (const x of [-1.3, 1.3])
    addBox(model, [0.05, 0.38, 0.22], { at: [x, 0.38, 0.36] }, matt(0.12, 0.085, 0.06));
  addBoard(model, 0.2, { at: [0.02, 0.98, 0.2], yaw: -0.5, pitch: -0.04 }, false);
  // What the workshop makes, on the bench and on a shelf.
  const piece = (
    x: number,
    y: number,
    z: number,
    r: number,
    h: number,
    rgb: readonly [number, number, number],
  ) =>
    addPole(
      model,
      r,
      h,
      { at: [x, y + h, z] },
      { albedo: [rgb[0], rgb[1], rgb[2]], shine: { f0: 0.06, rough: 0.1 } },
    );
  piece(-1.0, 0.81, 0.4, 0.05, 0.075, [0.06, 0.3, 0.34]);
  piece(-0.86, 0.81, 0.46, 0.035, 0.1, [0.4, 0.22, 0.05]);
  piece(0.98, 0.81, 0.42, 0.055, 0.06, [0.28, 0.05, 0.08]);
  addBox(model, [1.2, 0.02, 0.12], { at: [0.5, 1.72, -1.7] }, { albedo: planks(0.3, 0.2, 0.12) });
  for (let i = 0; i < 8; i += 1)
    piece(
      -0.5 + i * 0.28,
      1.74,
      -1.7,
      0.045 + 0.012 * (i % 3),
      0.07 + 0.03 * ((i * 7) % 4),
      [
        [0.08, 0.25, 0.3],
        [0.35, 0.2, 0.06],
        [0.3, 0.32, 0.33],
        [0.06, 0.2, 0.1],
      ][i % 4] as [number, number, number],
    );
  // A shop tube over the back, greenish, and a small lamp.
  addQuad(model, [0.6, 0.03], { at: [0.9, 3.18, -1.2], pitch: Math.PI / 2 }, glowing(4100, 900, 0.009));
  addPole(model, 0.09, 0.07, { at: [1.75, 2.35, -1.55] }, matt(0.05, 0.05, 0.05));
  addQuad(model, [0.07, 0.07], { at: [1.75, 2.27, -1.55], pitch: Math.PI / 2 }, glowing(2800, 2600), {
    name: 'lamp',
    kind: 'light',
  });
  return model;
};
