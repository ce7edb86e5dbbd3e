import type { Triple } from '#core/maths/matrix.ts';
import { from709 } from './light.ts';
import type { Material } from './material.ts';
import { ball, capsule, egg, noise, scut, smin } from './sdf.ts';

/** Distance to a head and neck. Metres from the middle of the head: x to its left, y up, z out of the face. */
export const head = (x: number, y: number, z: number): number => {
  const s = Math.abs(x);
  let d = egg(x, y - 0.028, z + 0.012, 0.075, 0.097, 0.094);
  // Jaw and chin, cheekbones.
  d = smin(d, egg(x, y + 0.043, z - 0.016, 0.056, 0.074, 0.066), 0.045);
  d = smin(d, ball(x, y + 0.096, z - 0.062, 0.017), 0.035);
  d = smin(d, ball(s - 0.043, y + 0.018, z - 0.054, 0.022), 0.03);
  // The brow's ridge, and the eye sockets under it.
  d = smin(d, capsule(s, y, z, 0.006, 0.03, 0.08, 0.036, 0.027, 0.069, 0.009), 0.018);
  d = scut(d, ball(s - 0.031, y - 0.003, z - 0.101, 0.019), 0.02);
  // Nose: bridge, tip, wings.
  d = smin(d, capsule(x, y, z, 0, 0.014, 0.081, 0, -0.024, 0.098, 0.0075), 0.013);
  d = smin(d, egg(x, y + 0.03, z - 0.096, 0.0125, 0.0105, 0.013), 0.01);
  d = smin(d, ball(s - 0.0125, y + 0.034, z - 0.088, 0.0072), 0.006);
  // Lips, the upper one thinner.
  d = smin(d, egg(x, y + 0.0605, z - 0.079, 0.022, 0.0052, 0.0095), 0.006);
  d = smin(d, egg(x, y + 0.0705, z - 0.0775, 0.019, 0.0064, 0.0095), 0.006);
  // Ears.
  d = smin(d, egg(s - 0.077, y + 0.002, z + 0.008, 0.01, 0.03, 0.018), 0.009);
  return smin(d, capsule(x, y, z, 0, -0.08, -0.024, 0, -0.23, -0.042, 0.05), 0.028);
};

/** Where in a lock of hair a point is: what makes it neither a cap nor a comb's teeth. */
const locks = (x: number, y: number, z: number): number =>
  0.004 * (noise(x * 48, y * 9, z * 30) - 0.5) + 0.0022 * (noise(x * 130, y * 22, z * 90) - 0.5);

export type HairStyle = 'short' | 'long' | 'cap';

/** Where hair begins: over the brow, past the temples and in front of the ears. */
const faceFree = (x: number, y: number, z: number) => egg(x, y + 0.072, z - 0.09, 0.098, 0.15, 0.115);

export const HAIR: Readonly<Record<HairStyle, (x: number, y: number, z: number) => number>> = {
  short: (x, y, z) => {
    let d = egg(x, y - 0.04, z + 0.014, 0.08, 0.1, 0.101);
    d = smin(d, egg(x, y - 0.085, z + 0.0, 0.066, 0.066, 0.084), 0.04);
    if (d > 0.008) return d - 0.0032;
    return scut(d - locks(x * 1.4, y, z * 1.4), faceFree(x, y, z), 0.01);
  },
  long: (x, y, z) => {
    const s = Math.abs(x);
    let d = egg(x, y - 0.036, z + 0.018, 0.086, 0.106, 0.105);
    d = smin(d, capsule(s, y, z, 0.074, 0.02, -0.012, 0.075, -0.12, -0.026, 0.029), 0.03);
    d = smin(d, egg(x, y + 0.065, z + 0.072, 0.072, 0.118, 0.045), 0.04);
    if (d > 0.008) return d - 0.0032;
    // Parted on one side: the hairline rises to the parting and falls away from it.
    const lean = x + 0.022;
    return scut(d - locks(x, y, z), egg(lean, y + 0.057, z - 0.09, 0.068, 0.135, 0.105), 0.012);
  },
  cap: (x, y, z) => {
    const dome = egg(x, y - 0.045, z + 0.014, 0.088, 0.1, 0.104);
    const cut = scut(dome, egg(x, y + 0.12, z - 0.02, 0.2, 0.152, 0.24), 0.006);
    const peak = egg(x, y - 0.038, z - 0.115, 0.06, 0.006, 0.052);
    return smin(cut, peak, 0.01);
  },
};

