import type { Lattice } from '../lut/lattice.ts';
import { failure, success, type Result } from '../result.ts';

export type CubeText = { readonly title: string; readonly comments: readonly string[] };
export type Cube = Lattice & CubeText;

const MAX_SIZE = 129;
const MAX_TEXT = 80_000_000;

const oneLine = (text: string) => text.replace(/[\r\n"]+/g, ' ').trim();

/** A 3D `.cube` LUT, red fastest, six decimals, domain 0..1, LF line ends. */
export const writeCube = ({ size, data }: Lattice, { title, comments }: CubeText): string => {
  const head = [
    ...comments.map((line) => `# ${oneLine(line)}`),
    `TITLE "${oneLine(title)}"`,
    `LUT_3D_SIZE ${size}`,
    'DOMAIN_MIN 0.0 0.0 0.0',
    'DOMAIN_MAX 1.0 1.0 1.0',
  ];
  const rows = Array.from({ length: size ** 3 }, (_, i) =>
    [data[3 * i], data[3 * i + 1], data[3 * i + 2]].map((v) => v.toFixed(6)).join(' '),
  );
  return `${head.join('\n')}\n${rows.join('\n')}\n`;
};

/**
 * Reads a 3D `.cube` with domain 0..1. Tolerates comments, CRLF, blank lines and exponents; refuses anything
 * else with the line's number. Bounded: size 2..129, 80 MB of text.
 */
export const parseCube = (text: string): Result<Cube> => {
  if (text.length > MAX_TEXT)
    return failure('file', 'The file is over 80 MB; a cube of 129 points is under 60 MB.');
  let size = 0;
  let title = '';
  let at = 0;
  let data = new Float32Array(0);
  const comments: string[] = [];
  const lines = text.split(/\r?\n/);
  for (let n = 0; n < lines.length; n += 1) {
    const line = lines[n].trim();
    const where = `line ${n + 1}`;
    if (line === '') continue;
    if (line.startsWith('#')) comments.push(line.slice(1).trim());
    else if (line.startsWith('TITLE')) title = line.replace(/^TITLE\s*"?/, '').replace(/"$/, '');
    else if (line.startsWith('LUT_3D_SIZE')) {
      size = Number(line.split(/\s+/)[1]);
      if (!Number.isInteger(size) || size < 2 || size > MAX_SIZE) {
        return failure(
          where,
          `LUT_3D_SIZE is ${line.split(/\s+/)[1]}; it must be a whole number from 2 to ${MAX_SIZE}.`,
        );
      }
      data = new Float32Array(3 * size ** 3);
    } else if (line.startsWith('DOMAIN_')) {
      const want = line.startsWith('DOMAIN_MIN') ? 0 : 1;
      if (
        line
          .split(/\s+/)
          .slice(1)
          .some((v) => Number(v) !== want)
      ) {
        return failure(where, 'Only a domain of 0 to 1 is read here; scale the LUT to it first.');
      }
    } else if (/^[A-Z]/.test(line) && !/^(nan|inf)/i.test(line))
      return failure(where, `"${line.slice(0, 24)}" is not a keyword of a 3D cube.`);
    else {
      const values = line.split(/\s+/).map(Number);
      if (values.length !== 3 || !values.every(Number.isFinite))
        return failure(where, 'A row needs three finite numbers.');
      if (size === 0) return failure(where, 'A row of numbers stands before LUT_3D_SIZE.');
      if (at >= data.length)
        return failure(where, `More rows than the ${size ** 3} that LUT_3D_SIZE ${size} asks for.`);
      data.set(values, at);
      at += 3;
    }
  }
  if (size === 0) return failure('file', 'No LUT_3D_SIZE line: this is not a 3D cube.');
  if (at !== data.length)
    return failure('end of file', `${at / 3} rows, but LUT_3D_SIZE ${size} asks for ${size ** 3}.`);
  return success({ size, data, title, comments });
};
