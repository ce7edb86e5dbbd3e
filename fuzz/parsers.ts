import { encode as encodeJpeg } from 'jpeg-js';
import { parseCdl, writeCcc, type NamedCdl } from '../src/core/formats/cdl.ts';
import { parseClfFile } from '../src/core/formats/clf.ts';
import { parseCube1d } from '../src/core/formats/cube1d.ts';
import { writeCube } from '../src/core/formats/cube.ts';
import { openFrame } from '../src/core/formats/openFrame.ts';
import { openLut } from '../src/core/formats/openLut.ts';
import { writePng } from '../src/core/formats/png.ts';
import { readXml } from '../src/core/formats/xml.ts';
import { y4mFrame, y4mHeader } from '../src/core/formats/y4m.ts';
import { makeFrame, type Frame } from '../src/core/frame/frame.ts';
import { compileNodes } from '../src/core/lut/node.ts';
import { sampleLattice } from '../src/core/lut/lattice.ts';
import { compileProfile } from '../src/core/profile/index.ts';
import type { Result } from '../src/core/result.ts';
import { demoRecords } from '../src/store/demo/index.ts';
import { ARCHETYPE_PROFILES } from '../src/store/builtIn.ts';
import { parseProfileJson, profileJson } from '../src/store/exports/profileJson.ts';
import { parseTakesJson, takesJson } from '../src/store/exports/takesJson.ts';
import { TABLE_NAMES, TABLES } from '../src/store/tables.ts';
import { dpxFile, tiffFile } from './stills.ts';

/** A reader of something that comes from outside. */
export type Parser = {
  readonly name: string;
  /** Files that are right, which are spoilt. */
  readonly seeds: readonly Uint8Array[];
  /** Reads a file. @returns numbers of what was accepted, all of which must be finite; undefined where it was refused. */
  readonly read: (bytes: Uint8Array) => readonly number[] | undefined;
};

const bytesOf = (text: string) => new TextEncoder().encode(text);
const textOf = (bytes: Uint8Array) => new TextDecoder().decode(bytes);
const of = <T>(
  result: Result<T>,
  numbers: (value: T) => readonly number[],
): readonly number[] | undefined => {
  if (result.ok) return numbers(result.value);
  if (!result.reason || !result.where) throw new Error('refused without a sentence');
  return undefined;
};

/** Every number that stands in a value, in its lists and its tables too. */
const numbersIn = (value: unknown): readonly number[] => {
  if (typeof value === 'number') return [value];
  if (value instanceof Float32Array || value instanceof Float64Array) return [...value];
  if (typeof value !== 'object' || value === null || ArrayBuffer.isView(value)) return [];
  return Object.values(value).flatMap(numbersIn);
};

/** A picture has a sample for every pixel, none over its top code. */
const checkPlanes = ({ width, height, bitDepth, r, g, b }: Frame): readonly number[] => {
  for (const plane of [r, g, b])
    if (plane.length !== width * height || plane.some((code) => code >= 2 ** bitDepth))
      throw new Error('accepted with planes that are none of this size and depth');
  return [width, height];
};

const frame: Frame = (() => {
  const [width, height] = [16, 8];
  const plane = (k: number) => Uint16Array.from({ length: width * height }, (_, i) => (i * k) % 1024);
  return makeFrame({ width, height, bitDepth: 10, range: 'legal', r: plane(5), g: plane(7), b: plane(3) });
})();
const [r8, g8, b8] = [frame.r, frame.g, frame.b].map((plane) => plane.map((code) => code >> 2));
const eight: Frame = { ...frame, bitDepth: 8, r: r8, g: g8, b: b8 };
const still = (name: string, ...seeds: Uint8Array[]): Parser => ({
  name,
  seeds,
  read: (bytes) => of(openFrame(bytes, { range: 'legal' }), (opened) => checkPlanes(opened.frame)),
});

