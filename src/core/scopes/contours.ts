// Contour lines at whole stops, like a map's height lines. Noise would fray them, so the codes are first
// averaged over a small square; the averages are of codes, hence of stops on a log curve.

const boxRow = (
  source: Uint16Array,
  target: Uint32Array,
  from: number,
  width: number,
  radius: number,
): void => {
  let sum = 0;
  for (let x = -radius; x <= radius; x += 1) sum += source[from + Math.min(width - 1, Math.max(0, x))];
  for (let x = 0; x < width; x += 1) {
    target[from + x] = sum;
    sum += source[from + Math.min(width - 1, x + radius + 1)] - source[from + Math.max(0, x - radius)];
  }
};

/** Mean of a (2 radius + 1)^2 square round each pixel, edges held. */
export const boxBlur = (plane: Uint16Array, width: number, radius: number): Uint16Array => {
  const height = plane.length / width;
  const rows = new Uint32Array(plane.length);
  for (let y = 0; y < height; y += 1) boxRow(plane, rows, y * width, width, radius);
  const out = new Uint16Array(plane.length);
  const sums = new Float64Array(width);
  const area = (2 * radius + 1) ** 2;
  const rowAt = (y: number) => Math.min(height - 1, Math.max(0, y)) * width;
  for (let y = -radius; y <= radius; y += 1) for (let x = 0; x < width; x += 1) sums[x] += rows[rowAt(y) + x];
  for (let y = 0; y < height; y += 1) {
    const add = rowAt(y + radius + 1);
    const drop = rowAt(y - radius);
    const here = y * width;
    for (let x = 0; x < width; x += 1) {
      out[here + x] = Math.round(sums[x] / area);
      sums[x] += rows[add + x] - rows[drop + x];
    }
  }
  return out;
};

const LINE = 0xffffffff;
const SHADE = 0xff000000;
/** A tone this close to a whole stop stays on its neighbours' side, so that noise on it draws no line. */
const HYSTERESIS = 0.04;
const LOWEST = -20;

/** Whole stop of every pixel, rounded down, with hysteresis towards the pixels above and to the left. */
const stopBands = (smooth: Uint16Array, width: number, stopsOfCode: Float32Array): Int8Array => {
  const bands = new Int8Array(smooth.length);
  const fits = (stops: number, band: number) => stops >= band - HYSTERESIS && stops < band + 1 + HYSTERESIS;
  for (let i = 0; i < smooth.length; i += 1) {
    const stops = Math.max(LOWEST, stopsOfCode[smooth[i]]);
    const above = i >= width ? bands[i - width] : 127;
    const left = i % width > 0 ? bands[i - 1] : 127;
    bands[i] = fits(stops, above) ? above : fits(stops, left) ? left : Math.floor(stops);
  }
  return bands;
};

/**
 * Draws a white line with a black edge where the picture crosses a whole stop; the line at grey (0) is heavier.
 * `stopsOfCode` gives stops over grey of a luma code. Lines lie within 0.04 stop of the whole stop.
 */
export const drawContours = (
  pixels: Uint32Array,
  luma: Uint16Array,
  width: number,
  stopsOfCode: Float32Array,
  radius = 4,
): void => {
  const height = luma.length / width;
  const band = stopBands(boxBlur(luma, width, radius), width, stopsOfCode);
  for (let y = 0; y < height - 1; y += 1) {
    for (let x = 0; x < width - 1; x += 1) {
      const i = y * width + x;
      const here = band[i];
      const right = band[i + 1];
      const below = band[i + width];
      if (here === right && here === below) continue;
      pixels[i] = LINE;
      pixels[i + width + 1] = SHADE;
      const [low, high] = [Math.min(here, right, below), Math.max(here, right, below)];
      if (low < 0 && high >= 0) {
        pixels[i + 1] = LINE;
        pixels[i + width] = LINE;
        if (x > 0) pixels[i - 1] = LINE;
      }
    }
  }
};
