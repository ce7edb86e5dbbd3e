import { ranged, type Channel, type RangeNode } from '../lut/node.ts';
import { isFloat32 } from '../maths/float32.ts';
import { failure, success, type Result } from '../result.ts';
import { oneChannel } from '../profile/sampledCurve.ts';
import { child, type XmlNode } from './xml.ts';

/** What a node does to one channel, and where it is best sampled. */
export type ClfOperator = {
  readonly apply: (v: number) => number;
  readonly knots?: readonly number[];
  readonly notes?: readonly string[];
};

// Common LUT Format, Academy S-2014-006 version 3.0, clause 5.2: integers are scaled by 2^n - 1, floats by 1.
const DEPTH_SCALE: Readonly<Record<string, number>> = {
  '8i': 255,
  '10i': 1023,
  '12i': 4095,
  '16i': 65_535,
  '16f': 1,
  '32f': 1,
};

/** What numbers of a bit depth are divided by; a failure names a depth that the format does not know. */
export const depthScale = (node: XmlNode, side: 'inBitDepth' | 'outBitDepth'): Result<number> => {
  const depth = node.attributes[side] ?? '32f';
  return Object.hasOwn(DEPTH_SCALE, depth)
    ? success(DEPTH_SCALE[depth])
    : failure(
        node.name,
        `${side} is “${depth.slice(0, 12)}”; ${Object.keys(DEPTH_SCALE).join(', ')} are known.`,
      );
};

const MAX_ENTRIES = 65_536;

const number = (attributes: Readonly<Record<string, string>>, name: string, otherwise: number) =>
  attributes[name] === undefined ? otherwise : Number(attributes[name]);

/** An IEEE 754 half from its 16 bits. */
export const halfToNumber = (bits: number): number => {
  const sign = bits & 0x8000 ? -1 : 1;
  const exponent = (bits >> 10) & 31;
  const fraction = bits & 1023;
  if (exponent === 0) return sign * 2 ** -14 * (fraction / 1024);
  if (exponent === 31) return fraction === 0 ? sign * Infinity : Number.NaN;
  return sign * 2 ** (exponent - 15) * (1 + fraction / 1024);
};

const interpolated = (x: readonly number[], y: readonly number[]) => (v: number) => {
  if (v <= x[0]) return y[0];
  const last = x.length - 1;
  if (v >= x[last]) return y[last];
  let [low, high] = [0, last];
  while (high - low > 1) {
    const mid = (low + high) >> 1;
    if (x[mid] <= v) low = mid;
    else high = mid;
  }
  const t = (v - x[low]) / (x[high] - x[low]);
  return y[low] + t * (y[high] - y[low]);
};

/** A LUT1D as it stands: rows of one or three channels, scaled to 0..1; with a half domain a row for each half. */
export const readLut1d = (
  node: XmlNode,
): Result<{ readonly rows: readonly (readonly number[])[]; readonly halfDomain: boolean }> => {
  const array = child(node, 'Array');
  const [entries, channels] = (array?.attributes.dim ?? '').trim().split(/\s+/).map(Number);
  if (
    !array ||
    !Number.isInteger(entries) ||
    entries < 2 ||
    entries > MAX_ENTRIES ||
    ![1, 3].includes(channels)
  )
    return failure('LUT1D', `LUT1D needs an Array of dim “entries channels”, 2 to ${MAX_ENTRIES} by 1 or 3.`);
  const values = array.text.trim().split(/\s+/).map(Number);
  if (values.length !== entries * channels)
    return failure('LUT1D', `LUT1D holds ${values.length} numbers; its dim asks for ${entries * channels}.`);
  const scale = depthScale(node, 'outBitDepth');
  if (!scale.ok) return scale;
  const raw = node.attributes.rawHalfs === 'true';
  const turned = values.map((v) => (raw ? halfToNumber(v) : v) / scale.value);
  const bad = turned.findIndex((v) => !isFloat32(v));
  if (bad >= 0)
    return failure(`LUT1D row ${Math.floor(bad / channels) + 1}`, 'A value is not a finite number.');
  const rows = Array.from({ length: entries }, (_, i) => turned.slice(i * channels, (i + 1) * channels));
  const halfDomain = node.attributes.halfDomain === 'true';
  if (halfDomain && entries !== MAX_ENTRIES)
    return failure('LUT1D', 'A half-domain LUT1D has 65536 entries.');
  return success({ rows, halfDomain });
};

