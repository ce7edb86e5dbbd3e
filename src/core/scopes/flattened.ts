import type { Rect } from '../frame/frame.ts';

/**
 * A part of a plane of codes about the plane that fits it best, since a card is never lit quite evenly: mean and
 * variance in codes, how alike neighbours along a row are (correlation), and the residuals row by row.
 */
export const flattened = (luma: Uint16Array, stride: number, { x, y, width, height }: Rect) => {
  const n = width * height;
  let [sum, sumX, sumY] = [0, 0, 0];
  const [midX, midY] = [(width - 1) / 2, (height - 1) / 2];
  for (let row = 0; row < height; row += 1)
    for (let column = 0; column < width; column += 1) {
      const v = luma[(y + row) * stride + x + column];
      sum += v;
      sumX += v * (column - midX);
      sumY += v * (row - midY);
    }
  const slopeX = sumX / Math.max(1, (n * (width * width - 1)) / 12);
  const slopeY = sumY / Math.max(1, (n * (height * height - 1)) / 12);
  const mean = sum / n;
  const rest = new Float32Array(n);
  let [squares, products] = [0, 0];
  for (let row = 0, i = 0; row < height; row += 1)
    for (let column = 0; column < width; column += 1, i += 1) {
      const off =
        luma[(y + row) * stride + x + column] - mean - slopeX * (column - midX) - slopeY * (row - midY);
      rest[i] = off;
      squares += off * off;
      if (column > 0) products += off * rest[i - 1];
    }
  const variance = squares / Math.max(1, n - 3);
  const alike = squares > 0 ? products / squares / Math.max(1e-9, (width - 1) / width) : 0;
  return { mean, variance, alike, rest };
};
