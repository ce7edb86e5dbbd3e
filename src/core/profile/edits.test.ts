import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { TRANSFERS } from '../transfer/index.ts';
import { stopsToReflectance } from '../units.ts';
import { ARCHETYPES, compileProfile } from './index.ts';
import { editsOf, profileFromFormula, profileWithEdits } from './making.ts';

const { wideLog, cineFlat, standard } = ARCHETYPES;
const edited = (...args: Parameters<typeof profileWithEdits>) => {
  const result = profileWithEdits(...args);
  if (!result.ok) throw new Error(result.reason);
  return compileProfile(result.value.profile);
};

describe('trims of a profile', () => {
  it('a black level moves the whole signal', () => {
    const plain = compileProfile(wideLog);
    const raised = edited(wideLog, { lift: 0.02 });
    for (const stops of [-8, -3, 0, 4])
      expect(raised.signalAt(stops)).toBeCloseTo(plain.signalAt(stops) + 0.02, 12);
    expect(raised.stopsAt(raised.signalAt(1.5))).toBeCloseTo(1.5, 9);
  });

  it('a knee leaves what lies under it and reads what was typed at the clip', () => {
    const plain = compileProfile(standard);
    const knee = { from: 0.8, reads: 1.05, clipStops: 5 };
    const bent = edited(standard, { knee });
    for (const stops of [-6, -2, 0, 1]) expect(bent.signalAt(stops)).toBeCloseTo(plain.signalAt(stops), 12);
    expect(bent.clipSignal).toBeCloseTo(1.05, 6);
    expect(bent.clipStops).toBe(5);
  });

  it('come back as they were typed, both together, and replace each other', () => {
    const edits = { lift: -0.01, knee: { from: 0.7, reads: 0.98, clipStops: 5.5 } };
    const first = profileWithEdits(standard, edits);
    const back = first.ok ? editsOf(first.value.profile) : {};
    expect(back.lift).toBe(-0.01);
    expect(back.knee?.from).toBeCloseTo(0.7, 9);
    expect(back.knee?.reads).toBeCloseTo(0.98, 6);
    const off = first.ok ? profileWithEdits(first.value.profile, {}) : first;
    expect(off.ok && 'knee' in off.value.profile.curve).toBe(false);
  });

  it.each([
    [{ lift: 0.4 }, 'black level', /−20 to \+20/],
    [{ knee: { from: 0.2, reads: 1, clipStops: 6 } }, 'knee', /not over grey/],
    [{ knee: { from: 0.8, reads: 0.7, clipStops: 6 } }, 'knee', /No knee from 80.0 %/],
    [{ knee: { from: 0.8, reads: 0.9, clipStops: 0.5 } }, 'knee', /under the knee’s start/],
    [{ knee: { from: Number.NaN, reads: 0.9, clipStops: 5 } }, 'knee', /type where it starts/],
  ])('%j gets one sentence', (edits, where, reason) => {
    const result = profileWithEdits(standard, edits);
    expect(result).toMatchObject({ ok: false, where });
    expect(!result.ok && result.reason).toMatch(reason);
  });

  it('every kind of curve round-trips within 1e-6 of its light with both trims on', () => {
    for (const data of [wideLog, cineFlat, standard]) {
      const plain = compileProfile(data);
      const from = plain.signalAt(1.5) + 0.01;
      const unbent = plain.transfer.encode(stopsToReflectance(5)) + 0.01;
      const bent = edited(data, {
        lift: 0.01,
        knee: { from, reads: from + 0.7 * (unbent - from), clipStops: 5 },
      });
      fc.assert(
        fc.property(fc.double({ min: 0, max: stopsToReflectance(5), noNaN: true }), (x) => {
          expect(Math.abs(bent.transfer.decode(bent.transfer.encode(x)) - x)).toBeLessThan(1e-6);
        }),
      );
    }
  });
});

describe('a formula of the power form', () => {
  const coding = { bitDepth: 10, range: 'legal' } as const;
  const bt709 = {
    form: 'power',
    gain: 1.099,
    exponent: 0.45,
    offset: -0.099,
    cut: 0.018,
    cutIn: 'reflectance',
    toe: { e: 4.5, f: 0 },
    unit: 'signal',
  } as const;

  it('is BT.709 when given its published numbers (ITU-R BT.709-6, clause 1.2)', () => {
    const result = profileFromFormula(bt709, coding, 'bt709');
    if (!result.ok) throw new Error(result.reason);
    const { transfer } = compileProfile(result.value.profile);
    for (const x of [0, 0.01, 0.018, 0.18, 0.9])
      expect(transfer.encode(x)).toBeCloseTo(TRANSFERS.bt709.encode(x), 9);
    // The printed constants are rounded, so the join has a small break; it is reported as a figure.
    expect(Math.abs(result.value.continuity?.value ?? 1)).toBeLessThan(0.001);
  });

  it('takes the cut in signal, and the tangent where no toe is printed', () => {
    const bySignal = profileFromFormula(
      { ...bt709, cut: 0.081, cutIn: 'signal', toe: undefined },
      coding,
      'bt709',
    );
    if (!bySignal.ok) throw new Error(bySignal.reason);
    const { transfer } = compileProfile(bySignal.value.profile);
    expect(bySignal.value.continuity?.slope).toBeCloseTo(0, 9);
    expect(transfer.encode(0.18)).toBeCloseTo(TRANSFERS.bt709.encode(0.18), 9);
    for (const x of [0, 0.003, 0.05, 0.7]) expect(transfer.decode(transfer.encode(x))).toBeCloseTo(x, 9);
  });

  it.each([
    [{ exponent: -0.45 }, 'gain exponent', /without a pole/],
    [{ gain: Number.NaN }, 'gain', /Type a number for gain/],
    [{ cut: -0.2, cutIn: 'signal' }, 'cut', /above black/],
  ] as const)('%j gets one sentence', (part, where, reason) => {
    const result = profileFromFormula({ ...bt709, ...part }, coding, 'bt709');
    expect(result).toMatchObject({ ok: false, where });
    expect(!result.ok && result.reason).toMatch(reason);
  });
});
