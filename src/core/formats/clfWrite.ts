import { XMLBuilder } from 'fast-xml-parser';
import type { Lut } from '../lut/lut.ts';
import type { InterpolationId } from '../lut/lut.ts';
import type { LutNode } from '../lut/node.ts';

export type ClfWords = {
  readonly id: string;
  readonly title: string;
  readonly descriptions: readonly string[];
  readonly input: string;
  readonly output: string;
};

/** Nodes that can be written: all but functions read from a file. */
export type WrittenNode = Exclude<LutNode, { kind: 'function' }>;

type Built = { readonly name: string; readonly body: Record<string, unknown> };

const FLOATS = { '@inBitDepth': '32f', '@outBitDepth': '32f' };
const lines = (rows: readonly string[]) => `\n${rows.join('\n')}\n`;
/** The shortest text that gives the same 32-bit float back. */
const short = (v: number): string => {
  for (let digits = 7; digits < 9; digits += 1) {
    const text = v.toPrecision(digits);
    if (Math.fround(Number(text)) === v) return String(Number(text));
  }
  return String(Number(v.toPrecision(9)));
};

/** LUT nodes of a CLF are read on 0..1: another domain is brought there first. */
const domainNodes = ({ domain: { min, max } }: Lut): Built[] => {
  const plain = min.every((v) => v === 0) && max.every((v) => v === 1);
  if (plain) return [];
  const gains = min.map((low, c) => 1 / (max[c] - low));
  const rows = [0, 1, 2].map((r) =>
    [0, 1, 2]
      .map((c) => (c === r ? gains[r] : 0))
      .concat(-min[r] * gains[r])
      .join(' '),
  );
  return [
    {
      name: 'Matrix',
      body: { ...FLOATS, Array: { '@dim': '3 4', '#text': lines(rows) } },
    },
  ];
};

type Writers = {
  readonly [K in WrittenNode['kind']]: (node: Extract<WrittenNode, { kind: K }>) => Built[];
};

/** What is written for each kind of node (Academy S-2014-006 version 3.0, clause 5). A further one is a row. */
const WRITERS: Writers = {
  curves: (node) => {
    const [r, g, b] = node.curves;
    const rows = Array.from(r, (v, i) => `${short(v)} ${short(g[i])} ${short(b[i])}`);
    return [
      ...domainNodes(node),
      {
        name: 'LUT1D',
        body: {
          ...FLOATS,
          '@interpolation': 'linear',
          Array: { '@dim': `${r.length} 3`, '#text': lines(rows) },
        },
      },
    ];
  },
  cube: (node) => {
    const { size, data } = node.lattice;
    const interpolation: InterpolationId = node.interpolation ?? 'tetrahedral';
    // Blue changes fastest (clause 5.4).
    const rows = Array.from({ length: size ** 3 }, (_, i) => {
      const at = 3 * (Math.floor(i / size ** 2) + size * ((Math.floor(i / size) % size) + size * (i % size)));
      return `${short(data[at])} ${short(data[at + 1])} ${short(data[at + 2])}`;
    });
    return [
      ...domainNodes(node),
      {
        name: 'LUT3D',
        body: {
          ...FLOATS,
          '@interpolation': interpolation,
          Array: { '@dim': `${size} ${size} ${size} 3`, '#text': lines(rows) },
        },
      },
    ];
  },
  matrix: ({ matrix, offset }) => {
    const shifted = offset.some((v) => v !== 0);
    const rows = [0, 1, 2].map((r) =>
      [...matrix.slice(3 * r, 3 * r + 3), ...(shifted ? [offset[r]] : [])].join(' '),
    );
    return [
      {
        name: 'Matrix',
        body: { ...FLOATS, Array: { '@dim': `3 ${shifted ? 4 : 3}`, '#text': lines(rows) } },
      },
    ];
  },
  cdl: ({ cdl, style }) => [
    {
      name: 'ASC_CDL',
      body: {
        ...FLOATS,
        '@style': style === 'held' ? 'Fwd' : 'FwdNoClamp',
        SOPNode: { Slope: cdl.slope.join(' '), Offset: cdl.offset.join(' '), Power: cdl.power.join(' ') },
        SatNode: { Saturation: String(cdl.saturation) },
      },
    },
  ],
  range: ({ minIn, maxIn, minOut, maxOut, held }) => [
    {
      name: 'Range',
      body: {
        ...FLOATS,
        '@style': held ? 'Clamp' : 'noClamp',
        ...Object.fromEntries(
          Object.entries({ minInValue: minIn, maxInValue: maxIn, minOutValue: minOut, maxOutValue: maxOut })
            .filter(([, v]) => v !== undefined)
            .map(([name, v]) => [name, String(v)]),
        ),
      },
    },
  ],
};

const ORDER = { ignoreAttributes: false, attributeNamePrefix: '@', format: true } as const;

/**
 * A Common LUT Format file (Academy S-2014-006 version 3.0) of these nodes in their order, floats in and out.
 * Matrices and corrections come back exactly, tables as the 32-bit floats they are.
 */
export const writeClf = (nodes: readonly WrittenNode[], words: ClfWords): string => {
  const builder = new XMLBuilder({ ...ORDER, preserveOrder: false });
  const built = nodes.flatMap((node) => (WRITERS[node.kind] as (n: WrittenNode) => Built[])(node));
  const inner = built.map(({ name, body }) => builder.build({ [name]: body })).join('');
  const head = builder.build({
    ...(words.descriptions.length > 0 ? { Description: words.descriptions } : {}),
    InputDescriptor: words.input,
    OutputDescriptor: words.output,
  });
  const open = builder.build({
    ProcessList: { '@id': words.id, '@name': words.title, '@compCLFversion': '3', '#text': 'PARTS' },
  });
  // Text of a builder is escaped; the parts are put in behind it, since nodes of one kind may stand apart.
  const [before, after] = open.split('PARTS</');
  return `<?xml version="1.0" encoding="UTF-8"?>\n${before}\n${head}${inner}</${after}`;
};
