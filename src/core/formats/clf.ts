import { XMLBuilder } from 'fast-xml-parser';
import type { Matrix3 } from '../colour/matrix.ts';
import { failure, success, type Result } from '../result.ts';
import { CLF_OPERATORS, type ClfOperator } from './clfOperators.ts';
import type { SampledCurve } from './curve.ts';
import { readXml } from './xml.ts';

const MAX_TEXT = 20_000_000;
const UNIFORM = 4096;
/** Children of a ProcessList that are no process nodes. */
const WORDS = ['Description', 'InputDescriptor', 'OutputDescriptor', 'Info'];

/**
 * Reads the one-dimensional part of a Common LUT Format file (Academy S-2014-006): LUT1D (any bit depth, half domain,
 * raw halfs), Log, Exponent and Range, in their order, on one channel. Matrices, 3D LUTs and ASC CDL are left out and
 * named. At most 20 MB; entities are not expanded.
 */
export const parseClf = (text: string): Result<SampledCurve> => {
  if (text.length > MAX_TEXT) return failure('file', 'The file is over 20 MB: bring its 1D part alone.');
  const nodes = readXml(text);
  if (!nodes.ok) return nodes;
  const list = nodes.value.find(({ name }) => name === 'ProcessList');
  if (!list) return failure('file', 'No ProcessList: this is not a Common LUT Format file.');
  const operators: ClfOperator[] = [];
  const left: string[] = [];
  for (const node of list.children) {
    if (WORDS.includes(node.name) || node.attributes.bypass === 'true') continue;
    const make = CLF_OPERATORS[node.name as keyof typeof CLF_OPERATORS];
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
  return success({
    title: list.attributes.name ?? list.attributes.id ?? '',
    x,
    y: x.map((v) => operators.reduce((value, { apply }) => apply(value), v)),
    notes: [
      ...(left.length > 0 ? [`Left out, not one-dimensional: ${[...new Set(left)].join(', ')}.`] : []),
      ...operators.flatMap(({ notes }) => notes ?? []),
    ],
    rowAt: (i) => `row ${i + 1}`,
  });
};

/** A 3x3 matrix as a Common LUT Format file, floats in and out. Nine digits, enough for a 32-bit float. */
export const writeClfMatrix = (
  matrix: Matrix3,
  words: { readonly id: string; readonly name: string; readonly input: string; readonly output: string },
): string => {
  const rows = [0, 3, 6].map((i) =>
    matrix
      .slice(i, i + 3)
      .map((v) => v.toPrecision(9))
      .join(' '),
  );
  const builder = new XMLBuilder({ ignoreAttributes: false, attributeNamePrefix: '@', format: true });
  return builder.build({
    '?xml': { '@version': '1.0', '@encoding': 'UTF-8' },
    ProcessList: {
      '@id': words.id,
      '@name': words.name,
      '@compCLFversion': '3',
      InputDescriptor: words.input,
      OutputDescriptor: words.output,
      Matrix: {
        '@inBitDepth': '32f',
        '@outBitDepth': '32f',
        Array: { '@dim': '3 3', '#text': `\n${rows.join('\n')}\n` },
      },
    },
  });
};
