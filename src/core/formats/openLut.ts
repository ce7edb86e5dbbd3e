import { failure, success, type Result } from '../result.ts';
import { compileNodes, type LutNode } from '../lut/node.ts';
import { isFloat32 } from '../maths/float32.ts';
import type { Triple } from '../maths/matrix.ts';
import { parseCdl } from './cdl.ts';
import { parseClfFile } from './clf.ts';
import { parseCubeFile } from './cube.ts';

/** A LUT file as it was opened. */
export type LutFile = {
  readonly title: string;
  readonly comments: readonly string[];
  /** What it is, in words: format, points, domain. */
  readonly says: string;
  readonly nodes: readonly LutNode[];
};

type Opener = {
  readonly name: string;
  /** Whether a text can be of this format, by how it begins. */
  readonly fits: (text: string) => boolean;
  readonly open: (text: string) => Result<LutFile>;
};

const HEAD = 4000;

const nodeWords = (node: LutNode): string => {
  const words: { readonly [K in LutNode['kind']]: (n: Extract<LutNode, { kind: K }>) => string } = {
    cube: ({ lattice: { size } }) => `cube of ${size} points a side`,
    curves: ({ curves: [r] }) => `curves of ${r.length} points`,
    matrix: () => 'matrix',
    cdl: () => 'CDL',
    range: () => 'range',
    function: ({ name }) => name.toLowerCase(),
  };
  return (words[node.kind] as (n: LutNode) => string)(node);
};

const domainWords = (node: LutNode): string => {
  if (node.kind !== 'cube' && node.kind !== 'curves') return '';
  const { min, max } = node.domain;
  if (min.every((v) => v === 0) && max.every((v) => v === 1)) return '';
  const span = (values: readonly number[]) =>
    new Set(values).size === 1 ? String(values[0]) : values.join(' ');
  return `, domain ${span(min)} to ${span(max)}`;
};

const nodesWords = (nodes: readonly LutNode[]): string =>
  nodes.map((node) => `${nodeWords(node)}${domainWords(node)}`).join(', ');

/** LUT formats that are read. A further one is a row. */
const OPENERS: readonly Opener[] = [
  {
    name: 'CLF',
    fits: (text) => /<(\w+:)?ProcessList[\s>]/.test(text),
    open: (text) => {
      const file = parseClfFile(text);
      if (!file.ok) return file;
      const { title, descriptions, input, output, nodes } = file.value;
      const ends = [input && `in: ${input}`, output && `out: ${output}`].filter((word) => word !== '');
      return success({
        title,
        comments: [...descriptions, ...ends],
        nodes,
        says: `CLF: ${nodesWords(nodes)}`,
      });
    },
  },
  {
    name: 'ASC CDL',
    fits: (text) => /<(\w+:)?Color(Correction|Decision)/.test(text),
    open: (text) => {
      const file = parseCdl(text);
      if (!file.ok) return file;
      const [{ id, descriptions, cdl }, ...others] = file.value;
      const more = others.length === 0 ? '' : `, the first of ${others.length + 1}`;
      return success({
        title: id,
        comments: descriptions,
        nodes: [{ kind: 'cdl', cdl, style: 'held' }],
        says: `ASC CDL${more}`,
      });
    },
  },
  {
    name: '.cube',
    fits: (text) => /^\s*(LUT_[13]D_SIZE|TITLE|DOMAIN_M|#|LUT_[13]D_INPUT)/m.test(text),
    open: (text) => {
      const file = parseCubeFile(text);
      if (!file.ok) return file;
      const { title, comments, lut } = file.value;
      return success({ title, comments, nodes: [lut], says: `.cube: ${nodesWords([lut])}` });
    },
  },
];

const AXIS = Array.from({ length: 33 }, (_, i) => i / 32);
const PROBES: readonly Triple[] = [
  ...AXIS.map((v): Triple => [v, v, v]),
  ...[0, 1, 2, 3, 4, 5, 6, 7].map((i): Triple => [i & 1, (i >> 1) & 1, i >> 2]),
];

/** A colour of the grey axis or a corner that nodes make no number of; undefined where there is none. */
const firstNoNumber = (nodes: readonly LutNode[]): Triple | undefined => {
  const run = compileNodes(nodes);
  return PROBES.find((rgb) => !run(rgb).every(isFloat32));
};

/** Opens a LUT by what it holds, whatever it is called: `.cube` 1D or 3D, CLF, ASC CDL. */
export const openLut = (text: string): Result<LutFile> => {
  const head = text.slice(0, HEAD);
  const opener = OPENERS.find(({ fits }) => fits(head));
  if (!opener)
    return failure('file', 'Neither a .cube, nor a CLF, nor an ASC CDL: export the LUT as one of these.');
  const opened = opener.open(text);
  const bad = opened.ok ? firstNoNumber(opened.value.nodes) : undefined;
  return bad === undefined
    ? opened
    : failure('file', `For ${bad.join(', ')} in, it comes to no number: export the LUT again.`);
};
