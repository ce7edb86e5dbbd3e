import { deltaE2000 } from '../colour/lab.ts';
import type { Triple } from '../maths/matrix.ts';
import { labOfSignal } from './loss.ts';
import type { OutputId } from './outputs.ts';

/** CIEDE2000 over the cube of inputs, in planes of constant blue; rows of green upwards, red to the right. */
export type DifferenceMap = {
  readonly planes: number;
  readonly side: number;
  /** planes * side * side differences, plane by plane, the first row the lowest green. */
  readonly data: Float32Array;
};

export const differenceMap = (
  a: (rgb: Triple) => Triple,
  b: (rgb: Triple) => Triple,
  output: OutputId,
  { planes = 6, side = 24 } = {},
): DifferenceMap => {
  const lab = labOfSignal(output);
  const data = new Float32Array(planes * side * side);
  for (let i = 0; i < data.length; i += 1) {
    const rgb: Triple = [
      (i % side) / (side - 1),
      (Math.floor(i / side) % side) / (side - 1),
      Math.floor(i / side ** 2) / (planes - 1),
    ];
    data[i] = deltaE2000(lab(a(rgb)), lab(b(rgb)));
  }
  return { planes, side, data };
};
