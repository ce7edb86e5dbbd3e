import { failure, success, type Result } from '../result.ts';
import { oneChannel, type SampledCurve } from './curve.ts';

const MAX_SIZE = 65_536;
const MAX_TEXT = 8_000_000;

const numbersOf = (line: string) => line.split(/\s+/).slice(1).map(Number);

/**
 * Reads a 1D `.cube`: LUT_1D_SIZE up to 65536, any domain (DOMAIN_MIN / DOMAIN_MAX or LUT_1D_INPUT_RANGE), comments,
 * CRLF and exponents; refuses a 3D one and whatever else, with the line's number. At most 8 MB.
 */
export const parseCube1d = (text: string): Result<SampledCurve> => {
  if (text.length > MAX_TEXT) return failure('file', 'The file is over 8 MB: a 1D cube is smaller.');
  let size = 0;
  let title = '';
  let domain: readonly [number, number] = [0, 1];
  const rows: number[][] = [];
  const lineOf: number[] = [];
  for (const [n, raw] of text.split(/\r?\n/).entries()) {
    const line = raw.trim();
    const where = `line ${n + 1}`;
    if (line === '' || line.startsWith('#')) continue;
    if (line.startsWith('TITLE')) title = line.replace(/^TITLE\s*"?/, '').replace(/"$/, '');
    else if (line.startsWith('LUT_1D_SIZE')) {
      [size] = numbersOf(line);
      if (!Number.isInteger(size) || size < 2 || size > MAX_SIZE)
        return failure(where, `LUT_1D_SIZE must be a whole number from 2 to ${MAX_SIZE}.`);
    } else if (line.startsWith('LUT_3D_SIZE'))
      return failure(where, 'This is a 3D cube; a profile needs a 1D one.');
    else if (/^(DOMAIN_MIN|DOMAIN_MAX|LUT_1D_INPUT_RANGE)\b/.test(line)) {
      const values = numbersOf(line);
      if (values.length < 1 || !values.every(Number.isFinite))
        return failure(where, 'The domain needs numbers.');
      const one = values[1] ?? values[0];
      if (line.startsWith('LUT_1D')) domain = [values[0], one];
      else domain = line.startsWith('DOMAIN_MIN') ? [one, domain[1]] : [domain[0], one];
    } else if (/^[A-Z]/.test(line) && !/^(nan|inf)/i.test(line))
      return failure(where, `“${line.slice(0, 24)}” is not a keyword of a 1D cube.`);
    else {
      const values = line.split(/\s+/).map(Number);
      if (values.length !== 3 || !values.every(Number.isFinite))
        return failure(where, 'A row needs three finite numbers.');
      if (size === 0) return failure(where, 'A row of numbers stands before LUT_1D_SIZE.');
      if (rows.length === size)
        return failure(where, `More rows than the ${size} that LUT_1D_SIZE asks for.`);
      rows.push(values);
      lineOf.push(n + 1);
    }
  }
  if (size === 0) return failure('file', 'No LUT_1D_SIZE line: this is not a 1D cube.');
  if (rows.length !== size)
    return failure('end of file', `${rows.length} rows, but LUT_1D_SIZE asks for ${size}.`);
  if (!(domain[1] > domain[0])) return failure('domain', 'The domain ends before it begins.');
  const step = (domain[1] - domain[0]) / (size - 1);
  return success({
    title,
    x: rows.map((_, i) => domain[0] + i * step),
    ...oneChannel(rows),
    rowAt: (i) => `line ${lineOf[i]}`,
  });
};
