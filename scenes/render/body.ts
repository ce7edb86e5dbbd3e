import type { Triple } from '#core/maths/matrix.ts';
import { from709 } from './light.ts';
import type { Texture } from './material.ts';
import type { Vec } from './shapes.ts';
import { ball, capsule, egg, noise, scut, smin } from './sdf.ts';

/** How somebody stands or sits. Metres from the middle of the head, as in head.ts. */
export type Pose = {
  /** Legs to stand on; without them the body ends at the hips. */
  readonly standing?: boolean;
  /** Where the legs are in a step, radians. */
  readonly stride?: number;
  /** Arms reach forward, as with a pipe in them. */
  readonly reaching?: boolean;
  /** Height of a table that the hands lie on, from the middle of the head. */
  readonly table?: number;
  /** Breadth of the shoulders against the usual. */
  readonly build?: number;
};

type Arm = { readonly shoulder: Vec; readonly elbow: Vec; readonly wrist: Vec; readonly hand: Vec };

/** A hand and a collar lie within so much of their middles; further off than `NEARBY` that is all one asks, m. */
const HAND_REACH = 0.12;
const COLLAR_REACH = 0.12;
const NEARBY = 0.04;
/** Below this there are only legs, m. */
const LEGS_ONLY = -1.02;

/** How far a stride swings arms and legs, m. */
const swingOf = ({ stride = 0 }: Pose): number => 0.28 * Math.sin(stride);

const SHOULDER: Vec = [0.172, -0.285, -0.035];

/** An arm on the side that `left` names, in the frame where both arms have positive x. */
const armOf = (pose: Pose, left: boolean): Arm => {
  const { standing, reaching, table } = pose;
  if (reaching)
    return {
      shoulder: SHOULDER,
      elbow: [0.2, -0.5, 0.1],
      wrist: [0.13, -0.465, 0.34],
      hand: [0.1, -0.46, 0.41],
    };
  if (table !== undefined)
    return {
      shoulder: SHOULDER,
      elbow: [0.235, table + 0.055, 0.06],
      wrist: [0.13, table + 0.04, 0.27],
      hand: left ? [0.075, table + 0.026, 0.33] : [0.06, table + 0.028, 0.32],
    };
  const swing = swingOf(pose) * (left ? -1 : 1);
  const bend = standing ? 0.05 : 0.09;
  return {
    shoulder: SHOULDER,
    elbow: [0.215, -0.55, -0.055 + 0.5 * swing],
    wrist: [0.205, -0.785, bend + swing],
    hand: [0.2, -0.86, bend + 0.02 + 1.15 * swing],
  };
};

const between = (x: number, y: number, z: number, [ax, ay, az]: Vec, [bx, by, bz]: Vec, r: number) =>
  capsule(x, y, z, ax, ay, az, bx, by, bz, r);

const armAt = (s: number, y: number, z: number, { shoulder, elbow, wrist }: Arm): number =>
  smin(between(s, y, z, shoulder, elbow, 0.05), between(s, y, z, elbow, wrist, 0.039), 0.03);

/** Palm, fingers and thumb; flatter where the hand lies on something. */
const handOf = ({ wrist, hand }: Arm) => {
  const along: Vec = [hand[0] - wrist[0], hand[1] - wrist[1], hand[2] - wrist[2]];
  const flat = Math.abs(along[1]) < 0.05 ? 1.5 : 1;
  const from: Vec = [wrist[0], wrist[1] * flat, wrist[2]];
  const knuckles: Vec = [hand[0], hand[1] * flat, hand[2]];
  const tip: Vec = [hand[0] + 0.6 * along[0], (hand[1] + 0.6 * along[1]) * flat, hand[2] + 0.6 * along[2]];
  const thumb: Vec = [
    hand[0] + 0.35 * along[0] - 0.016,
    hand[1] + 0.45 * along[1],
    hand[2] + 0.35 * along[2] + 0.024,
  ];
  return (s: number, y: number, z: number): number => {
    const around = ball(s - hand[0], y - hand[1], z - hand[2], HAND_REACH);
    if (around > NEARBY) return around;
    const palm = between(s, y * flat, z, from, knuckles, 0.026);
    const fingers = between(s, y * flat, z, knuckles, tip, 0.021);
    return smin(smin(palm, fingers, 0.012), between(s, y, z, hand, thumb, 0.0105), 0.012) / flat;
  };
};

const leg = (s: number, y: number, z: number, swing: number): number => {
  const knee: Vec = [0.09, -1.2, 0.015 + swing * 0.9];
  const ankle: Vec = [0.09, -1.57, -0.04 + swing * 1.35];
  let d = between(s, y, z, [0.082, -0.84, -0.035], knee, 0.073);
  d = smin(d, between(s, y, z, knee, ankle, 0.05), 0.03);
  d = smin(d, egg(s - 0.092, y + 1.615, z - 0.035 - swing * 1.35, 0.044, 0.036, 0.125), 0.018);
  // What is under the sole is not there.
  return Math.max(d, -1.64 - y);
};

const torso = (x: number, y: number, z: number): number => {
  const s = Math.abs(x);
  // Shoulders, and the slope of the neck's muscles down to them.
  let d = capsule(s, y, z, 0.03, -0.262, -0.04, 0.15, -0.28, -0.038, 0.056);
  d = smin(d, capsule(s, y, z, 0.02, -0.175, -0.05, 0.105, -0.238, -0.045, 0.036), 0.05);
  // Chest, waist, hips.
  d = smin(d, egg(x, y + 0.43, z + 0.03, 0.168, 0.24, 0.116), 0.08);
  d = smin(d, egg(x, y + 0.65, z + 0.03, 0.148, 0.19, 0.108), 0.08);
  return smin(d, egg(x, y + 0.79, z + 0.035, 0.156, 0.1, 0.112), 0.06);
};