const lattice = sampleLattice(3, ([r, g, b]) => [r ** 1.2, g, b]);
const words = { title: 'Warm', comments: ['by hand'] };
const cube1d = `TITLE "curve"\nLUT_1D_SIZE 4\nDOMAIN_MIN 0 0 0\nDOMAIN_MAX 1 1 1\n0 0 0\n0.2 0.2 0.2\n0.6 0.6 0.6\n1 1 1\n`;
const clf = `<?xml version="1.0"?><ProcessList id="a" compCLFversion="3"><Description>one</Description>
<Matrix inBitDepth="32f" outBitDepth="32f"><Array dim="3 3">1 0 0 0 1 0 0 0 1</Array></Matrix>
<Log inBitDepth="32f" outBitDepth="32f" style="cameraLinToLog"><LogParams base="10" logSideSlope="0.25" logSideOffset="0.38" linSideSlope="5.5" linSideOffset="0.05" linSideBreak="0.01"/></Log>
<Exponent inBitDepth="32f" outBitDepth="32f" style="monCurveFwd"><ExponentParams exponent="2.2" offset="0.05"/></Exponent>
<Range inBitDepth="32f" outBitDepth="32f"><minInValue>0</minInValue><maxInValue>1</maxInValue><minOutValue>0</minOutValue><maxOutValue>1</maxOutValue></Range>
<ASC_CDL inBitDepth="32f" outBitDepth="32f" style="Fwd"><SOPNode><Slope>1 1 1</Slope><Offset>0 0 0</Offset><Power>1 1 1</Power></SOPNode><SatNode><Saturation>1</Saturation></SatNode></ASC_CDL>
<LUT1D inBitDepth="10i" outBitDepth="32f"><Array dim="4 1">0 0.2 0.6 1</Array></LUT1D></ProcessList>`;
const PROBES = [0, 0.18, 0.41, 1] as const;
const lut = (name: string, ...seeds: string[]): Parser => ({
  name,
  seeds: seeds.map(bytesOf),
  read: (bytes) =>
    of(openLut(textOf(bytes)), ({ nodes }) => {
      const run = compileNodes(nodes);
      return PROBES.flatMap((v) => run([v, v, v]));
    }),
});

const records = demoRecords();
const firstOf = (table: keyof typeof records): object => (records[table] ?? ARCHETYPE_PROFILES)[0];
const own = { ...ARCHETYPE_PROFILES[0], id: 'own', origin: 'table' as const };
const now = new Date(Date.UTC(2026, 3, 14));
const cc: NamedCdl = {
  id: 'one',
  descriptions: ['warm'],
  cdl: { slope: [1, 1.1, 1], offset: [0, 0, 0.01], power: [1, 1, 1], saturation: 1 },
};

/** Everything that is read from a file, and the records. A further one is a row. */
export const PARSERS: readonly Parser[] = [
  still('png', writePng(frame), writePng(eight)),
  still(
    'jpeg',
    Uint8Array.from(encodeJpeg({ width: 16, height: 8, data: new Uint8Array(512).fill(90) }, 80).data),
  ),
  still('tiff', tiffFile(frame)),
  still('dpx', dpxFile(frame)),
  still(
    'y4m',
    Uint8Array.from([
      ...bytesOf(y4mHeader(frame, { chroma: '4:2:2', rate: [25, 1] })),
      ...y4mFrame(frame, '4:2:2'),
    ]),
  ),
  lut('cube', writeCube(lattice, words), cube1d),
  lut('clf', clf),
  lut('cdl', writeCcc([cc])),
  {
    name: 'curve',
    seeds: [bytesOf(cube1d)],
    read: (bytes) => of(parseCube1d(textOf(bytes)), ({ x, y }) => [...x, ...y]),
  },
  { name: 'xml', seeds: [bytesOf(clf)], read: (bytes) => of(readXml(textOf(bytes)), numbersIn) },
  { name: 'clf nodes', seeds: [bytesOf(clf)], read: (bytes) => of(parseClfFile(textOf(bytes)), numbersIn) },
  {
    name: 'cdl text',
    seeds: [bytesOf(writeCcc([cc]))],
    read: (bytes) => of(parseCdl(textOf(bytes)), numbersIn),
  },
  {
    name: 'profile',
    seeds: ARCHETYPE_PROFILES.slice(0, 3).map((profile) =>
      bytesOf(profileJson({ ...own, data: profile.data }, now)),
    ),
    read: (bytes) =>
      of(parseProfileJson(textOf(bytes)), ({ data }) => {
        const { signalAt, clipSignal } = compileProfile(data);
        return [clipSignal, signalAt(-8), signalAt(0), signalAt(4)];
      }),
  },
  {
    name: 'takes',
    seeds: [bytesOf(takesJson(records.shoots[0], records.takes.slice(0, 2), now))],
    read: (bytes) => of(parseTakesJson(textOf(bytes)), numbersIn),
  },
  ...TABLE_NAMES.filter((name) => records[name] !== undefined || name === 'profiles').map((name): Parser => ({
    name: `record of ${name}`,
    seeds: [bytesOf(JSON.stringify(firstOf(name)))],
    read: (bytes) => {
      let row: unknown;
      try {
        row = JSON.parse(textOf(bytes));
      } catch {
        return undefined;
      }
      const parsed = TABLES[name].safeParse(row);
      return parsed.success ? numbersIn(parsed.data) : undefined;
    },
  })),
];
