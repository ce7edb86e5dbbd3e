/** Luma weights of Y' = kr R' + kg G' + kb B'. */
export type LumaWeights = { readonly kr: number; readonly kg: number; readonly kb: number };

/** ITU-R BT.709-6 clause 3.2, ITU-R BT.2020-2 table 4 and ITU-R BT.601-7 clause 2.5.1. */
export const LUMA = {
  bt709: { name: 'BT.709', kr: 0.2126, kg: 0.7152, kb: 0.0722 },
  bt2020: { name: 'BT.2020', kr: 0.2627, kg: 0.678, kb: 0.0593 },
  bt601: { name: 'BT.601', kr: 0.299, kg: 0.587, kb: 0.114 },
} as const satisfies Record<string, LumaWeights & { readonly name: string }>;

export type LumaId = keyof typeof LUMA;
export const LUMA_IDS = Object.keys(LUMA) as LumaId[];

/** Bits of the fixed-point weights; 16-bit codes times 2^14 stay inside a signed 32-bit integer. */
export const LUMA_SHIFT = 14;

/** Weights as integers that sum to exactly 2^14, so that R' = G' = B' = v gives luma v without a remainder. */
export const fixedLumaWeights = ({ kr, kb }: LumaWeights): readonly [number, number, number] => {
  const unit = 1 << LUMA_SHIFT;
  const r = Math.round(kr * unit);
  const b = Math.round(kb * unit);
  return [r, unit - r - b, b];
};