/** A collar that stands about the neck, open in front. */
const collar = (x: number, y: number, z: number): number => {
  const around = ball(x, y + 0.2, z + 0.03, COLLAR_REACH);
  if (around > NEARBY) return around;
  const rise = y + 0.196 - 0.32 * (z + 0.04);
  const away = Math.hypot(x, (z + 0.04) * 1.08) - 0.071 + 0.25 * rise;
  const ring = Math.hypot(away, Math.max(0, Math.abs(rise) - 0.024)) - 0.0075;
  return scut(ring, egg(x, y + 0.2, z - 0.06, 0.02, 0.09, 0.06), 0.006);
};

/** A fold at its deepest, and how near folds are looked at; m. */
const DEEPEST = 0.01;
const CLOSE = 0.015;

/** Folds of cloth: small on the trunk, tighter at elbows and knees. */
const folds = (x: number, y: number, z: number): number => {
  const broad = noise(x * 11 + 3, y * 15 + 0.35 * z, z * 11);
  const fine = noise(x * 26, y * 44 + x * 20, z * 26);
  const bent = Math.exp(-((y + 0.55) ** 2) / 0.008) + 0.7 * Math.exp(-((y + 1.2) ** 2) / 0.01);
  return 0.011 * (broad - 0.5) + (0.003 + 0.006 * Math.min(1, bent)) * (fine - 0.5);
};

/** Distance to somebody in clothes. */
export const bodyOf = (pose: Pose) => {
  const { standing, build = 1 } = pose;
  const swing = swingOf(pose);
  const arms = [armOf(pose, false), armOf(pose, true)];
  const hands = arms.map(handOf);
  return (x0: number, y: number, z: number): number => {
    const x = x0 / build;
    const s = Math.abs(x);
    const left = x > 0 ? 1 : 0;
    const legs = standing && y < -0.7 ? leg(s, y, z, x > 0 ? swing : -swing) : Infinity;
    if (y < LEGS_ONLY && legs < Infinity) return legs > CLOSE ? legs - DEEPEST : legs - folds(x, y, z);
    const trunk = smin(torso(x, y, z), armAt(s, y, z, arms[left]), 0.035);
    const d = legs < Infinity ? smin(trunk, legs, 0.04) : trunk;
    const hand = hands[left](s, y, z);
    const neck = collar(x, y, z);
    // Folds only where the ray is close enough to see them.
    if (d > CLOSE) return Math.min(d - DEEPEST, hand, neck - 0.002);
    return smin(smin(d - folds(x, y, z), neck, 0.006), hand, 0.006);
  };
};

type Outfit = Pose & { readonly coat: Triple; readonly skin: Triple };

/** Line of a breast pocket and its flap. */
const isPocketEdge = (s: number, y: number) => {
  if (s < 0.055 || s > 0.125 || y < -0.5 || y > -0.405) return false;
  return s < 0.058 || s > 0.122 || y < -0.497 || (y > -0.428 && y < -0.424);
};

/** How dark seams, buttons and edges make the front of a jacket that is open so wide at a height. */
const seamAt = (x: number, y: number, open: number): number => {
  const s = Math.abs(x);
  const button = y < -0.42 && s < 0.006 && Math.abs(((((y + 1) % 0.09) + 0.09) % 0.09) - 0.045) < 0.006;
  if (button) return 0.35;
  const lapel = y > -0.4 && s < open + 0.006;
  const placket = y < -0.4 && Math.abs(x + 0.012) < 0.0016;
  return lapel || placket || isPocketEdge(s, y) || y < -0.8 ? 0.6 : 1;
};

/** A work jacket with collar, placket and pockets over a shirt, trousers, shoes; hands are bare. */
export const clothes = (outfit: Outfit): Texture => {
  const { coat, skin, build = 1 } = outfit;
  const jacket = from709(...coat);
  const shirt = from709(0.42, 0.41, 0.38);
  const trousers = from709(0.05, 0.055, 0.07);
  const leather = from709(0.035, 0.025, 0.02);
  const bare = from709(...skin);
  const arms = [armOf(outfit, false), armOf(outfit, true)];
  const isHand = (s: number, y: number, z: number, { wrist, hand }: Arm) => {
    const along: Vec = [hand[0] - wrist[0], hand[1] - wrist[1], hand[2] - wrist[2]];
    const on = (k: number): Vec => [
      wrist[0] + k * along[0],
      wrist[1] + k * along[1],
      wrist[2] + k * along[2],
    ];
    return between(s, y, z, on(0.55), on(1.9), 0.06) < 0;
  };
  /** What covers the body there, and how dark its seams make it. */
  const clothAt = (x: number, y: number, z: number): readonly [Triple, number] => {
    const s = Math.abs(x);
    if (y < -1.58) return [leather, 1];
    if (y < -0.82) return [trousers, s > 0.118 && Math.abs(z + 0.03) < 0.004 ? 0.6 : 1];
    const front = z > -0.01;
    const open = 0.004 + 0.17 * (y + 0.4);
    if (front && y > -0.4 && s < open) return [shirt, Math.abs(x) < 0.0022 ? 0.75 : 1];
    if (!front) return [jacket, 1];
    return [jacket, seamAt(x, y, open)];
  };
  return (x0, y, z, out) => {
    const x = x0 / build;
    const s = Math.abs(x);
    const [from, seam] = isHand(s, y, z, arms[x > 0 ? 1 : 0]) ? [bare, 1] : clothAt(x, y, z);
    const k = seam * (0.92 + 0.16 * noise(x * 160, y * 160, z * 160));
    for (let c = 0; c < 3; c += 1) out[c] = from[c] * k;
  };
};
