import { describe, expect, it } from 'vitest';
import { TRANSFERS, type tangentLog } from '../transfer/index.ts';
import { stopsToReflectance } from '../units.ts';
import { ARCHETYPES, compileProfile } from './index.ts';
import { profileFromFormula, profileFromTable, type LogFormula } from './making.ts';
import { solved } from './fixtures/solved.ts';

const coding = { bitDepth: 10, range: 'legal' } as const;

describe('a printed formula', () => {
  const { coefficients } = ARCHETYPES.wideLog.curve as { coefficients: ReturnType<typeof tangentLog> };
  const plain: LogFormula = {
    form: 'log',
    base: '10',
    a: 1,
    b: 0.01,
    c: coefficients.c,
    d: coefficients.d,
    cut: 0.005,
    cutIn: 'reflectance',
    unit: 'signal',
    clipStops: 6,
  };
  const wide = compileProfile(ARCHETYPES.wideLog);
  const same = (formula: LogFormula) => {
    const { compiled } = solved(profileFromFormula(formula, coding, 'bt709'));
    for (const stops of [-8, -6, -3, 0, 2, 5])
      expect(compiled.signalAt(stops)).toBeCloseTo(wide.signalAt(stops), 9);
  };

  it('is the curve it describes, in any base', () => {
    same(plain);
    same({ ...plain, base: 'e', c: plain.c / Math.LN10 });
    same({ ...plain, base: '2', c: plain.c * Math.log10(2) });
    // a is redundant with d: the same curve with a = 5.
    same({ ...plain, a: 5, b: 0.05, d: plain.d - plain.c * Math.log10(5) });
  });

  it('takes the cut in signal, the toe as printed, and y as a share of the top code', () => {
    same({ ...plain, cutIn: 'signal', cut: wide.transfer.encode(0.005) });
    same({ ...plain, toe: { e: coefficients.e, f: coefficients.f } });
    const k = 876 / 1023;
    same({ ...plain, unit: 'topCode', c: plain.c * k, d: (plain.d * 876 + 64) / 1023 });
  });

  it('is ACEScct when given its published numbers (ACES S-2016-001, clause 4.4)', () => {
    const { compiled } = solved(
      profileFromFormula(
        {
          form: 'log',
          base: '2',
          a: 1,
          b: 0,
          c: 1 / 17.52,
          d: 9.72 / 17.52,
          cut: 0.0078125,
          cutIn: 'reflectance',
          toe: { e: 10.5402377416545, f: 0.0729055341958355 },
          unit: 'signal',
        },
        coding,
        'bt709',
      ),
    );
    for (const x of [0.001, 0.18, 1, 10])
      expect(compiled.transfer.encode(x)).toBeCloseTo(TRANSFERS.acescct.encode(x), 9);
  });

  it('reports a break at the cut, and a clip the formula cannot reach', () => {
    const broken = solved(profileFromFormula({ ...plain, toe: { e: 5, f: 0.06 } }, coding, 'bt709'));
    expect(broken.warnings.join(' ')).toMatch(/Breaks by .* % of signal at the cut\..*slope changes by/);
    const far = solved(profileFromFormula({ ...plain, clipStops: 12 }, coding, 'bt709'));
    expect(far.warnings.join()).toMatch(/over the top code/);
    expect(far.profile.clipStops).toBeLessThan(8);
  });

  it.each([
    [{ c: Number.NaN }, 'c', /Type a number for c/],
    [{ c: -0.3 }, 'a and c', /has to rise/],
    [{ b: -0.1 }, 'cut', /pole at 0.1.* inside the range/],
    [{ b: -0.1, cut: undefined }, 'cut', /pole at reflectance 0.1.* inside the range/],
    [{ cut: Number.NaN }, 'cut', /or leave it empty/],
    [{ d: 4 }, 'formula', /Grey would read/],
    [{ toe: { e: 0, f: 0 } }, 'e', /slope of the toe/],
  ])('%j gets one sentence', (part, where, reason) => {
    const result = profileFromFormula({ ...plain, ...part }, coding, 'bt709');
    expect(result).toMatchObject({ ok: false, where });
    expect(!result.ok && result.reason).toMatch(reason);
  });
});

