import Papa from 'papaparse';
import { failure, success, type Result } from '../result.ts';
import type { Triple } from '../maths/matrix.ts';
import { planckPower } from './temperature.ts';
import { OBSERVER, OBSERVER_FROM, OBSERVER_STEP } from './observer.ts';
import type { Chromaticity } from './chromaticity.ts';
import { xyToXyz } from './chromaticity.ts';

/** A row of a chart's file: what the patch is, and what the camera read, as it stands there. */
type ChartRow = { readonly name: string; readonly xyz: Triple; readonly read?: Triple };
export type Chart = { readonly rows: readonly ChartRow[]; readonly white: Triple };

const MAX_TEXT = 2_000_000;
const MAX_ROWS = 2000;

const number = (cell: string | undefined): number => {
  const text = (cell ?? '').trim().replace('\u2212', '-');
  return text === '' ? Number.NaN : Number(text);
};

/** CIE 1931 colour matching at a wavelength, straight between the table's own; nothing beyond its ends. */
const matching = (nm: number): Triple => {
  const at = (nm - OBSERVER_FROM) / OBSERVER_STEP;
  const low = Math.floor(at);
  if (low < 0 || low + 1 >= OBSERVER.length) return [0, 0, 0];
  const t = at - low;
  const mix = (k: number) => OBSERVER[low][k] + t * (OBSERVER[low + 1][k] - OBSERVER[low][k]);
  return [mix(0), mix(1), mix(2)];
};

/** XYZ of a reflectance spectrum (0..1) in the light of a black body, Y = 1 for a perfect white. */
const xyzOfSpectrum = (waves: readonly number[], reflectance: readonly number[], kelvin: number): Triple => {
  const sum: [number, number, number] = [0, 0, 0];
  let full = 0;
  waves.forEach((nm, i) => {
    // Each sample stands for the span between its neighbours' middles.
    const width = (waves[Math.min(waves.length - 1, i + 1)] - waves[Math.max(0, i - 1)]) / 2;
    const power = planckPower(nm * 1e-9, 1e6 / kelvin) * width;
    const xyz = matching(nm);
    full += power * xyz[1];
    for (let k = 0; k < 3; k += 1) sum[k] += power * xyz[k] * reflectance[i];
  });
  return [sum[0] / full, sum[1] / full, sum[2] / full];
};

/** A perfect white in that light, of the same samples. */
const whiteOf = (waves: readonly number[], kelvin: number): Triple =>
  xyzOfSpectrum(
    waves,
    waves.map(() => 1),
    kelvin,
  );

/** Light that a chart is seen in: its white, and the temperature of a lamp; daylight's spectrum is not held here. */
export type ChartLight = { readonly xy: Chromaticity; readonly kelvin?: number };

/**
 * A chart's file: a heading, then a row a patch. XYZ in columns X, Y, Z, or reflectances in columns that are called by
 * their wavelength in nm (0..1 or %); what the camera read in R, G, B where it stands there; a name in the first
 * column that is none of these. A row called `white` is the light's own. Refuses by row what it cannot read.
 */
export const readChart = (text: string, light: ChartLight): Result<Chart> => {
  if (text.length > MAX_TEXT) return failure('chart', 'The file is over 2 MB: a chart is far smaller.');
  const { data } = Papa.parse<string[]>(text.trim(), { skipEmptyLines: 'greedy' });
  const [heading = [], ...lines] = data;
  const names = heading.map((cell) => cell.trim());
  const column = (name: string) => names.findIndex((cell) => cell.toUpperCase() === name);
  const xyzAt = ['X', 'Y', 'Z'].map(column);
  const rgbAt = ['R', 'G', 'B'].map(column);
  const waveAt = names.flatMap((cell, at) => {
    const nm = Number.parseFloat(cell);
    return /^\d{3}(\.\d+)?( ?nm)?$/i.test(cell) && nm >= 300 && nm <= 1100 ? [{ nm, at }] : [];
  });
  const hasXyz = xyzAt.every((at) => at >= 0);
  if (!hasXyz && waveAt.length < 8)
    return failure(
      'heading',
      'The heading needs columns X, Y, Z, or eight and more wavelengths such as 380, 390, 400.',
    );
  const { kelvin } = light;
  if (!hasXyz && kelvin === undefined)
    return failure(
      'light',
      'Reflectances are turned to colours in a lamp’s light only: choose a lamp, or give X, Y, Z.',
    );
  if (lines.length > MAX_ROWS) return failure('chart', `${lines.length} rows; up to ${MAX_ROWS} are read.`);
  const named = names.findIndex((_, at) => ![...xyzAt, ...rgbAt, ...waveAt.map((w) => w.at)].includes(at));
  const rows: ChartRow[] = [];
  let white = xyToXyz(light.xy);
  for (const [i, cells] of lines.entries()) {
    const name = cells[named]?.trim() || `row ${i + 1}`;
    const spectrum = waveAt.map(({ at }) => number(cells[at]));
    const isPercent = Math.max(...spectrum) > 2;
    const xyz: Triple = hasXyz
      ? [number(cells[xyzAt[0]]), number(cells[xyzAt[1]]), number(cells[xyzAt[2]])]
      : xyzOfSpectrum(
          waveAt.map(({ nm }) => nm),
          isPercent ? spectrum.map((v) => v / 100) : spectrum,
          kelvin ?? 0,
        );
    if (!xyz.every(Number.isFinite))
      return failure(`row ${i + 2}`, `Row ${i + 2}, ${name}: a value is missing or no number.`);
    if (name.toLowerCase() === 'white' && hasXyz) white = xyz;
    const read = rgbAt.map((at) => (at < 0 ? Number.NaN : number(cells[at])));
    rows.push({ name, xyz, ...(read.every(Number.isFinite) ? { read: [read[0], read[1], read[2]] } : {}) });
  }
  if (!hasXyz)
    white = whiteOf(
      waveAt.map(({ nm }) => nm),
      kelvin ?? 0,
    );
  return success({ rows, white });
};