/** Strands, lighter and darker along their length. */
export const hairTexture = (hair: Triple): Material['albedo'] => {
  const base = from709(...hair);
  return (x, y, z, out) => {
    const k = 0.55 + 0.6 * noise(x * 330, y * 16, z * 240) + 0.3 * noise(x * 60, y * 5, z * 40);
    for (let c = 0; c < 3; c += 1) out[c] = base[c] * k;
  };
};

const smooth = (edge: number, width: number, v: number) => {
  const t = Math.min(1, Math.max(0, (v - edge) / width + 0.5));
  return t * t * (3 - 2 * t);
};

/** How far a point is within the brow: thin, arched, thinner to the temple. */
const browAt = (s: number, y: number): number => {
  if (s < 0.01 || s > 0.05) return 0;
  const middle = 0.0305 + 0.0035 * Math.sin(((s - 0.01) / 0.04) * 2.4);
  const half = 0.0036 - 0.0022 * ((s - 0.01) / 0.04);
  return 1 - smooth(half, 0.0022, Math.abs(y - middle));
};

/** How far within the lips, and in the line between them. */
const lipsAt = (x: number, y: number): readonly [lips: number, line: number] => {
  const s = Math.abs(x);
  const line = -0.0655 + 0.0009 * Math.cos(s * 320);
  const upper =
    0.0058 * Math.sqrt(Math.max(0, 1 - (s / 0.0235) ** 2)) - 0.0012 * Math.exp(-((s / 0.004) ** 2));
  const lower = 0.0078 * Math.max(0, 1 - (s / 0.0215) ** 2);
  const inside = y > line ? upper - (y - line) : lower - (line - y);
  return [smooth(0, 0.002, inside), s < 0.0225 ? 1 - smooth(0.0007, 0.0012, Math.abs(y - line)) : 0];
};

/** Bare skin: a little redder where the blood is near, lips, brows. */
export const skinTexture = (skin: Triple): Material['albedo'] => {
  const base = from709(...skin);
  const lip = from709(skin[0] * 0.8, skin[1] * 0.6, skin[2] * 0.6);
  const brow = from709(skin[0] * 0.3, skin[1] * 0.27, skin[2] * 0.25);
  return (x, y, z, out) => {
    const s = Math.abs(x);
    const front = smooth(0.035, 0.03, z);
    const cheek = Math.exp(-((s - 0.043) ** 2 + (y + 0.022) ** 2) / 5e-4);
    const nose = Math.exp(-(s ** 2 + (y + 0.03) ** 2) / 2.4e-4) * smooth(0.085, 0.02, z);
    const flush = 1 - front * (0.09 * cheek + 0.07 * nose);
    const [lips, line] = z > 0.06 ? lipsAt(x, y) : [0, 0];
    const brows = z > 0.045 ? browAt(s, y) : 0;
    const pores = 0.985 + 0.03 * noise(x * 300, y * 300, z * 300);
    for (let c = 0; c < 3; c += 1) {
      let v = base[c] * pores * (c === 0 ? 1 : flush);
      v += lips * (lip[c] - v);
      v *= 1 - 0.55 * line;
      out[c] = v + brows * (brow[c] - v);
    }
  };
};

/** An eyeball between its lids: x to the side, y up; a dark line of lashes above. */
export const eyeTexture = (skin: Triple): Material['albedo'] => {
  const lid = from709(skin[0] * 0.86, skin[1] * 0.8, skin[2] * 0.8);
  return (x, y, _z, out) => {
    const off = x * x + y * y;
    const open = 1 - (x / 0.0125) ** 2;
    const [upper, lower] = [0.0037 * open, -0.0042 * open];
    const white = off < 6.5e-6 ? 0.006 : off < 3.2e-5 ? 0.05 : 0.33;
    for (let c = 0; c < 3; c += 1) {
      if (y > upper + 0.0012 || y < lower) out[c] = lid[c];
      else if (y > upper) out[c] = lid[c] * 0.15;
      else out[c] = white;
    }
  };
};
