/** A start for a pixel's numbers that has nothing to do with its neighbours'; never 0. */
export const mixed = (x: number, y: number, seed: number): number => {
  let h = Math.imul(x, 0x9e3779b1) ^ Math.imul(y + 1, 0x85ebca77) ^ Math.imul(seed + 1, 0xc2b2ae3d);
  h = Math.imul(h ^ (h >>> 16), 0x85ebca6b);
  h = Math.imul(h ^ (h >>> 13), 0xc2b2ae35);
  return (h ^ (h >>> 16)) | 1;
};

/** Share that a surface mirrors at this angle (Schlick 1994). */
export const fresnel = (f0: number, cos: number): number => f0 + (1 - f0) * (1 - cos) ** 5;
