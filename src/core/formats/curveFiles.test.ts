import { execFileSync, spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { GAMUTS, rgbToXyz } from '../colour/gamut.ts';
import { apply } from '../maths/matrix.ts';
import { ARCHETYPES, compileProfile } from '../profile/index.ts';
import { guessDirection, profileFromCurve, type CurveMeaning } from '../profile/fromCurve.ts';
import { TRANSFERS } from '../transfer/index.ts';
import { stopsToReflectance } from '../units.ts';
import { parseClf, writeClfMatrix } from './clf.ts';
import { halfToNumber } from './clfOperators.ts';
import { parseCube1d } from './cube1d.ts';
import type { SampledCurve } from '../profile/sampledCurve.ts';
import type { Result } from '../result.ts';

const coding = { bitDepth: 10, range: 'legal' } as const;
const { acescct } = TRANSFERS;
const wide = compileProfile(ARCHETYPES.wideLog);
const opened = (result: Result<SampledCurve>) => {
  if (!result.ok) throw new Error(`${result.where}: ${result.reason}`);
  return result.value;
};
/** Piecewise linear, as a 1D LUT is meant. */
const at = ({ x, y }: SampledCurve, v: number) => {
  const i = Math.min(x.length - 2, Math.max(0, x.findIndex((knot) => knot > v) - 1));
  return y[i] + ((v - x[i]) / (x[i + 1] - x[i])) * (y[i + 1] - y[i]);
};

const grid = (size: number, f: (v: number) => number, [low, high] = [0, 1]) =>
  Array.from({ length: size }, (_, i) => f(low + ((high - low) * i) / (size - 1)));
const cube = (values: readonly number[], head = '') =>
  `TITLE "own curve"\n# a comment\n${head}LUT_1D_SIZE ` +
  `${values.length}\n\n${values.map((v) => `${v} ${v} ${v}`).join('\r\n')}\n`;
const clf = (inner: string) =>
  '<?xml version="1.0" encoding="UTF-8"?>\n<ProcessList id="t1" name="own curve" ' +
  `compCLFversion="3">\n<Description>a test</Description>\n${inner}\n</ProcessList>\n`;
const array = (values: readonly (number | string)[]) =>
  `<Array dim="${values.length} 1">\n${values.join('\n')}\n</Array>`;
const floats = (values: readonly number[]) =>
  `<LUT1D inBitDepth="32f" outBitDepth="32f">${array(values)}</LUT1D>`;
const profileOf = (curve: SampledCurve, meaning: Partial<CurveMeaning> = {}) => {
  const found = profileFromCurve(
    curve,
    { direction: guessDirection(curve), grey: 0.18, unit: 'topCode', ...meaning },
    coding,
    'bt709',
  );
  if (!found.ok) throw new Error(`${found.where}: ${found.reason}`);
  return { ...found.value, compiled: compileProfile(found.value.profile) };
};

const cameraLog =
  '<Log inBitDepth="32f" outBitDepth="32f" style="cameraLinToLog"><LogParams base="2" linSideSlope="1" ' +
  `linSideOffset="0" logSideSlope="${1 / 17.52}" logSideOffset="${9.72 / 17.52}" linSideBreak="0.0078125" ` +
  'linearSlope="10.5402377416545"/></Log>';
/** Kinds of files, with what they should do to a value: our arithmetic has to match, and OpenColorIO's does below. */
const FILES = {
  'LUT1D in floats': clf(floats(grid(65, (v) => v ** 0.5))),
  'LUT1D from 10-bit codes to 12-bit ones': clf(
    `<LUT1D inBitDepth="10i" outBitDepth="12i">${array(grid(33, (v) => Math.round(4095 * v ** 0.6)))}</LUT1D>`,
  ),
  'a camera’s logarithm': clf(cameraLog),
  'an exponent with a toe, then a range': clf(
    '<Exponent inBitDepth="32f" outBitDepth="32f" style="monCurveFwd"><ExponentParams exponent="2.4" ' +
      'offset="0.055"/></Exponent><Range inBitDepth="32f" ' +
      'outBitDepth="32f"><minInValue>0</minInValue><maxInValue>1</maxInValue>' +
      '<minOutValue>0.1</minOutValue><maxOutValue>0.8</maxOutValue></Range>',
  ),
  'a plain logarithm': clf('<Log inBitDepth="32f" outBitDepth="32f" style="log10"/>'),
  'a logarithm undone': clf(cameraLog.replace('cameraLinToLog', 'cameraLogToLin')),
} as const;

describe('curves in files', () => {
  it('a 1D cube of a standard is that standard, either way round', () => {
    const decode = opened(parseCube1d(cube(grid(4096, acescct.decode))));
    expect(decode.title).toBe('own curve');
    expect(guessDirection(decode)).toBe('codeToLight');
    const found = profileOf(decode, { unit: 'signal' });
    const encode = opened(
      parseCube1d(cube(grid(65_536, acescct.encode, [0, 16]), 'DOMAIN_MIN 0 0 0\nDOMAIN_MAX 16 16 16\n')),
    );
    expect(guessDirection(encode)).toBe('lightToCode');
    const back = profileOf(encode, { unit: 'signal' });
    for (const stops of [-4, -2, 0, 2, 5]) {
      const wanted = acescct.encode(stopsToReflectance(stops));
      expect(found.compiled.signalAt(stops)).toBeCloseTo(wanted, 5);
      expect(back.compiled.signalAt(stops)).toBeCloseTo(wanted, 4);
    }
  });

  it('takes the other spelling of the domain, and light counted from another grey', () => {
    const text = cube(
      grid(2048, (v) => wide.signalAt(Math.log2(Math.max(1e-9, v) / 0.1)), [0, 5]),
      'LUT_1D_INPUT_RANGE 0 5\n',
    );
    const { compiled, warnings } = profileOf(opened(parseCube1d(text)), { unit: 'signal', grey: 0.1 });
    expect(compiled.signalAt(0)).toBeCloseTo(wide.signalAt(0), 4);
    expect(compiled.signalAt(3)).toBeCloseTo(wide.signalAt(3), 4);
    expect(warnings.join()).toMatch(/No clip typed/);
  });

  it('ends where a flat end says the camera clips', () => {
    const values = grid(2048, (v) => Math.min(wide.clipSignal, wide.transfer.encode(v)), [0, 40]);
    const { compiled, warnings } = profileOf(opened(parseCube1d(cube(values, 'DOMAIN_MAX 40 40 40\n'))), {
      unit: 'signal',
    });
    // The rows that were cut are named: from the one after the first of the flat run to the last.
    const flat = values.findIndex((v, i) => i > 0 && v === values[i - 1]);
    const [, from, to] = /left out: line (\d+) to line (\d+)\.$/.exec(warnings[0]) ?? [];
    expect(Number(to) - Number(from) + 1).toBe(values.length - flat);
    expect(Math.abs(compiled.clipStops - wide.clipStops)).toBeLessThan(0.01);
  });

  it.each([
    [cube([0, 0.1, 0.2]).replace('SIZE 3', 'SIZE 4'), 'end of file', /3 rows/],
    [cube([0, 0.1]).replace('0.1 0.1', 'x 0.1'), 'line 6', /three finite numbers/],
    [cube([0, 0.1, Number.NaN]), 'line 7', /three finite numbers/],
    ['LUT_3D_SIZE 2\n', 'line 1', /3D cube/],
    ['0 0 0\n', 'line 1', /before the size: LUT_1D_SIZE/],
    ['LUT_1D_SIZE 1000000\n', 'line 1', /from 2 to 65536/],
    ['HELLO 1\n', 'line 1', /not a keyword/],
    ['', 'file', /No LUT_1D_SIZE/],
    [cube([0, 1], 'DOMAIN_MIN 2 2 2\n'), 'domain', /must rise/],
  ])('a cube that is wrong gets one sentence (%#)', (text, where, reason) => {
    const result = parseCube1d(text);
    expect(result).toMatchObject({ ok: false, where });
    expect(!result.ok && result.reason).toMatch(reason);
  });

  it('names rows that fall, by their line', () => {
    const values = grid(16, (v) => v);
    values[7] = 0.1;
    const found = profileFromCurve(
      opened(parseCube1d(cube(values))),
      { direction: 'codeToLight', grey: 0.18, unit: 'topCode' },
      coding,
      'bt709',
    );
    expect(found).toMatchObject({ ok: false, where: 'line 12' });
  });

  it('a half-domain LUT1D with raw halfs is read as such (IEEE 754)', () => {
    // Known halfs: 0x3c00 = 1, 0x3555 = 0.33325, 0x7bff = 65504, 0x0001 = 2^-24, 0xc000 = -2.
    expect([0x3c00, 0x3555, 0x7bff, 0x0001, 0xc000].map(halfToNumber)).toEqual([
      1,
      0.333251953125,
      65_504,
      2 ** -24,
      -2,
    ]);
    const same = Array.from({ length: 65_536 }, (_, bits) => (((bits >> 10) & 31) === 31 ? 0 : bits));
    const curve = opened(
      parseClf(
        clf(
          `<LUT1D inBitDepth="16f" outBitDepth="16f" halfDomain="true" rawHalfs="true">${array(same)}</LUT1D>`,
        ),
      ),
    );
    for (const v of [0, 0.001, 0.18, 1, 12]) expect(at(curve, v)).toBeCloseTo(v, 6);
  });

  it('names what of a CLF is not one-dimensional', () => {
    const matrix =
      '<Matrix inBitDepth="32f" outBitDepth="32f"><Array dim="3 3">1 0 0 0 1 0 0 0 1</Array></Matrix>';
    expect(opened(parseClf(clf(`${matrix}${cameraLog}`))).notes).toEqual([
      'Left out, not one-dimensional: Matrix.',
    ]);
    const { compiled } = profileOf(opened(parseClf(clf(cameraLog))), { unit: 'signal', clipStops: 6 });
    for (const stops of [-6, -3, 0, 3, 6])
      expect(compiled.signalAt(stops)).toBeCloseTo(acescct.encode(stopsToReflectance(stops)), 5);
  });

  it.each([
    ['<ProcessList', 'file', /not sound XML/],
    ['<a/>', 'file', /No ProcessList/],
    [clf(''), 'file', /No 1D part/],
    [
      clf('<LUT1D outBitDepth="32f"><Array dim="3 1">0 1</Array></LUT1D>'),
      'LUT1D',
      /holds 2 numbers; its dim asks for 3/,
    ],
    [clf('<LUT1D outBitDepth="32f"><Array dim="2 1">0 nan</Array></LUT1D>'), 'LUT1D row 2', /not a finite/],
    [clf('<LUT1D outBitDepth="32f"><Array dim="99999999 1">0</Array></LUT1D>'), 'LUT1D', /2 to 65536/],
    [clf('<Log style="sideways"/>'), 'Log', /unknown style/],
    [clf('<Log style="cameraLinToLog"><LogParams base="2"/></Log>'), 'Log', /a break for a camera style/],
    [clf('<Exponent style="basicFwd"/>'), 'Exponent', /above 0/],
  ])('a CLF that is wrong gets one sentence (%#)', (text, where, reason) => {
    const result = parseClf(text);
    expect(result).toMatchObject({ ok: false, where });
    expect(!result.ok && result.reason).toMatch(reason);
  });

  it('does not expand entities', () => {
    const bomb =
      '<!DOCTYPE x [<!ENTITY a "1 1 1 1 1 1 1 1"><!ENTITY b ' +
      `"&a;&a;&a;&a;">]>${clf('<LUT1D outBitDepth="32f"><Array dim="32 1">&b;</Array></LUT1D>')}`;
    expect(parseClf(bomb).ok).toBe(false);
  });
});

// The same files in other people's hands: Debian's OpenColorIO tools.
const ocio = spawnSync('sh', ['-c', 'command -v ociochecklut']).status === 0;
if (process.env.CI && !ocio) throw new Error('CI needs opencolorio-tools');

describe('OpenColorIO on curves and matrices', () => {
  let folder = '';
  beforeAll(() => {
    folder = mkdtempSync(join(tmpdir(), 'candelum-clf-'));
  });
  afterAll(() => rmSync(folder, { recursive: true, force: true }));
  const byOcio = (text: string, rgb: readonly number[]) => {
    const file = join(folder, 'curve.clf');
    writeFileSync(file, text);
    const out = execFileSync('ociochecklut', [file, ...rgb.map((v) => v.toFixed(9))], { encoding: 'utf8' });
    return out.trim().split('\n').at(-1)?.trim().split(/\s+/).map(Number) ?? [];
  };

  it.skipIf(!ocio).each(Object.entries(FILES))('agrees on %s', (_, text) => {
    const curve = opened(parseClf(text));
    for (const rgb of [
      [0.02, 0.18, 0.5],
      [0.35, 0.75, 0.97],
    ]) {
      const theirs = byOcio(text, rgb);
      rgb.forEach((v, i) =>
        expect(Math.abs(at(curve, v) - theirs[i])).toBeLessThan(2e-4 * Math.max(1, theirs[i])),
      );
    }
  });

  it.skipIf(!ocio)('reads the RGB-to-XYZ matrix we export', () => {
    const matrix = rgbToXyz(GAMUTS.bt2020);
    const text = writeClfMatrix(matrix, {
      id: 'm',
      name: 'BT.2020 to XYZ',
      input: 'linear RGB',
      output: 'XYZ',
    });
    const rgb = [0.2, 0.5, 0.8] as const;
    byOcio(text, rgb).forEach((v, i) => expect(v).toBeCloseTo(apply(matrix, rgb)[i], 5));
  });
});
