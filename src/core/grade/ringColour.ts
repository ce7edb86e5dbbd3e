import { LUMA } from '../signal/luma.ts';
import type { Triple } from '../maths/matrix.ts';

const { kr, kg, kb } = LUMA.bt709;
/** Luma and chroma that the ring is drawn with: bright, and inside the screen's colours all round. Our own. */
const [RING_LUMA, RING_CHROMA] = [0.55, 0.28];

/** R'G'B' of a hue of the ring, 0..1: Cb to the right and Cr up, held to what a screen shows (BT.709-6, item 3.3). */
export const ringColour = (hue: number): Triple => {
  const angle = (hue * Math.PI) / 180;
  const r = RING_LUMA + (2 - 2 * kr) * RING_CHROMA * Math.sin(angle);
  const b = RING_LUMA + (2 - 2 * kb) * RING_CHROMA * Math.cos(angle);
  const g = (RING_LUMA - kr * r - kb * b) / kg;
  const held = (v: number) => Math.min(1, Math.max(0, v));
  return [held(r), held(g), held(b)];
};
