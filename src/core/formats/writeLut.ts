import type { Lut } from '../lut/lut.ts';
import type { LutNode } from '../lut/node.ts';
import { failure, success, type Result } from '../result.ts';
import { writeCc, writeCcc } from './cdl.ts';
import { writeClf, type WrittenNode } from './clfWrite.ts';
import { writeCubeFile } from './cube.ts';

/** What a LUT file says of itself. */
export type LutWords = {
  readonly id: string;
  readonly title: string;
  /** Profile, pull, gamut, range, a line each. */
  readonly comments: readonly string[];
  readonly input: string;
  readonly output: string;
};

type Writer = {
  readonly name: string;
  readonly extension: string;
  readonly type: string;
  readonly says: string;
  readonly write: (nodes: readonly LutNode[], words: LutWords) => Result<string>;
};

const single = <K extends Lut['kind']>(nodes: readonly LutNode[], kind: K) => {
  const [node, ...more] = nodes;
  return more.length === 0 && node?.kind === kind ? (node as Extract<Lut, { kind: K }>) : undefined;
};

const cube =
  (kind: Lut['kind'], reason: string): Writer['write'] =>
  (nodes, { title, comments }) => {
    const lut = single(nodes, kind);
    return lut ? success(writeCubeFile(lut, { title, comments })) : failure('format', reason);
  };

const cdl =
  (write: typeof writeCc): Writer['write'] =>
  (nodes, { id, title, comments }) => {
    const [node, ...more] = nodes;
    if (more.length > 0 || node?.kind !== 'cdl')
      return failure(
        'format',
        'A CDL holds slope, offset, power and saturation alone: write a .cube or a CLF.',
      );
    return success(write({ id, descriptions: [title, ...comments], cdl: node.cdl }));
  };

/** Formats that are written. A further one is a row. */
export const LUT_WRITERS = {
  cube: {
    name: '.cube',
    extension: 'cube',
    type: 'text/plain',
    says: 'A 3D cube: monitors, boxes, editors',
    write: cube('cube', 'A .cube holds one cube: bake the chain without a shaper.'),
  },
  cube1d: {
    name: '.cube 1D',
    extension: 'cube',
    type: 'text/plain',
    says: 'Three curves, where channels do not mix',
    write: cube('curves', 'The channels mix: this needs a 3D cube.'),
  },
  clf: {
    name: 'CLF',
    extension: 'clf',
    type: 'application/xml',
    says: 'Common LUT Format: names its interpolation, holds a shaper',
    write: (nodes, words) => {
      const read = nodes.find((node) => node.kind === 'function');
      if (read) return failure('format', `${read.name} of a file cannot be written again: bake it first.`);
      return success(writeClf(nodes as readonly WrittenNode[], { ...words, descriptions: words.comments }));
    },
  },
  cc: {
    name: '.cc',
    extension: 'cc',
    type: 'application/xml',
    says: 'One ASC CDL: what slope, offset, power and saturation can say',
    write: cdl(writeCc),
  },
  ccc: {
    name: '.ccc',
    extension: 'ccc',
    type: 'application/xml',
    says: 'The same as a collection of one',
    write: cdl((one) => writeCcc([one])),
  },
} as const satisfies Record<string, Writer>;

export type LutFormatId = keyof typeof LUT_WRITERS;
export const LUT_FORMAT_IDS = Object.keys(LUT_WRITERS) as LutFormatId[];
