import type { Triple } from '#core/maths/matrix.ts';
import { from709 } from './light.ts';
import type { Material, Thing } from './material.ts';
import { ball, capsule, egg, noise, scut, smin } from './sdf.ts';
import { distanceField, Solid, sphere, type Vec } from './shapes.ts';
import type { Model } from './model.ts';

/** Somebody to light. `at` is the middle of the head, m; yaw turns the face from +z. */
export type Person = {
  readonly id: string;
  readonly name: string;
  readonly at: readonly [number, number, number];
  readonly yaw: number;
  readonly pitch?: number;
  /** Linear BT.709. */
  readonly skin: Triple;
  readonly hair: Triple;
  readonly coat: Triple;
  readonly style: 'short' | 'long' | 'cap';
  /** Legs to stand on; without them the body ends at the hips. */
  readonly standing?: boolean;
  /** Where the legs are in a step, radians. */
  readonly stride?: number;
  /** Only somebody in the picture: nobody's offset is known. */
  readonly extra?: boolean;
  /** Arms reach forward, as with a pipe in them. */
  readonly reaching?: boolean;
};

const head = (x: number, y: number, z: number): number => {
  const s = Math.abs(x);
  let d = egg(x, y - 0.028, z + 0.012, 0.077, 0.098, 0.094);
  d = smin(d, egg(x, y + 0.045, z - 0.014, 0.06, 0.078, 0.07), 0.05);
  d = smin(d, ball(x, y + 0.1, z - 0.058, 0.018), 0.035);
  d = smin(d, ball(s - 0.042, y + 0.022, z - 0.055, 0.024), 0.03);
  d = smin(d, capsule(s, y, z, 0.006, 0.03, 0.082, 0.036, 0.026, 0.07, 0.009), 0.018);
  d = scut(d, ball(s - 0.031, y - 0.004, z - 0.1, 0.02), 0.022);
  d = smin(d, capsule(x, y, z, 0, 0.012, 0.083, 0, -0.026, 0.1, 0.0085), 0.014);
  d = smin(d, egg(x, y + 0.031, z - 0.096, 0.016, 0.0105, 0.013), 0.012);
  d = smin(d, egg(x, y + 0.062, z - 0.079, 0.024, 0.0065, 0.011), 0.007);
  d = smin(d, egg(x, y + 0.072, z - 0.077, 0.021, 0.0072, 0.011), 0.007);
  d = smin(d, egg(s - 0.079, y + 0.002, z + 0.008, 0.011, 0.031, 0.019), 0.01);
  return smin(d, capsule(x, y, z, 0, -0.09, -0.018, 0, -0.21, -0.032, 0.053), 0.03);
};

const HAIR: Readonly<Record<Person['style'], (x: number, y: number, z: number) => number>> = {
  short: (x, y, z) => {
    const cap =
      egg(x, y - 0.034, z + 0.016, 0.083, 0.104, 0.101) -
      0.0012 * Math.sin(420 * x + 170 * y + 9 * Math.sin(60 * z));
    return scut(cap, egg(x, y + 0.075, z - 0.085, 0.085, 0.145, 0.115), 0.012);
  },
  long: (x, y, z) => {
    const s = Math.abs(x);
    let d = egg(x, y - 0.034, z + 0.018, 0.088, 0.107, 0.106);
    d = smin(d, capsule(s, y, z, 0.074, 0.02, -0.02, 0.078, -0.13, -0.035, 0.028), 0.03);
    d = smin(d, egg(x, y + 0.07, z + 0.075, 0.072, 0.12, 0.045), 0.04);
    d -= 0.0014 * Math.sin(420 * x + 60 * y + 9 * Math.sin(50 * z));
    return scut(d, egg(x, y + 0.06, z - 0.09, 0.064, 0.135, 0.105), 0.012);
  },
  cap: (x, y, z) => {
    const dome = egg(x, y - 0.045, z + 0.014, 0.088, 0.1, 0.104);
    const cut = scut(dome, egg(x, y + 0.12, z - 0.02, 0.2, 0.152, 0.24), 0.006);
    const peak = egg(x, y - 0.038, z - 0.115, 0.06, 0.006, 0.052);
    return smin(cut, peak, 0.01);
  },
};

