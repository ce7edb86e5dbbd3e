import type { Matrix3, Triple } from '../maths/matrix.ts';
import { isFloat32 } from '../maths/float32.ts';
import { cdlFault, type Cdl } from '../lut/cdl.ts';
import { UNIT_DOMAIN } from '../lut/lut.ts';
import type { Channel, LutNode } from '../lut/node.ts';
import { failure, success, type Result } from '../result.ts';
import { CLF_OPERATORS, depthScale, halfCurve, readLut1d, readRange } from './clfOperators.ts';
import { child, type XmlNode } from './xml.ts';

const MOST_3D = 129;

const numbersIn = (node: XmlNode | undefined): number[] =>
  (node?.text.trim() ?? '') === '' ? [] : (node as XmlNode).text.trim().split(/\s+/).map(Number);

const lut1d = (node: XmlNode): Result<LutNode> => {
  const read = readLut1d(node);
  if (!read.ok) return read;
  const { rows, halfDomain } = read.value;
  const column = (c: number) => rows.map((row) => row[row.length === 3 ? c : 0]);
  if (halfDomain) {
    const channel = (c: number): Channel => halfCurve(column(c)).apply;
    return success({
      kind: 'function',
      name: 'LUT1D, half domain',
      channels: [channel(0), channel(1), channel(2)],
    });
  }
  const curve = (c: number) => Float32Array.from(column(c));
  return success({ kind: 'curves', domain: UNIT_DOMAIN, curves: [curve(0), curve(1), curve(2)] });
};

// Clause 5.4, LUT3D: blue changes fastest.
const lut3d = (node: XmlNode): Result<LutNode> => {
  const array = child(node, 'Array');
  const [size, second, third, channels] = (array?.attributes.dim ?? '').trim().split(/\s+/).map(Number);
  if (
    !Number.isInteger(size) ||
    size < 2 ||
    size > MOST_3D ||
    second !== size ||
    third !== size ||
    channels !== 3
  )
    return failure('LUT3D', `LUT3D needs an Array of dim “n n n 3”, n from 2 to ${MOST_3D}.`);
  const values = numbersIn(array);
  if (values.length !== size ** 3 * 3)
    return failure('LUT3D', `LUT3D holds ${values.length} numbers; its dim asks for ${size ** 3 * 3}.`);
  const scale = depthScale(node, 'outBitDepth');
  if (!scale.ok) return scale;
  const bad = values.findIndex((v) => !isFloat32(v / scale.value));
  if (bad >= 0) return failure(`LUT3D row ${Math.floor(bad / 3) + 1}`, 'A value is not a finite number.');
  const data = new Float32Array(values.length);
  for (let i = 0; i < size ** 3; i += 1) {
    const [b, g, r] = [i % size, Math.floor(i / size) % size, Math.floor(i / size ** 2)];
    const at = 3 * (r + size * (g + size * b));
    for (let c = 0; c < 3; c += 1) data[at + c] = values[3 * i + c] / scale.value;
  }
  const wished = node.attributes.interpolation;
  return success({
    kind: 'cube',
    domain: UNIT_DOMAIN,
    lattice: { size, data },
    ...(wished === 'tetrahedral' || wished === 'trilinear' ? { interpolation: wished } : {}),
  });
};

// Clause 5.6, Matrix: rows of three, or of four with an offset at the end.
const matrix = (node: XmlNode): Result<LutNode> => {
  const array = child(node, 'Array');
  const values = numbersIn(array);
  const [rows, columns] = (array?.attributes.dim ?? '').trim().split(/\s+/).map(Number);
  if (rows !== 3 || !(columns === 3 || columns === 4) || values.length !== 3 * columns)
    return failure('Matrix', 'Matrix needs an Array of dim “3 3” or “3 4” and as many numbers.');
  if (!values.every(isFloat32)) return failure('Matrix', 'A value is not a finite number.');
  const [from, to] = [depthScale(node, 'inBitDepth'), depthScale(node, 'outBitDepth')];
  if (!from.ok) return from;
  if (!to.ok) return to;
  const cell = (r: number, c: number) => (values[columns * r + c] * from.value) / to.value;
  const cells = [0, 1, 2].flatMap((r) => [0, 1, 2].map((c) => cell(r, c)));
  const offset = [0, 1, 2].map((r) => (columns === 4 ? values[4 * r + 3] / to.value : 0));
  return success({
    kind: 'matrix',
    matrix: cells as unknown as Matrix3,
    offset: offset as unknown as Triple,
  });
};

const STYLES: Readonly<Record<string, 'held' | 'free'>> = {
  fwd: 'held',
  fwdnoclamp: 'free',
};

// Clause 5.11, ASC_CDL.
const cdl = (node: XmlNode): Result<LutNode> => {
  const style = STYLES[(node.attributes.style ?? 'Fwd').toLowerCase()];
  if (!style)
    return failure(
      'ASC_CDL',
      `ASC_CDL of style “${node.attributes.style.slice(0, 20)}” is not read: only Fwd and FwdNoClamp.`,
    );
  const sop = child(node, 'SOPNode');
  const sat = child(node, 'SatNode');
  const triple = (name: string, otherwise: Triple) => {
    const part = sop && child(sop, name);
    return part ? (numbersIn(part) as unknown as Triple) : otherwise;
  };
  const found: Cdl = {
    slope: triple('Slope', [1, 1, 1]),
    offset: triple('Offset', [0, 0, 0]),
    power: triple('Power', [1, 1, 1]),
    saturation: Number((sat && child(sat, 'Saturation')?.text) ?? 1),
  };
  if ([found.slope, found.offset, found.power].some((part) => part.length !== 3))
    return failure('ASC_CDL', 'Slope, Offset and Power need three numbers each.');
  const fault = cdlFault(found);
  if (fault) return failure('ASC_CDL', `The correction is outside ASC CDL 1.2: ${fault}.`);
  return success({ kind: 'cdl', cdl: found, style });
};

const PARAMS = ['LogParams', 'ExponentParams'];

/** Log and Exponent may have parameters a channel; each channel sees its own, or those of all. */
const perChannel =
  (name: 'Log' | 'Exponent') =>
  (node: XmlNode): Result<LutNode> => {
    const channels: Channel[] = [];
    for (const channel of ['R', 'G', 'B']) {
      const own = node.children.filter(
        (part) => PARAMS.includes(part.name) && part.attributes.channel === channel,
      );
      const others = node.children.filter((part) => part.attributes.channel === undefined);
      const made = CLF_OPERATORS[name]({ ...node, children: [...own, ...others] });
      if (!made.ok) return made;
      channels.push(made.value.apply);
    }
    return success({ kind: 'function', name, channels: channels as unknown as [Channel, Channel, Channel] });
  };

/** Process nodes of the Common LUT Format (Academy S-2014-006 version 3.0, clause 5). A further one is a row. */
export const CLF_NODES: Readonly<Record<string, (node: XmlNode) => Result<LutNode>>> = {
  LUT1D: lut1d,
  LUT3D: lut3d,
  Matrix: matrix,
  ASC_CDL: cdl,
  Range: readRange,
  Log: perChannel('Log'),
  Exponent: perChannel('Exponent'),
};
