import type { Triple } from '#core/maths/matrix.ts';
import { bodyOf, clothes, type Pose } from './body.ts';
import { eyeTexture, HAIR, hairTexture, head, skinTexture, type HairStyle } from './head.ts';
import type { Material, Thing } from './material.ts';
import { distanceField, Solid, sphere, type Vec } from './shapes.ts';
import type { Model } from './model.ts';

/** Somebody to light. `at` is the middle of the head, m; yaw turns the face from +z. */
export type Person = Pose & {
  readonly id: string;
  readonly name: string;
  readonly at: readonly [number, number, number];
  readonly yaw: number;
  readonly pitch?: number;
  /** Linear BT.709. */
  readonly skin: Triple;
  readonly hair: Triple;
  readonly coat: Triple;
  readonly style: HairStyle;
  /** Only somebody in the picture: nobody's offset is known. */
  readonly extra?: boolean;
};

/** Adds a head with its hair and eyes, and a body in a jacket. */
export const addPerson = (model: Model, person: Person): void => {
  const { at, yaw, pitch = 0 } = person;
  const face: Thing = person.extra
    ? { name: person.name, kind: 'thing' }
    : { name: person.name, kind: 'skin', subjectId: person.id };
  const place = { at, yaw, pitch };
  const skin: Material = { albedo: skinTexture(person.skin), shine: { f0: 0.028, rough: 0.45 } };
  const turn = new Solid(sphere(1), place);
  const put = (x: number, y: number, z: number): [number, number, number] => {
    const { m } = turn;
    return [0, 1, 2].map((i) => at[i] + m[3 * i] * x + m[3 * i + 1] * y + m[3 * i + 2] * z) as Vec;
  };
  // The face is judged where the skin is bare: between brow and chin, before the ears.
  const bare = (x: number, y: number, z: number) =>
    z > 0.02 && y < 0.06 && y > -0.1 && Math.abs(x) < 0.066 ? face : undefined;
  model.add(new Solid(distanceField([0.13, 0.25, 0.15], head, 0.8), place), skin, bare);
  const hair: Material = { albedo: hairTexture(person.hair), shine: { f0: 0.035, rough: 0.5 } };
  model.add(new Solid(distanceField([0.14, 0.22, 0.2], HAIR[person.style], 0.7), place), hair);
  const eyes: Material = { albedo: eyeTexture(person.skin), shine: { f0: 0.03, rough: 0.1 } };
  for (const side of [-1, 1])
    model.add(new Solid(sphere(0.0122), { at: put(side * 0.031, 0.004, 0.0735), yaw, pitch }), eyes);
  addBody(model, person);
};

/** The body's box, from the collar down: the tighter it is, the fewer rays ask how far the body is. */
const boxOf = ({ standing, stride, reaching, table, build = 1 }: Person) => {
  const [top, bottom] = [-0.1, standing ? -1.66 : -0.92];
  const ahead =
    stride !== undefined && stride !== 0 ? 0.5 : reaching ? 0.5 : table !== undefined ? 0.44 : 0.22;
  return {
    middle: (top + bottom) / 2,
    half: [0.31 * build, (top - bottom) / 2, ahead] as const,
  };
};

const addBody = (model: Model, person: Person): void => {
  const { at, yaw } = person;
  const { middle, half } = boxOf(person);
  const distance = bodyOf(person);
  const cloth = clothes(person);
  const place = { at: [at[0], at[1] + middle, at[2]] as const, yaw };
  const field = distanceField(half, (x, y, z) => distance(x, y + middle, z), 0.7);
  model.add(new Solid(field, place), { albedo: (x, y, z, out) => cloth(x, y + middle, z, out) });
};