const body = ({ standing, stride = 0, reaching }: Person) => {
  const swing = 0.28 * Math.sin(stride);
  return (x: number, y: number, z: number): number => {
    const s = Math.abs(x);
    let d = capsule(s, y, z, 0.03, -0.285, -0.035, 0.165, -0.315, -0.035, 0.068);
    d = smin(d, egg(x, y + 0.46, z + 0.03, 0.185, 0.26, 0.125), 0.09);
    d = smin(d, egg(x, y + 0.68, z + 0.03, 0.165, 0.17, 0.125), 0.1);
    // A collar.
    d = smin(d, capsule(x, y, z, 0, -0.2, -0.04, 0, -0.23, -0.035, 0.066), 0.03);
    if (reaching) {
      d = smin(d, capsule(s, y, z, 0.205, -0.335, -0.03, 0.215, -0.52, 0.12, 0.055), 0.04);
      d = smin(d, capsule(s, y, z, 0.215, -0.52, 0.12, 0.12, -0.47, 0.38, 0.044), 0.03);
    } else {
      const arm = x > 0 ? -swing : swing;
      d = smin(d, capsule(s, y, z, 0.21, -0.335, -0.035, 0.245, -0.6, -0.03 + 0.5 * arm, 0.054), 0.04);
      const fore = standing ? 0.02 + arm : 0.2;
      const drop = standing ? -0.84 : -0.68;
      d = smin(d, capsule(s, y, z, 0.245, -0.6, -0.03 + 0.5 * arm, 0.2, drop, fore, 0.043), 0.03);
    }
    if (standing) {
      const leg = x > 0 ? swing : -swing;
      d = smin(d, capsule(s, y, z, 0.09, -0.8, -0.03, 0.1, -1.2, 0.02 + leg * 0.9, 0.078), 0.05);
      d = smin(d, capsule(s, y, z, 0.1, -1.2, 0.02 + leg * 0.9, 0.1, -1.6, -0.03 + leg * 1.35, 0.056), 0.03);
      d = smin(d, egg(s - 0.1, y + 1.64, z - 0.04 - leg * 1.35, 0.052, 0.045, 0.125), 0.02);
    }
    // Folds, where the ray is close enough to see them.
    if (y > -0.28 || d > 0.03) return d > 0.03 ? d - 0.006 : d;
    return d - 0.005 * Math.sin(26 * y + 9 * x + 14 * z + 2 * Math.sin(11 * x + 17 * z));
  };
};

const skinTexture = (skin: Triple): Material['albedo'] => {
  const base = from709(...skin);
  const lip = from709(skin[0] * 0.78, skin[1] * 0.52, skin[2] * 0.55);
  const brow = from709(skin[0] * 0.25, skin[1] * 0.22, skin[2] * 0.2);
  return (x, y, z, out) => {
    const s = Math.abs(x);
    const lips = z > 0.07 && (x / 0.024) ** 2 + ((y + 0.067) / 0.0115) ** 2 < 1;
    const brows =
      z > 0.05 && s > 0.011 && s < 0.047 && Math.abs(y - 0.031 + 0.35 * (s - 0.028) ** 2 * 20) < 0.0042;
    const flush =
      s > 0.02 && z > 0.03 ? 1 - 0.1 * Math.exp(-((s - 0.043) ** 2 + (y + 0.025) ** 2) / 4e-4) : 1;
    const from = lips ? lip : brows ? brow : base;
    out[0] = from[0];
    out[1] = from[1] * (lips || brows ? 1 : flush);
    out[2] = from[2] * (lips || brows ? 1 : flush);
  };
};

