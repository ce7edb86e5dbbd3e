import type { Matrix3 } from '../maths/matrix.ts';
import { isFloat32 } from '../maths/float32.ts';
import { failure, success, type Result } from '../result.ts';
import type { LutNode } from '../lut/node.ts';
import { ownEntry } from '../ownEntry.ts';
import { CLF_NODES } from './clfNodes.ts';
import { CLF_OPERATORS, type ClfOperator } from './clfOperators.ts';
import { writeClf } from './clfWrite.ts';
import type { SampledCurve } from '../profile/sampledCurve.ts';
import { child, readXml, type XmlNode } from './xml.ts';

/** A cube of 129 points in nine digits is under 80 MB. */
const MAX_TEXT = 80_000_000;
const MAX_TEXT_1D = 20_000_000;
const MOST_NODES = 64;
const UNIFORM = 4096;
/** Children of a ProcessList that are no process nodes. */
const WORDS = ['Description', 'InputDescriptor', 'OutputDescriptor', 'Info'];

const processList = (text: string): Result<XmlNode> => {
  const nodes = readXml(text);
  if (!nodes.ok) return nodes;
  const list = nodes.value.find(({ name }) => name === 'ProcessList');
  return list ? success(list) : failure('file', 'No ProcessList: this is not a Common LUT Format file.');
};

const titleOf = (list: XmlNode) => list.attributes.name ?? list.attributes.id ?? '';

/** What a Common LUT Format file holds. */
export type ClfFile = {
  readonly title: string;
  readonly descriptions: readonly string[];
  readonly input: string;
  readonly output: string;
  readonly nodes: readonly LutNode[];
};

/**
 * Reads a Common LUT Format file (Academy S-2014-006) whole: LUT1D, LUT3D, Matrix, ASC_CDL, Range, Log and
 * Exponent in their order, numbers scaled to 0..1. A node of another kind is refused by its name; bypassed
 * ones are left out. At most 80 MB and 64 nodes; entities are not expanded.
 */
export const parseClfFile = (text: string): Result<ClfFile> => {
  if (text.length > MAX_TEXT) return failure('file', 'The file is over 80 MB: bake it smaller.');
  const found = processList(text);
  if (!found.ok) return found;
  const list = found.value;
  if (list.children.length > MOST_NODES)
    return failure('file', `More than ${MOST_NODES} nodes: bake them into one.`);
  const nodes: LutNode[] = [];
  for (const [i, node] of list.children.entries()) {
    if (WORDS.includes(node.name) || node.attributes.bypass === 'true') continue;
    const { id } = node.attributes;
    const named = id ? ` “${id.slice(0, 30)}”` : '';
    const place = `node ${i + 1}, line ${node.line}`;
    const where = `${node.name.slice(0, 30)}${named}, ${place}`;
    const read = ownEntry(CLF_NODES, node.name);
    if (!read)
      return failure(
        where,
        'This kind of node is not read: export the LUT with LUT1D, LUT3D, Matrix, ASC_CDL, Range, Log or Exponent.',
      );
    if (child(node, 'IndexMap'))
      return failure(where, 'An IndexMap is not read: export the LUT without one.');
    const made = read(node);
    if (!made.ok) return failure(made.where.includes('row') ? `${made.where}, ${place}` : where, made.reason);
    nodes.push(made.value);
  }
  if (nodes.length === 0) return failure('file', 'No process node in it: nothing to apply.');
  const word = (name: string) => child(list, name)?.text.trim() ?? '';
  return success({
    title: titleOf(list),
    descriptions: list.children.filter(({ name }) => name === 'Description').map(({ text: t }) => t.trim()),
    input: word('InputDescriptor'),
    output: word('OutputDescriptor'),
    nodes,
  });
};

/**
 * Reads the one-dimensional part of a Common LUT Format file (Academy S-2014-006): LUT1D (any bit depth, half domain,
 * raw halfs), Log, Exponent and Range, in their order, on one channel. Matrices, 3D LUTs and ASC CDL are left out and
 * named. At most 20 MB; entities are not expanded.
 */
export const parseClf = (text: string): Result<SampledCurve> => {
  if (text.length > MAX_TEXT_1D) return failure('file', 'The file is over 20 MB: bring its 1D part alone.');
  const found = processList(text);
  if (!found.ok) return found;
  const list = found.value;
  const operators: ClfOperator[] = [];
  const left: string[] = [];
  for (const node of list.children) {
    if (WORDS.includes(node.name) || node.attributes.bypass === 'true') continue;
    const make = ownEntry<(typeof CLF_OPERATORS)[keyof typeof CLF_OPERATORS]>(CLF_OPERATORS, node.name);
    if (!make) {
      left.push(node.name);
      continue;
    }
    const made = make(node);
    if (!made.ok) return made;
    operators.push(made.value);
  }
  if (operators.length === 0)
    return failure('file', 'No 1D part in it: a profile needs a LUT1D, Log, Exponent or Range.');
  const x = operators[0].knots ?? Array.from({ length: UNIFORM }, (_, i) => i / (UNIFORM - 1));
  const y = x.map((v) => operators.reduce((value, { apply }) => apply(value), v));
  const bad = y.findIndex((v) => !isFloat32(v));
  if (bad >= 0) return failure('file', `At ${x[bad]} in, its nodes come to no number: export the LUT again.`);
  return success({
    title: titleOf(list),
    x,
    y,
    notes: [
      ...(left.length > 0 ? [`Left out, not one-dimensional: ${[...new Set(left)].join(', ')}.`] : []),
      ...operators.flatMap(({ notes }) => notes ?? []),
    ],
    rowAt: (i) => `row ${i + 1}`,
  });
};

/** A 3x3 matrix as a Common LUT Format file, floats in and out. */
export const writeClfMatrix = (
  matrix: Matrix3,
  words: { readonly id: string; readonly name: string; readonly input: string; readonly output: string },
): string =>
  writeClf([{ kind: 'matrix', matrix, offset: [0, 0, 0] }], {
    id: words.id,
    title: words.name,
    descriptions: [],
    input: words.input,
    output: words.output,
  });
