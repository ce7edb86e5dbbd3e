/** How far apart a recording keeps its colour samples, across and down. A further layout is a row. */
export const CHROMA_THINNING = {
  '4:4:4': [1, 1],
  '4:2:2': [2, 1],
  '4:2:0': [2, 2],
} as const satisfies Record<string, readonly [across: number, down: number]>;
export type Chroma = keyof typeof CHROMA_THINNING;
