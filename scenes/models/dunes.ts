import { from709, scaled, whiteOf } from '../render/light.ts';
import { addBoard, addBox, matt } from './kit.ts';
import { Model } from '../render/model.ts';
import { cloud, noise } from '../render/sdf.ts';
import { distanceField, Solid } from '../render/shapes.ts';
import { addSky, towards } from './sky.ts';

/** Shape of the sand, m: long crests across the wind, smaller ones on them. */
const shape = (x: number, z: number): number => {
  const bend = x + 9 * noise(x * 0.016 + 3, z * 0.02 + 8) * 2 + 0.35 * z;
  const crest = (s: number) => {
    const t = s - Math.floor(s);
    return t < 0.72 ? t / 0.72 : (1 - t) / 0.28;
  };
  const long = crest(bend / 46) ** 1.4 * (5 + 5 * noise(x * 0.012 + 40, z * 0.018));
  const short = crest((bend + 13 * noise(x * 0.05, z * 0.05)) / 15.5) * 1.1;
  return long + short + 1.6 * cloud(x * 0.03, z * 0.03, 1, 3);
};

// Worked out once on a grid: a ray asks for it a hundred times.
const GRID = { from: -160, step: 0.25, size: 1440 } as const;
const rounded = (from: Float32Array, size: number): Float32Array => {
  const to = from.slice();
  for (let i = size + 1; i < from.length - size - 1; i += 1) {
    let sum = 0;
    for (const j of [-size - 1, -size, -size + 1, -1, 0, 1, size - 1, size, size + 1]) sum += from[i + j];
    to[i] = sum / 9;
  }
  return to;
};
let heights: Float32Array | undefined;
const grid = (): Float32Array => {
  if (heights) return heights;
  const { from, step, size } = GRID;
  const sharp = Float32Array.from({ length: size * size }, (_, i) =>
    shape(from + (i % size) * step, from + Math.floor(i / size) * step),
  );
  // Wind rounds the crests; the grid would else show as teeth.
  heights = rounded(rounded(rounded(sharp, size), size), size);
  return heights;
};

/** Height of the sand, m, x and z in the sand's own frame. */
const sand = (x: number, z: number): number => {
  const { from, step, size } = GRID;
  const table = heights ?? grid();
  const u = Math.min(size - 2, Math.max(0, (x - from) / step));
  const v = Math.min(size - 2, Math.max(0, (z - from) / step));
  const i = Math.floor(u);
  const j = Math.floor(v);
  const at = j * size + i;
  const a = u - i;
  const b = v - j;
  return (
    (table[at] * (1 - a) + table[at + 1] * a) * (1 - b) +
    (table[at + size] * (1 - a) + table[at + size + 1] * a) * b
  );
};

/** Dunes from the air at first light. Layers: the low sun, the sky. */
export const dunes = (): Model => {
  const model = new Model();
  model.camera = { at: [0, 25, 58], to: [2, 7.5, -14], fov: 36 };
  addSky(
    model,
    { zenith: 420, horizon: 1150, zenithKelvin: 9500, horizonKelvin: 5200, clouds: 0.3, halo: 3 },
    { direction: towards(-62, 13), light: scaled(whiteOf(3800), 14_000), spread: 0.008 },
    true,
  );
  const tone = from709(0.44, 0.35, 0.23);
  const grass = from709(0.13, 0.15, 0.06);
  model.add(
    new Solid(
      distanceField([150, 14, 170], (x, y, z) => (y + 2 - sand(x, z)) * 0.72, 0.9, 220),
      { at: [0, 2, -70] },
    ),
    {
      albedo: (x, _y, z, out) => {
        const ripple = 0.94 + 0.12 * Math.sin(4.2 * (x + 0.6 * z) + 5 * noise(x * 0.2, z * 0.2));
        const speck = 0.9 + 0.2 * cloud(x * 0.6, z * 0.6, 3, 3);
        const tuft = cloud(x * 0.11 + 50, z * 0.11, 2, 4) > 0.62 && noise(x * 1.3, z * 1.3) > 0.45;
        for (let c = 0; c < 3; c += 1) out[c] = tuft ? grass[c] * speck : tone[c] * ripple * speck;
      },
    },
    { name: 'sand', kind: 'thing' },
  );
  // The sea behind.
  addBox(
    model,
    [4000, 0.05, 2400],
    { at: [0, 0.4, -2480] },
    { albedo: [0.02, 0.035, 0.045], shine: { f0: 0.04, rough: 0.35 } },
  );
  // A cloth laid out as a board, and a path of posts.
  const at = [12.5, 0, 15] as const;
  addBoard(model, 6.2, { at: [at[0], sand(at[0], at[2] + 70) + 4.6, at[2]], pitch: -0.5 }, false);
  for (let i = 0; i < 9; i += 1) {
    const [x, z] = [14 + 2.4 * Math.sin(i), 30 - 7 * i];
    addBox(model, [0.14, 1.1, 0.14], { at: [x, sand(x, z + 70) + 0.7, z] }, matt(0.22, 0.17, 0.12));
  }
  // Low haze over the sea.
  model.medium = (distance, keep, add) => {
    const k = distance > 9e4 ? 0 : 0.75 * (1 - Math.exp(-Math.max(0, distance - 40) / 420));
    const air = [1250, 1120, 980];
    for (let c = 0; c < 3; c += 1) {
      keep[c] = 1 - k;
      add[c] = air[c] * k;
    }
  };
  return model;
};
