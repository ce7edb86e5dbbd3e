/** A text as a whole number of 32 bits: FNV-1a over its UTF-16 units (Fowler, Noll, Vo). Not for secrets. */
export const hashOf = (text: string): number => {
  let hash = 0x811c9dc5;
  for (let i = 0; i < text.length; i += 1) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193) >>> 0;
  return hash;
};

/** Codes of a plane, each `every`-th, as a whole number of 32 bits; the same function over code values. */
export const hashOfCodes = (plane: Uint16Array, every: number): number => {
  let hash = 0x811c9dc5;
  for (let i = 0; i < plane.length; i += every) hash = Math.imul(hash ^ plane[i], 0x01000193) >>> 0;
  return hash;
};
