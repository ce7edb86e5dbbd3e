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

/** What a size comes to, in a few words: a difference of 1 is just seen, of 5 plainly. */
export const lossWord = (worst: number): string =>
  worst < 1 ? 'not seen' : worst < 2.5 ? 'hardly seen' : worst < 5 ? 'seen side by side' : 'plainly seen';
