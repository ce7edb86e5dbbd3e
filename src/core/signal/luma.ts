/** Luma weights of Y' = kr R' + kg G' + kb B'. */
export type LumaWeights = { readonly kr: number; readonly kg: number; readonly kb: number };

/** ITU-R BT.709-6 clause 3.2 and ITU-R BT.2020-2 table 4. */
export const LUMA = {
  bt709: { kr: 0.2126, kg: 0.7152, kb: 0.0722 },
  bt2020: { kr: 0.2627, kg: 0.678, kb: 0.0593 },
} as const satisfies Record<string, LumaWeights>;

export type LumaId = keyof typeof LUMA;

/** Bits of the fixed-point weights; 16-bit codes times 2^14 stay inside a signed 32-bit integer. */
export const LUMA_SHIFT = 14;

/** Weights as integers that sum to exactly 2^14, so that R' = G' = B' = v gives luma v without a remainder. */
export const fixedLumaWeights = ({ kr, kb }: LumaWeights): readonly [number, number, number] => {
  const unit = 1 << LUMA_SHIFT;
  const r = Math.round(kr * unit);
  const b = Math.round(kb * unit);
  return [r, unit - r - b, b];
};
