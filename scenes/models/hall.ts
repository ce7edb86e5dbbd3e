import type { Triple } from '#core/maths/matrix.ts';
import { from709, scaled, whiteOf } from '../render/light.ts';
import { addBoard, addBox, addPole, addQuad, glowing, matt, planks } from './kit.ts';
import { Model, type Camera } from '../render/model.ts';
import { addPerson } from '../render/person.ts';
import { capsule, egg, noise, smin } from '../render/sdf.ts';
import { distanceField, Solid, quad, type Vec } from '../render/shapes.ts';
import { SKINS } from './people.ts';

const VIEWS = {
  wide: { at: [-1.5, 1.75, 6.6], to: [0.15, 1.45, 0], fov: 33 },
  speaker: { at: [2.5, 1.62, 3.5], to: [-0.42, 1.42, 0.2], fov: 21 },
} as const satisfies Record<string, Camera>;

/** Layers of light: the lamps but for the key spot, that spot, and the windows. */
const [KEY, WINDOWS] = [1, 2];

/** Head, neck and shoulders of somebody who listens, seen from behind; metres from the middle of the head. */
const listener = (x: number, y: number, z: number): number => {
  const s = Math.abs(x);
  let d = egg(x, y - 0.01, z + 0.01, 0.08, 0.118, 0.1);
  d = smin(d, egg(s - 0.078, y + 0.012, z - 0.005, 0.012, 0.03, 0.02), 0.008);
  d = smin(d, capsule(x, y, z, 0, -0.09, -0.02, 0, -0.2, -0.03, 0.052), 0.03);
  d = smin(d, capsule(s, y, z, 0.04, -0.25, -0.03, 0.165, -0.29, -0.03, 0.062), 0.06);
  return smin(d, egg(x, y + 0.5, z + 0.02, 0.2, 0.24, 0.13), 0.08);
};

// Hair, skin between hair and collar, and coats; linear BT.709.
const HEADS = [
  [0.05, 0.032, 0.02],
  [0.014, 0.012, 0.01],
  [0.16, 0.15, 0.14],
  [0.11, 0.06, 0.028],
] as const;
const COATS = [
  [0.06, 0.065, 0.08],
  [0.09, 0.05, 0.04],
  [0.05, 0.08, 0.06],
] as const;

const addListener = (model: Model, at: Vec, yaw: number, n: number): void => {
  const tone = (rows: readonly Triple[]) => from709(...rows[n % rows.length]);
  const [hair, coat, skin] = [tone(HEADS), tone(COATS), tone([SKINS.ana, SKINS.ola])];
  const albedo = (x: number, y: number, z: number, out: Vec) => {
    const from = y < -0.165 ? coat : y < -0.07 || Math.abs(x) > 0.081 ? skin : hair;
    const k = from === hair ? 0.6 + 0.7 * noise(x * 260, y * 18, z * 200) : 1;
    for (let c = 0; c < 3; c += 1) out[c] = from[c] * k;
  };
  model.add(
    new Solid(distanceField([0.25, 0.64, 0.17], listener, 0.8), { at, yaw }),
    { albedo },
    { name: 'hall', kind: 'thing' },
  );
};