/** Positive halfs run 0x0000 to 0x7bff; the negative ones hold light that is not there. */
const POSITIVE_HALFS = 0x7c00;

/** Positive halfs and what a half-domain curve makes of them. */
export const halfCurve = (y: readonly number[]) => {
  const x = Array.from({ length: POSITIVE_HALFS }, (_, bits) => halfToNumber(bits));
  return { x, apply: interpolated(x, y.slice(0, POSITIVE_HALFS)) };
};

const lut1d = (node: XmlNode): Result<ClfOperator> => {
  const read = readLut1d(node);
  if (!read.ok) return read;
  const one = oneChannel(read.value.rows);
  if (read.value.halfDomain) {
    const { x, apply } = halfCurve(one.y);
    return success({ apply, knots: x, notes: one.notes });
  }
  const x = one.y.map((_, i) => i / (one.y.length - 1));
  return success({ apply: interpolated(x, one.y), knots: x, notes: one.notes });
};

const SMALLEST = 1.175494e-38;
/** Linear light sampled by twenty-fourths of a stop, for curves that begin with a logarithm. */
const LIGHT_KNOTS = [0, ...Array.from({ length: 24 * 22 + 1 }, (_, i) => 2 ** (-14 + i / 24))];

// Clause 5.9, Log.
const log = (node: XmlNode): Result<ClfOperator> => {
  const style = node.attributes.style ?? '';
  const plain = /^(anti)?log(2|10)$/i.exec(style);
  if (plain) {
    const base = Number(plain[2]);
    return success(
      plain[1]
        ? { apply: (v) => base ** v }
        : { apply: (v) => Math.log(Math.max(v, SMALLEST)) / Math.log(base), knots: LIGHT_KNOTS },
    );
  }
  const camera = style.startsWith('camera');
  const toLog = /linToLog/i.test(style);
  if (!toLog && !/logToLin/i.test(style))
    return failure('Log', `Log has the unknown style “${style.slice(0, 30)}”.`);
  const p = child(node, 'LogParams')?.attributes ?? {};
  const [base, linSlope, linOffset, logSlope, logOffset] = [
    number(p, 'base', 2),
    number(p, 'linSideSlope', 1),
    number(p, 'linSideOffset', 0),
    number(p, 'logSideSlope', 1),
    number(p, 'logSideOffset', 0),
  ];
  const at = number(p, 'linSideBreak', Number.NaN);
  const all = [base, linSlope, linOffset, logSlope, logOffset, ...(camera ? [at] : [])];
  if (!all.every(Number.isFinite) || !(base > 0 && base !== 1) || linSlope === 0 || logSlope === 0)
    return failure(
      'Log',
      'LogParams needs finite numbers: base, slopes other than 0, and a break for a camera style.',
    );
  const k = logSlope / Math.log(base);
  const encodeLog = (x: number) => k * Math.log(Math.max(linSlope * x + linOffset, SMALLEST)) + logOffset;
  const decodeLog = (y: number) => (base ** ((y - logOffset) / logSlope) - linOffset) / linSlope;
  if (!camera) return success(toLog ? { apply: encodeLog, knots: LIGHT_KNOTS } : { apply: decodeLog });
  const slope = number(p, 'linearSlope', (k * linSlope) / (linSlope * at + linOffset));
  if (!Number.isFinite(slope) || slope === 0)
    return failure(
      'Log',
      'The line under the break has no slope: linSideSlope x break + linSideOffset is 0.',
    );
  const offset = encodeLog(at) - slope * at;
  const breakSignal = slope * at + offset;
  return success(
    toLog
      ? { apply: (x) => (x <= at ? slope * x + offset : encodeLog(x)), knots: LIGHT_KNOTS }
      : { apply: (y) => (y <= breakSignal ? (y - offset) / slope : decodeLog(y)) },
  );
};

