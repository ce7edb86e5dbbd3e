import { XMLBuilder } from 'fast-xml-parser';
import type { Triple } from '../maths/matrix.ts';
import { cdlFault, NEUTRAL_CDL, type Cdl } from '../lut/cdl.ts';
import { failure, success, type Result } from '../result.ts';
import { child, readXml, type XmlNode } from './xml.ts';

/** A correction with what it is for. */
export type NamedCdl = {
  readonly id: string;
  /** What was done and to what, a line each. */
  readonly descriptions: readonly string[];
  readonly cdl: Cdl;
};

const MAX_TEXT = 20_000_000;
const MOST = 10_000;
/** Twelve tags a correction, its descriptions among them, and some to spare. */
const MOST_TAGS = 30 * MOST;
const NAMESPACE = 'urn:ASC:CDL:v1.2';

const numbers = (values: readonly number[]) => values.join(' ');

const node = ({ id, descriptions, cdl }: NamedCdl) => ({
  '@id': id,
  ...(descriptions.length > 0 ? { Description: descriptions } : {}),
  SOPNode: { Slope: numbers(cdl.slope), Offset: numbers(cdl.offset), Power: numbers(cdl.power) },
  SatNode: { Saturation: String(cdl.saturation) },
});

const build = (body: Record<string, unknown>) =>
  new XMLBuilder({ ignoreAttributes: false, attributeNamePrefix: '@', format: true }).build({
    '?xml': { '@version': '1.0', '@encoding': 'UTF-8' },
    ...body,
  });

/** One correction as `.cc`. Numbers come back exactly. */
export const writeCc = (one: NamedCdl): string =>
  build({ ColorCorrection: { '@xmlns': NAMESPACE, ...node(one) } });

/** Corrections of many clips as `.ccc`, in their order. */
export const writeCcc = (many: readonly NamedCdl[]): string =>
  build({ ColorCorrectionCollection: { '@xmlns': NAMESPACE, ColorCorrection: many.map(node) } });

const tripleOf = (parent: XmlNode | undefined, name: string, otherwise: Triple): Triple | undefined => {
  const text = parent && child(parent, name)?.text;
  if (text === undefined) return otherwise;
  const values = text.trim().split(/\s+/).map(Number);
  return values.length === 3 ? (values as unknown as Triple) : undefined;
};

const correctionOf = (from: XmlNode, n: number): Result<NamedCdl> => {
  const id = from.attributes.id ?? '';
  const where = `ColorCorrection ${id === '' ? n + 1 : `“${id.slice(0, 40)}”`}`;
  const sop = child(from, 'SOPNode');
  const sat = child(from, 'SatNode') ?? child(from, 'SATNode');
  if (!sop && !sat) return failure(where, 'It has neither a SOPNode nor a SatNode: nothing to apply.');
  const slope = tripleOf(sop, 'Slope', NEUTRAL_CDL.slope);
  const offset = tripleOf(sop, 'Offset', NEUTRAL_CDL.offset);
  const power = tripleOf(sop, 'Power', NEUTRAL_CDL.power);
  if (!slope || !offset || !power) return failure(where, 'Slope, Offset and Power need three numbers each.');
  const saturation = Number((sat && child(sat, 'Saturation')?.text) ?? 1);
  const cdl = { slope, offset, power, saturation };
  const fault = cdlFault(cdl);
  if (fault) return failure(where, `The correction is outside ASC CDL 1.2: ${fault}.`);
  const descriptions = [from, sop, sat].flatMap((part) =>
    (part?.children ?? []).filter(({ name }) => name === 'Description').map(({ text }) => text.trim()),
  );
  return success({ id, descriptions, cdl });
};

const correctionsIn = (nodes: readonly XmlNode[]): XmlNode[] =>
  nodes.flatMap((one) => (one.name === 'ColorCorrection' ? [one] : correctionsIn(one.children)));

/**
 * Reads the corrections of a `.cc`, `.ccc` or `.cdl` file (ASC CDL 1.2), in their order. What a node leaves
 * out is neutral; entities are not expanded. At most 20 MB and 10 000 corrections.
 */
export const parseCdl = (text: string): Result<readonly NamedCdl[]> => {
  if (text.length > MAX_TEXT) return failure('file', 'The file is over 20 MB: split the list.');
  const nodes = readXml(text, MOST_TAGS);
  if (!nodes.ok) return nodes;
  const found = correctionsIn(nodes.value);
  if (found.length === 0) return failure('file', 'No ColorCorrection in it: this is not an ASC CDL file.');
  if (found.length > MOST) return failure('file', `More than ${MOST} corrections: split the list.`);
  const read: NamedCdl[] = [];
  for (const [n, one] of found.entries()) {
    const correction = correctionOf(one, n);
    if (!correction.ok) return correction;
    read.push(correction.value);
  }
  return success(read);
};
