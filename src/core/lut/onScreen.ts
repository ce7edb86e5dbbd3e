import { gamutMatrix } from '../colour/gamut.ts';
import { apply, type Triple } from '../maths/matrix.ts';
import { TRANSFERS } from '../transfer/index.ts';
import { displayLight } from './loss.ts';
import { outputOf, type OutputId } from './outputs.ts';

const { encode } = TRANSFERS.bt1886;
const coded = (v: number) => encode(Math.min(1, Math.max(0, v)));

/**
 * An output's signal as the BT.1886 signal of a BT.709 screen that shows the same light, diffuse white at its
 * own white: what HDR has over it is cut.
 */
export const shownOnVideo = (id: OutputId): ((signal: Triple) => Triple) => {
  if (id === 'bt1886') return (signal) => signal;
  const light = displayLight(id);
  const { primaries } = outputOf(id);
  const matrix = gamutMatrix(primaries, 'bt709');
  return (signal) => {
    const shown = primaries === 'bt709' ? light(signal) : apply(matrix, light(signal));
    return [coded(shown[0]), coded(shown[1]), coded(shown[2])];
  };
};