/**
 * A power with a line under it, and the way back. Without a curve (exponent 1) the line goes on for ever,
 * without an offset it is flat: the limits of what the general form comes to.
 */
const monCurve = (g: number, o: number): readonly [forward: Channel, reverse: Channel] => {
  if (g === 1) return [(v) => v / (1 + o), (v) => v * (1 + o)];
  if (o === 0) return [(v) => Math.max(0, v) ** g, (v) => Math.max(0, v) ** (1 / g)];
  const at = o / (g - 1);
  const slope = ((g - 1) / o) * ((o * g) / ((g - 1) * (1 + o))) ** g;
  const breakOut = at * slope;
  return [
    (v) => (v >= at ? ((v + o) / (1 + o)) ** g : v * slope),
    (v) => (v >= breakOut ? (1 + o) * v ** (1 / g) - o : v / slope),
  ];
};

// Clause 5.10, Exponent, for values from 0 up.
const exponent = (node: XmlNode): Result<ClfOperator> => {
  const style = node.attributes.style ?? '';
  const p = child(node, 'ExponentParams')?.attributes ?? {};
  const g = number(p, 'exponent', Number.NaN);
  const o = number(p, 'offset', 0);
  if (!(g > 0) || !Number.isFinite(o))
    return failure('Exponent', 'ExponentParams needs an exponent above 0.');
  if (/^basic.*Fwd$/.test(style)) return success({ apply: (v) => Math.max(0, v) ** g });
  if (/^basic.*Rev$/.test(style)) return success({ apply: (v) => Math.max(0, v) ** (1 / g) });
  if (g < 1 || o < 0)
    return failure('Exponent', 'A monCurve needs an exponent of 1 or more and an offset of 0 or more.');
  const [forward, reverse] = monCurve(g, o);
  if (/^monCurve.*Fwd$/.test(style)) return success({ apply: forward });
  if (/^monCurve.*Rev$/.test(style)) return success({ apply: reverse });
  return failure('Exponent', `Exponent has the unknown style “${style.slice(0, 30)}”.`);
};

/** Clause 5.8, Range, in 0..1. */
export const readRange = (node: XmlNode): Result<RangeNode> => {
  const [from, to] = [depthScale(node, 'inBitDepth'), depthScale(node, 'outBitDepth')];
  if (!from.ok) return from;
  if (!to.ok) return to;
  const read = (name: string, scale: number) => {
    const text = child(node, name)?.text.trim();
    return text === undefined ? undefined : text === '' ? Number.NaN : Number(text) / scale;
  };
  const { style } = node.attributes;
  const [minIn, maxIn] = [read('minInValue', from.value), read('maxInValue', from.value)];
  const [minOut, maxOut] = [read('minOutValue', to.value), read('maxOutValue', to.value)];
  const all = { minIn, maxIn, minOut, maxOut };
  if (Object.values(all).some((v) => v !== undefined && !isFloat32(v)))
    return failure('Range', 'Range needs finite numbers.');
  if (minIn !== undefined && maxIn !== undefined && !(maxIn > minIn))
    return failure('Range', `Range runs from ${minIn} to ${maxIn}: it must rise.`);
  const there = Object.fromEntries(Object.entries(all).filter(([, v]) => v !== undefined));
  return success({ kind: 'range', ...there, held: style !== 'noClamp' });
};

const range = (node: XmlNode): Result<ClfOperator> => {
  const read = readRange(node);
  return read.ok ? success({ apply: ranged(read.value) }) : read;
};

/** Process nodes that act on a channel alone. A further one is a row. */
export const CLF_OPERATORS = {
  LUT1D: lut1d,
  Log: log,
  Exponent: exponent,
  Range: range,
} as const satisfies Record<string, (node: XmlNode) => Result<ClfOperator>>;
