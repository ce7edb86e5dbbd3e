import type { OutputId } from '../lut/outputs.ts';
import { TRANSFERS, type TransferFunction } from '../transfer/index.ts';

/** Signal of each output to the light that is worked on after the conversion, and back. A further one is a row. */
export const PICTURE_LIGHT: { readonly [id in OutputId]: TransferFunction } = {
  bt1886: TRANSFERS.bt1886,
  srgb: TRANSFERS.srgb,
  hlg: TRANSFERS.hlg,
  pq: TRANSFERS.pq,
};
