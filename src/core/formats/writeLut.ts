import type { Lut } from '../lut/lut.ts';
import type { LutNode } from '../lut/node.ts';
import { failure, success, type Result } from '../result.ts';
import { writeCc, writeCcc } from './cdl.ts';
import { writeClf, type WrittenNode } from './clfWrite.ts';
import { writeCubeFile } from './cube.ts';
import type { LutFormatId } from './lutFormats.ts';

/** What a LUT file says of itself. */
export type LutWords = {
  readonly id: string;
  readonly title: string;
  /** Profile, pull, gamut, range, a line each. */
  readonly comments: readonly string[];
  readonly input: string;
  readonly output: string;
};

type Writer = (nodes: readonly LutNode[], words: LutWords) => Result<string>;

const single = <K extends Lut['kind']>(nodes: readonly LutNode[], kind: K) => {
  const [node, ...more] = nodes;
  return more.length === 0 && node?.kind === kind ? (node as Extract<Lut, { kind: K }>) : undefined;
};

const cube =
  (kind: Lut['kind'], reason: string): Writer =>
  (nodes, { title, comments }) => {
    const lut = single(nodes, kind);
    return lut ? success(writeCubeFile(lut, { title, comments })) : failure('format', reason);
  };

const cdl =
  (write: typeof writeCc): Writer =>
  (nodes, { id, title, comments }) => {
    const [node, ...more] = nodes;
    if (more.length > 0 || node?.kind !== 'cdl')
      return failure(
        'format',
        'A CDL holds slope, offset, power and saturation alone: write a .cube or a CLF.',
      );
    return success(write({ id, descriptions: [title, ...comments], cdl: node.cdl }));
  };

/** How each format is written. */
export const LUT_WRITERS: Readonly<Record<LutFormatId, Writer>> = {
  cube: cube('cube', 'A .cube holds one cube: bake the chain without a shaper.'),
  cube1d: cube('curves', 'The channels mix: this needs a 3D cube.'),
  clf: (nodes, words) => {
    const read = nodes.find((node) => node.kind === 'function');
    if (read) return failure('format', `${read.name} of a file cannot be written again: bake it first.`);
    return success(writeClf(nodes as readonly WrittenNode[], { ...words, descriptions: words.comments }));
  },
  cc: cdl(writeCc),
  ccc: cdl((one) => writeCcc([one])),
};
