/** 3x3 matrix, row-major. */
export type Matrix3 = readonly [number, number, number, number, number, number, number, number, number];
export type Triple = readonly [number, number, number];

export const IDENTITY: Matrix3 = [1, 0, 0, 0, 1, 0, 0, 0, 1];

export const multiply = (a: Matrix3, b: Matrix3): Matrix3 => {
  const cell = (r: number, c: number) => a[3 * r] * b[c] + a[3 * r + 1] * b[c + 3] + a[3 * r + 2] * b[c + 6];
  return [0, 1, 2].flatMap((r) => [0, 1, 2].map((c) => cell(r, c))) as unknown as Matrix3;
};

export const apply = (m: Matrix3, [x, y, z]: Triple): Triple => [
  m[0] * x + m[1] * y + m[2] * z,
  m[3] * x + m[4] * y + m[5] * z,
  m[6] * x + m[7] * y + m[8] * z,
];

/** @throws RangeError when the matrix is singular. */
export const invert = (m: Matrix3): Matrix3 => {
  const [a, b, c, d, e, f, g, h, i] = m;
  const det = a * (e * i - f * h) - b * (d * i - f * g) + c * (d * h - e * g);
  if (Math.abs(det) < 1e-12) throw new RangeError('invert: the matrix is singular');
  return [
    (e * i - f * h) / det,
    (c * h - b * i) / det,
    (b * f - c * e) / det,
    (f * g - d * i) / det,
    (a * i - c * g) / det,
    (c * d - a * f) / det,
    (d * h - e * g) / det,
    (b * g - a * h) / det,
    (a * e - b * d) / det,
  ];
};
