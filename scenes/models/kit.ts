import type { Triple } from '#core/maths/matrix.ts';
import { BOARD_RATIO } from '#core/scene/board.ts';
import { boardOf } from '../render/board.ts';
import { from709, scaled, whiteOf } from '../render/light.ts';
import type { Material, Texture, Thing } from '../render/material.ts';
import { cloud, noise } from '../render/sdf.ts';
import { box, cylinder, quad, Solid, sphere, type Place } from '../render/shapes.ts';
import type { Model } from '../render/model.ts';

export const matt = (r: number, g: number, b: number): Material => ({ albedo: from709(r, g, b) });

/** Light of a colour temperature at a luminance, cd/m2. */
export const glowing = (kelvin: number, luminance: number, duv = 0): Material => ({
  albedo: [0.5, 0.5, 0.5],
  emit: scaled(whiteOf(kelvin, duv), luminance),
});

export const addBox = (
  model: Model,
  half: readonly [number, number, number],
  place: Place,
  material: Material,
  thing?: Thing,
) =>
  // prettier-ignore
  model.add(new Solid(box(...half), place), material, thing);
export const addPole = (
  model: Model,
  radius: number,
  half: number,
  place: Place,
  material: Material,
  thing?: Thing,
) =>
  // prettier-ignore
  model.add(new Solid(cylinder(radius, half), place), material, thing);
export const addBall = (model: Model, radius: number, place: Place, material: Material, thing?: Thing) =>
  model.add(new Solid(sphere(radius), place), material, thing);
export const addQuad = (
  model: Model,
  half: readonly [number, number],
  place: Place,
  material: Material,
  thing?: Thing,
  group = 0,
) => model.add(new Solid(quad(...half), place), material, thing, group);

/** The test board, its middle at a place, facing along yaw; a stand under it. */
export const addBoard = (model: Model, hx: number, place: Place, stand = true): void => {
  const { half, material, naming } = boardOf(hx);
  model.add(new Solid(quad(...half), place), material, naming);
  const back: Place = { ...place, at: behind(place, 0.012) };
  addBox(model, [hx + 0.01, half[1] + 0.01, 0.008], back, matt(0.03, 0.03, 0.03));
  if (!stand) return;
  const [x, y, z] = behind(place, 0.03);
  const bottom = y - hx / BOARD_RATIO;
  addPole(model, 0.014, bottom / 2, { at: [x, bottom / 2, z] }, matt(0.02, 0.02, 0.02));
};

/** A point a little behind a flat thing. */
const behind = ({ at, yaw = 0, pitch = 0 }: Place, by: number): [number, number, number] => [
  at[0] - by * Math.sin(yaw) * Math.cos(pitch),
  at[1] + by * Math.sin(pitch),
  at[2] - by * Math.cos(yaw) * Math.cos(pitch),
];

const mixInto = (out: [number, number, number], a: Triple, k: number) => {
  out[0] = a[0] * k;
  out[1] = a[1] * k;
  out[2] = a[2] * k;
};

/** A surface that is not the same everywhere: blotches about `size` m wide, so strong. */
export const blotchy = (r: number, g: number, b: number, size: number, strength = 0.35): Texture => {
  const base = from709(r, g, b);
  return (x, y, z, out) => {
    const n = cloud(x / size + 7, y / size + 3, z / size + 11, 4);
    mixInto(out, base, 1 + 2 * strength * (n - 0.5));
  };
};

/** Bricks laid in the x, y plane of a solid. */
export const bricks = (r: number, g: number, b: number): Texture => {
  const base = from709(r, g, b);
  const mortar = from709(0.3, 0.29, 0.27);
  return (x, y, z, out) => {
    const across = Math.abs(z) > Math.abs(x) && Math.abs(z) > 1.5 ? x : x + z;
    const row = Math.floor(y / 0.085);
    const along = across / 0.25 + (row % 2 === 0 ? 0 : 0.5);
    const inRow = y / 0.085 - row;
    const inBrick = along - Math.floor(along);
    const joint = inRow < 0.12 || inBrick < 0.045;
    const own = 0.75 + 0.5 * noise(Math.floor(along) * 3.7, row * 5.3, 1);
    mixInto(out, joint ? mortar : base, joint ? 0.7 : own * (0.9 + 0.2 * noise(x * 40, y * 40, z * 40)));
  };
};

/** Planks along z in the x direction, with gaps. */
export const planks = (r: number, g: number, b: number, width = 0.16): Texture => {
  const base = from709(r, g, b);
  return (x, y, z, out) => {
    const board = Math.floor(x / width);
    const within = x / width - board;
    const own = 0.72 + 0.5 * noise(board * 7.7, 2);
    const grain = 0.85 + 0.3 * cloud(x * 30, y * 30, z * 2.2, 3);
    mixInto(out, base, within < 0.04 ? 0.12 : own * grain);
  };
};
