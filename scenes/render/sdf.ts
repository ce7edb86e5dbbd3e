/** Distances to simple things and ways to blend them, for round shapes. Metres. */

/** Smooth union: `k` is how far the blend reaches. */
export const smin = (a: number, b: number, k: number): number => {
  const h = k - Math.abs(a - b);
  const least = a < b ? a : b;
  return h > 0 ? least - (h * h * 0.25) / k : least;
};
/** Smooth subtraction of b from a. */
export const scut = (a: number, b: number, k: number): number => -smin(-a, b, k);

export const ball = (x: number, y: number, z: number, r: number): number =>
  Math.sqrt(x * x + y * y + z * z) - r;

/** An ellipsoid, near enough close to its surface. */
export const egg = (x: number, y: number, z: number, rx: number, ry: number, rz: number): number => {
  const a = x / rx;
  const b = y / ry;
  const c = z / rz;
  const k = Math.sqrt(a * a + b * b + c * c);
  const d = a / rx;
  const e = b / ry;
  const f = c / rz;
  const g = Math.sqrt(d * d + e * e + f * f);
  return g < 1e-9 ? -Math.min(rx, ry, rz) : (k * (k - 1)) / g;
};

/** A capsule from a to b. */
export const capsule = (
  x: number,
  y: number,
  z: number,
  ax: number,
  ay: number,
  az: number,
  bx: number,
  by: number,
  bz: number,
  r: number,
): number => {
  const ux = bx - ax;
  const uy = by - ay;
  const uz = bz - az;
  const px = x - ax;
  const py = y - ay;
  const pz = z - az;
  let t = (px * ux + py * uy + pz * uz) / (ux * ux + uy * uy + uz * uz);
  t = t < 0 ? 0 : t > 1 ? 1 : t;
  const qx = px - t * ux;
  const qy = py - t * uy;
  const qz = pz - t * uz;
  return Math.sqrt(qx * qx + qy * qy + qz * qz) - r;
};

/** A number in 0..1 that depends on where it is asked, the same every time. */
const hash = (x: number, y: number, z: number): number => {
  let h = Math.imul(x | 0, 374761393) ^ Math.imul(y | 0, 668265263) ^ Math.imul(z | 0, 1274126177);
  h = Math.imul(h ^ (h >>> 13), 1274126177);
  return ((h ^ (h >>> 16)) >>> 0) / 4294967296;
};
const fade = (t: number) => t * t * (3 - 2 * t);
const lerp = (a: number, b: number, t: number) => a + (b - a) * t;

/** Smooth noise in 0..1, about one bump a unit. */
export const noise = (x: number, y: number, z = 0): number => {
  const i = Math.floor(x);
  const j = Math.floor(y);
  const k = Math.floor(z);
  const u = fade(x - i);
  const v = fade(y - j);
  const near = lerp(
    lerp(hash(i, j, k), hash(i + 1, j, k), u),
    lerp(hash(i, j + 1, k), hash(i + 1, j + 1, k), u),
    v,
  );
  const w = fade(z - k);
  if (w === 0) return near;
  const far = lerp(
    lerp(hash(i, j, k + 1), hash(i + 1, j, k + 1), u),
    lerp(hash(i, j + 1, k + 1), hash(i + 1, j + 1, k + 1), u),
    v,
  );
  return lerp(near, far, w);
};

/** Noise of several sizes, 0..1. */
export const cloud = (x: number, y: number, z = 0, octaves = 4): number => {
  let sum = 0;
  let weight = 0.5;
  let scale = 1;
  for (let i = 0; i < octaves; i += 1) {
    sum += weight * noise(x * scale, y * scale, z * scale);
    weight /= 2;
    scale *= 2.03;
  }
  return sum / (1 - 2 ** -octaves);
};