/** Jacket over a light shirt, trousers, shoes; hands are bare. */
const clothes = ({ coat, skin, standing, reaching, stride = 0 }: Person): Material['albedo'] => {
  const jacket = from709(...coat);
  const shirt = from709(0.55, 0.53, 0.48);
  const trousers = from709(0.05, 0.05, 0.06);
  const leather = from709(0.035, 0.025, 0.02);
  const bare = from709(...skin);
  const swing = 0.28 * Math.sin(stride);
  const cloth = (y: number, opening: boolean) => {
    const belt = y < -0.73 && y > -0.765;
    if (y < -1.6 || belt) return leather;
    if (y < -0.73) return trousers;
    return opening ? shirt : jacket;
  };
  return (x, y, z, out) => {
    const s = Math.abs(x);
    const reach = standing ? 0.02 + (x > 0 ? -swing : swing) : 0.2;
    const hand = reaching
      ? z > 0.3 && s < 0.18
      : s > 0.13 &&
        s < 0.27 &&
        y < (standing ? -0.8 : -0.62) &&
        Math.abs(z - reach) < 0.075 &&
        y > (standing ? -0.94 : -0.76);
    const opening = z > 0 && y > -0.47 && s < 0.012 + 0.16 * (y + 0.47);
    const seam = z > 0 && s < 0.004 && y < -0.42;
    const from = hand ? bare : cloth(y, opening);
    const k = seam ? 0.55 : 0.94 + 0.12 * noise(x * 90, y * 90, z * 90);
    for (let c = 0; c < 3; c += 1) out[c] = from[c] * k;
  };
};

/** Adds a head with its hair and eyes, and a body in a coat. */
export const addPerson = (model: Model, person: Person): void => {
  const { at, yaw, pitch = 0 } = person;
  const face: Thing = person.extra
    ? { name: person.name, kind: 'thing' }
    : { name: person.name, kind: 'skin', subjectId: person.id };
  const place = { at, yaw, pitch };
  const skin: Material = { albedo: skinTexture(person.skin), shine: { f0: 0.028, rough: 0.42 } };
  const turn = new Solid(sphere(1), place);
  const put = (x: number, y: number, z: number): [number, number, number] => {
    const { m } = turn;
    return [0, 1, 2].map((i) => at[i] + m[3 * i] * x + m[3 * i + 1] * y + m[3 * i + 2] * z) as Vec;
  };
  // The face is judged where the skin is bare: between brow and chin, before the ears.
  const bare = (x: number, y: number, z: number) =>
    z > 0.02 && y < 0.06 && y > -0.1 && Math.abs(x) < 0.066 ? face : undefined;
  model.add(new Solid(distanceField([0.13, 0.24, 0.15], head, 0.8), place), skin, bare);
  const hair: Material = { albedo: from709(...person.hair), shine: { f0: 0.035, rough: 0.5 } };
  model.add(new Solid(distanceField([0.14, 0.22, 0.2], HAIR[person.style], 0.7), place), hair);
  const lid = from709(person.skin[0] * 0.8, person.skin[1] * 0.76, person.skin[2] * 0.76);
  const eyes: Material = {
    albedo: (x, y, z, out) => {
      const off = x * x + (y + 0.0005) ** 2;
      const shut = y > 0.0042 || y < -0.0052;
      const v = off < 7e-6 ? 0.006 : off < 3.4e-5 ? 0.06 : 0.42;
      for (let c = 0; c < 3; c += 1) out[c] = shut ? lid[c] : v;
    },
    shine: { f0: 0.03, rough: 0.1 },
  };
  for (const side of [-1, 1])
    model.add(new Solid(sphere(0.0122), { at: put(side * 0.031, 0.005, 0.0735), yaw, pitch }), eyes);
  const coat: Material = { albedo: clothes(person) };
  model.add(
    new Solid(distanceField([0.36, person.standing ? 1.72 : 0.9, 0.8], body(person), 0.75), { at, yaw }),
    coat,
  );
};
