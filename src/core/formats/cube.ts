import type { Triple } from '../maths/matrix.ts';
import type { Lattice } from '../lut/lattice.ts';
import { UNIT_DOMAIN, type Lut } from '../lut/lut.ts';
import { isFloat32 } from '../maths/float32.ts';
import { failure, success, type Result } from '../result.ts';

export type CubeText = { readonly title: string; readonly comments: readonly string[] };
export type CubeFile = CubeText & {
  readonly lut: Lut;
  /** Line of the file in which each row of a 1D cube stands. */
  readonly lines: readonly number[];
};

const MOST = { LUT_1D_SIZE: 65_536, LUT_3D_SIZE: 129 } as const;
const MAX_TEXT = 80_000_000;

type SizeWord = keyof typeof MOST;

const oneLine = (text: string) => text.replace(/[\r\n"]+/g, ' ').trim();

/**
 * Nine significant digits without an exponent: a 32-bit float comes back as it was, down to 1e-12; what is
 * smaller is written as near as twenty decimals go.
 */
const digits = (v: number): string => {
  if (v === 0) return '0';
  const decimals = Math.min(20, Math.max(0, 8 - Math.floor(Math.log10(Math.abs(v)))));
  const text = v.toFixed(decimals);
  return text.includes('.') ? text.replace(/\.?0+$/, '') : text;
};

/** A number as it is, exactly, without an exponent where twenty decimals hold it. */
const exact = (v: number): string => {
  const text = String(v);
  return text.includes('e') ? v.toFixed(20).replace(/\.?0+$/, '') : text;
};

const row = (values: readonly number[]) => values.map(digits).join(' ');

const rowsOf = (lut: Lut): string[] => {
  if (lut.kind === 'curves') {
    const [r, g, b] = lut.curves;
    return Array.from(r, (v, i) => row([v, g[i], b[i]]));
  }
  const { data, size } = lut.lattice;
  return Array.from({ length: size ** 3 }, (_, i) => row([data[3 * i], data[3 * i + 1], data[3 * i + 2]]));
};

/** A `.cube` LUT, 1D or 3D, red fastest, LF line ends; the domain is written where it is not 0..1. */
export const writeCubeFile = (lut: Lut, { title, comments }: CubeText): string => {
  const size = lut.kind === 'cube' ? lut.lattice.size : lut.curves[0].length;
  const { min, max } = lut.domain;
  const head = [
    ...comments.map((line) => `# ${oneLine(line)}`),
    `TITLE "${oneLine(title)}"`,
    `${lut.kind === 'cube' ? 'LUT_3D_SIZE' : 'LUT_1D_SIZE'} ${size}`,
    `DOMAIN_MIN ${min.map(exact).join(' ')}`,
    `DOMAIN_MAX ${max.map(exact).join(' ')}`,
  ];
  return `${head.join('\n')}\n${rowsOf(lut).join('\n')}\n`;
};

/** A 3D cube with the domain 0..1. */
export const writeCube = (lattice: Lattice, text: CubeText): string =>
  writeCubeFile({ kind: 'cube', domain: UNIT_DOMAIN, lattice }, text);

/** Rows of a cube of 129 points, and as many again for comments and blank lines. */
const MOST_LINES = 2 * 129 ** 3;

/** Lines one by one, however they end: the whole text is not held a second time. */
function* linesOf(text: string): Generator<string, void> {
  const ends = /\r\n|\n|\r/g;
  let from = 0;
  for (let end = ends.exec(text); end; end = ends.exec(text)) {
    yield text.slice(from, end.index);
    from = ends.lastIndex;
  }
  yield text.slice(from);
}

/** What is known while the lines are read. */
type Reading = {
  word?: SizeWord;
  size: number;
  title: string;
  min: Triple;
  max: Triple;
  readonly comments: string[];
  data: Float32Array;
  at: number;
  readonly lines: number[];
};

/** A decimal number; what JavaScript would read as hexadecimal, octal or binary (0x10) is none in a cube. */
const decimal = (text: string): number => ('xXoObB'.includes(text.charAt(1) || ' ') ? NaN : Number(text));

const numbersOf = (line: string): number[] => line.split(/\s+/).slice(1).map(decimal);

const tripleOf = (line: string): Triple | undefined => {
  const found = numbersOf(line);
  const all = found.length === 1 ? [found[0], found[0], found[0]] : found;
  return all.length === 3 && all.every(isFloat32) ? (all as unknown as Triple) : undefined;
};

const takeSize = (reading: Reading, line: string): string | undefined => {
  const word = line.split(/\s+/)[0] as SizeWord;
  if (reading.word)
    return `A second size, after ${reading.word}: files with a curve before the cube are not read, bake them into one.`;
  const [size] = numbersOf(line);
  if (!Number.isInteger(size) || size < 2 || size > MOST[word])
    return `${word} is ${line.split(/\s+/)[1]}; it must be a whole number from 2 to ${MOST[word]}.`;
  reading.word = word;
  reading.size = size;
  reading.data = new Float32Array(3 * (word === 'LUT_3D_SIZE' ? size ** 3 : size));
  return undefined;
};

/** Lines that begin with a word. Each says what is wrong with it, if something is. A further one is a row. */
const WORDS: Readonly<Record<string, (reading: Reading, line: string) => string | undefined>> = {
  TITLE: (reading, line) => {
    reading.title = line.replace(/^TITLE\s*"?/, '').replace(/"$/, '');
    return undefined;
  },
  LUT_1D_SIZE: takeSize,
  LUT_3D_SIZE: takeSize,
  DOMAIN_MIN: (reading, line) => {
    const min = tripleOf(line);
    if (min) reading.min = min;
    return min ? undefined : 'The domain needs three finite numbers.';
  },
  DOMAIN_MAX: (reading, line) => {
    const max = tripleOf(line);
    if (max) reading.max = max;
    return max ? undefined : 'The domain needs three finite numbers.';
  },
  // Written by some programs instead of the domain: one range for all channels.
  LUT_1D_INPUT_RANGE: (reading, line) => takeRange(reading, line),
  LUT_3D_INPUT_RANGE: (reading, line) => takeRange(reading, line),
};

const takeRange = (reading: Reading, line: string): string | undefined => {
  const [low, high] = numbersOf(line);
  if (!isFloat32(low) || !isFloat32(high)) return 'The range needs two finite numbers.';
  reading.min = [low, low, low];
  reading.max = [high, high, high];
  return undefined;
};

const takeRow = (reading: Reading, line: string): string | undefined => {
  const values = line.split(/\s+/).map(decimal);
  if (values.length !== 3 || !values.every(isFloat32)) return 'A row needs three finite numbers.';
  if (!reading.word)
    return 'A row of numbers stands before the size: LUT_1D_SIZE or LUT_3D_SIZE comes first.';
  if (reading.at >= reading.data.length)
    return `More rows than the ${reading.data.length / 3} that ${reading.word} ${reading.size} asks for.`;
  reading.data.set(values, reading.at);
  reading.at += 3;
  return undefined;
};

const takeLine = (reading: Reading, line: string): string | undefined => {
  if (line.startsWith('#')) {
    reading.comments.push(line.slice(1).trim());
    return undefined;
  }
  if (!/^[A-Z]/.test(line) || /^(nan|inf)/i.test(line)) return takeRow(reading, line);
  const take = WORDS[/^\w+/.exec(line)?.[0] ?? ''];
  return take ? take(reading, line) : `“${line.slice(0, 24)}” is not a keyword of a cube.`;
};

const lutOf = ({ word, size, data, min, max }: Reading): Lut => {
  const domain = { min, max };
  if (word === 'LUT_3D_SIZE') return { kind: 'cube', domain, lattice: { size, data } };
  const curve = (c: number) => Float32Array.from({ length: size }, (_, i) => data[3 * i + c]);
  return { kind: 'curves', domain, curves: [curve(0), curve(1), curve(2)] };
};

/**
 * Reads a `.cube`, 1D (to 65536 points) or 3D (to 129), with any domain that rises. Tolerates comments, CRLF,
 * blank lines, tabs and exponents; refuses anything else with the line's number. At most 80 MB of text.
 */
export const parseCubeFile = (text: string): Result<CubeFile> => {
  if (text.length > MAX_TEXT)
    return failure('file', 'The file is over 80 MB; a cube of 129 points is under 80 MB.');
  const reading: Reading = {
    size: 0,
    title: '',
    ...UNIT_DOMAIN,
    comments: [],
    data: new Float32Array(0),
    at: 0,
    lines: [],
  };
  let n = -1;
  for (const raw of linesOf(text)) {
    n += 1;
    if (n > MOST_LINES) return failure(`line ${n}`, `More than ${MOST_LINES} lines: no cube has so many.`);
    const line = raw.trim();
    const wrong = line === '' ? undefined : takeLine(reading, line);
    if (wrong) return failure(`line ${n + 1}`, wrong);
    if (reading.word === 'LUT_1D_SIZE' && reading.lines.length < reading.at / 3) reading.lines.push(n + 1);
  }
  const { word, size, at, data, min, max, title, comments } = reading;
  if (!word) return failure('file', 'No LUT_1D_SIZE or LUT_3D_SIZE line: this is not a cube.');
  if (at !== data.length)
    return failure('end of file', `${at / 3} rows, but ${word} ${size} asks for ${data.length / 3}.`);
  const backwards = min.findIndex((low, c) => !(max[c] > low));
  if (backwards >= 0)
    return failure('domain', `The domain runs from ${min[backwards]} to ${max[backwards]}: it must rise.`);
  return success({ title, comments, lut: lutOf(reading), lines: reading.lines });
};
