import type { LutLoss } from '#core/lut/loss.ts';
import { BAKE_SIZES, shaperPays, type Baked } from '#core/lut/bake.ts';

export type LossRow = Baked & { readonly pays: boolean };

/** Rows of the table: each size as it is, and with a shaper where one pays. */
export const lossRows = (baked: readonly Baked[]): LossRow[] =>
  BAKE_SIZES.flatMap((size) => {
    const of = (shaped: boolean) => baked.find((one) => one.size === size && one.shaped === shaped);
    const [plain, shaped] = [of(false), of(true)];
    if (!plain) return [];
    const pays = shaped !== undefined && shaperPays(plain.loss, shaped.loss);
    return [{ ...plain, pays: false }, ...(shaped && pays ? [{ ...shaped, pays: true }] : [])];
  });

/** What a loss comes to, in a few words: a difference of 1 is just seen side by side, of 5 plainly. Our own bounds. */
export const lossWord = ({ mean, worst }: Pick<LutLoss, 'mean' | 'worst'>): string => {
  if (worst < 1) return 'not seen';
  if (mean < 0.3) return worst < 2.5 ? 'hardly seen' : 'in a few colours';
  return mean < 1 ? 'seen side by side' : 'plainly seen';
};