describe('a table', () => {
  const wide = compileProfile(ARCHETYPES.wideLog);
  const rows = Array.from({ length: 14 }, (_, i) => [i - 7, (100 * wide.signalAt(i - 7)).toFixed(3)]);
  const text = rows.map((row) => row.join(',')).join('\n');
  const columns = { light: 'stops', reading: 'signalPercent' } as const;

  it.each([
    ['commas', text],
    ['a heading', `stops,percent\n${text}`],
    ['tabs and CRLF', rows.map((row) => row.join('\t')).join('\r\n')],
    ['semicolons and decimal commas', rows.map((row) => row.join(';').replace('.', ',')).join('\n')],
    [
      'a decimal comma in some rows only',
      rows.map((row) => row.join(';').replace(/\.(\d+)$/, (_, d) => (d === '000' ? '' : `,${d}`))).join('\n'),
    ],
    ['notes and blank lines', `# off the waveform\n\n${text}\n\n`],
    [
      'brightest first',
      [...rows]
        .reverse()
        .map((row) => row.join(','))
        .join('\n'),
    ],
  ])('with %s reads as the curve', (_, source) => {
    const { compiled } = solved(profileFromTable(source, columns, coding, 'bt709'));
    expect(compiled.clipStops).toBeCloseTo(6, 9);
    for (const stops of [-6, -2.5, 0, 1.5, 5])
      expect(compiled.signalAt(stops)).toBeCloseTo(wide.signalAt(stops), 2);
  });

  it('takes reflectance against codes or a share of the top code', () => {
    const codes = rows.map(
      ([stops, percent]) => `${stopsToReflectance(Number(stops))},${64 + 8.76 * Number(percent)}`,
    );
    const shares = rows.map(([stops, percent]) => `${stops},${(64 + 8.76 * Number(percent)) / 1023}`);
    const byCode = solved(
      profileFromTable(codes.join('\n'), { light: 'reflectance', reading: 'codeValue' }, coding, 'bt709'),
    );
    const byShare = solved(
      profileFromTable(shares.join('\n'), { light: 'stops', reading: 'fraction' }, coding, 'bt709'),
    );
    expect(byCode.compiled.signalAt(0)).toBeCloseTo(wide.signalAt(0), 4);
    expect(byShare.compiled.signalAt(2)).toBeCloseTo(wide.signalAt(2), 4);
  });

  it('keeps rows of light under zero: the curve goes on below black', () => {
    const below = [-0.02, -0.01, 0, 0.01, 0.05, 0.18, 1, 4];
    const source = below.map((light) => `${light},${100 * wide.transfer.encode(light)}`).join('\n');
    const { compiled } = solved(
      profileFromTable(source, { light: 'reflectance', reading: 'signalPercent' }, coding, 'bt709'),
    );
    for (const light of below)
      expect(compiled.transfer.encode(light)).toBeCloseTo(wide.transfer.encode(light), 9);
    for (const light of [-0.02, -0.01, -0.004])
      expect(compiled.transfer.decode(compiled.transfer.encode(light))).toBeCloseTo(light, 9);
    expect(compiled.transfer.encode(-0.015)).toBeCloseTo(wide.transfer.encode(-0.015), 3);
  });

  it.each([
    ['falls', text.replace('\n-3,', '\n-3,9'), 'line 6', /line 6\.$/],
    ['no number', text.replace('0,40', '0,x40'), 'line 8', /Line 8 needs two numbers/],
    ['short', '-1,30\n0,40\n1,50', 'table', /3 rows/],
    ['grey outside', '1,10\n2,20\n3,30\n4,40', 'table', /must lie inside/],
    ['over the top', text.replace(/94\.000/, '140'), 'line 14', /over the top code/],
    ['under no light', `-1.1,2\n0,3\n0.1,30\n0.18,40\n1,60`, 'line 1', /-1.1 is under -1/],
  ])('%s is named by its line', (name, source, where, reason) => {
    const light = name === 'under no light' ? 'reflectance' : 'stops';
    const result = profileFromTable(source, { light, reading: 'signalPercent' }, coding, 'bt709');
    expect(result.ok).toBe(false);
    if (result.ok) return;
    expect(result.where).toBe(where);
    expect(result.reason).toMatch(reason);
  });
});