/** The hall on open evening: a lectern, two who talk, a projection, heads of the listeners. Two fixed cameras. */
const hall = (view: keyof typeof VIEWS): Model => {
  const model = new Model();
  model.camera = VIEWS[view];
  addBox(model, [6, 0.05, 8], { at: [0, -0.05, 2] }, { albedo: planks(0.12, 0.08, 0.055, 0.22) });
  addBox(
    model,
    [3.6, 0.16, 1.6],
    { at: [0, 0.16, -0.6] },
    { albedo: planks(0.24, 0.15, 0.09, 0.14), shine: { f0: 0.03, rough: 0.5 } },
  );
  addBox(model, [6, 2.6, 0.1], { at: [0, 2.6, -2.3] }, matt(0.11, 0.055, 0.05));
  addBox(model, [0.1, 2.6, 8], { at: [-4.6, 2.6, 2] }, matt(0.12, 0.11, 0.1));
  addBox(model, [0.1, 2.6, 8], { at: [4.6, 2.6, 2] }, matt(0.12, 0.11, 0.1));
  addBox(model, [6, 0.1, 8], { at: [0, 4.9, 2] }, matt(0.06, 0.06, 0.06));
  // Folds of a curtain.
  for (let i = -14; i <= 14; i += 1)
    addPole(model, 0.13, 2.3, { at: [i * 0.31, 2.5, -2.12] }, { albedo: from709(0.14, 0.05, 0.05) });
  // The projection: a slide with bars and a picture of glass.
  const slide = scaled(whiteOf(6800), 120);
  for (let i = 0; i < 4; i += 1) {
    const k = [1, 0.32, 0.62, 0.14][i];
    const [red, green, blue] = [
      slide[0] * k * (i === 1 ? 0.6 : 1),
      slide[1] * k,
      slide[2] * k * (i === 2 ? 0.55 : 1),
    ];
    model.add(
      new Solid(quad(1.35, 0.19), { at: [1.45, 3.1 - 0.385 * i, -1.94] }),
      { albedo: [0.5, 0.5, 0.5], emit: [red, green, blue] },
      { name: 'projection', kind: 'light' },
    );
  }
  // Spots from the front, above.
  model.groups = 3;
  const key = { at: [-2.3, 4.1, 4.0], yaw: 2.65, pitch: 0.62 } as const;
  addQuad(model, [0.16, 0.16], key, glowing(3150, 18_000), undefined, KEY);
  // Three high windows in the wall on the left, out of both pictures: an evening sky.
  for (const z of [-0.6, 1.6, 3.8])
    addQuad(
      model,
      [0.5, 0.9],
      { at: [-4.48, 3, z], yaw: Math.PI / 2 },
      glowing(8000, 400),
      undefined,
      WINDOWS,
    );
  addQuad(model, [0.16, 0.16], { at: [2.2, 4.1, 3.6], yaw: -2.6, pitch: 0.62 }, glowing(3150, 8200));
  addQuad(model, [0.1, 0.1], { at: [0.4, 4.6, -1.9], pitch: 1.25 }, glowing(3100, 9000));
  addPerson(model, {
    id: 'ana',
    name: 'Ana',
    at: [-0.72, 1.94, 0.1],
    yaw: -0.05,
    skin: SKINS.ana,
    hair: [0.1, 0.055, 0.03],
    coat: [0.07, 0.16, 0.17],
    style: 'long',
    standing: true,
  });
  addPerson(model, {
    id: 'ola',
    name: 'Ola',
    at: [0.34, 1.92, -0.1],
    yaw: -0.2,
    skin: SKINS.ola,
    hair: [0.02, 0.018, 0.016],
    coat: [0.09, 0.1, 0.17],
    style: 'short',
    standing: true,
  });
  // The lectern and what stands on a table.
  addBox(
    model,
    [0.26, 0.5, 0.2],
    { at: [-0.72, 0.82, 0.52] },
    { albedo: planks(0.3, 0.19, 0.11, 0.09), shine: { f0: 0.03, rough: 0.4 } },
  );
  addBox(
    model,
    [0.3, 0.02, 0.24],
    { at: [-0.72, 1.34, 0.52], pitch: 0.2 },
    { albedo: planks(0.34, 0.22, 0.13, 0.09) },
  );
  addBox(model, [0.5, 0.02, 0.28], { at: [1.6, 1.0, -0.5] }, matt(0.3, 0.2, 0.12));
  addBox(model, [0.04, 0.35, 0.04], { at: [1.6, 0.66, -0.5] }, matt(0.05, 0.05, 0.05));
  [
    [1.3, 0.09, [0.05, 0.28, 0.3]],
    [1.6, 0.14, [0.36, 0.16, 0.04]],
    [1.88, 0.1, [0.3, 0.32, 0.34]],
  ].forEach(([x, h, rgb]) => {
    const [r, g, b] = rgb as number[];
    addPole(
      model,
      0.07,
      h as number,
      { at: [x as number, 1.02 + (h as number), -0.5] },
      { albedo: [r, g, b], shine: { f0: 0.06, rough: 0.1 } },
    );
  });
  addBoard(
    model,
    view === 'wide' ? 0.27 : 0.16,
    view === 'wide' ? { at: [-1.5, 1.62, 0.3], yaw: -0.1 } : { at: [-0.17, 1.76, 0.3], yaw: 0.6 },
  );
  // Listeners: rows of heads, dark.
  for (let row = 0; row < 3; row += 1)
    for (let i = 0; i < 7; i += 1) {
      const x = -3 + i + 0.45 * (row % 2) + 0.12 * Math.sin(i * 9 + row);
      const z = 2.5 + row * 0.95;
      if (view === 'speaker' && z > 2.6 && x > 0.6) continue;
      const y = 0.98 + 0.05 * Math.sin(i * 5.3 + row * 2);
      addListener(model, [x, y, z], 0.35 * Math.sin(i * 3.1 + row * 5), 3 * row + i);
    }
  return model;
};
export const hallWide = () => hall('wide');
export const hallSpeaker = () => hall('speaker');
