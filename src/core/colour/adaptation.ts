import { xyToXyz, type Chromaticity } from './chromaticity.ts';
import { apply, invert, multiply, type Matrix3 } from '../maths/matrix.ts';

/** The Bradford cone responses (CIE 159:2004, annex; the linear form without its blue exponent). */
const BRADFORD: Matrix3 = [0.8951, 0.2664, -0.1614, -0.7502, 1.7135, 0.0367, 0.0389, -0.0685, 1.0296];

/** XYZ under one white to XYZ that looks alike under another: what is white there is white here. */
export const adaptation = (from: Chromaticity, to: Chromaticity): Matrix3 => {
  const source = apply(BRADFORD, xyToXyz(from));
  const target = apply(BRADFORD, xyToXyz(to));
  const [r, g, b] = source.map((cone, i) => target[i] / cone);
  return multiply(invert(BRADFORD), multiply([r, 0, 0, 0, g, 0, 0, 0, b], BRADFORD));
};
