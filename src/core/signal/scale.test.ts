import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fixedLumaWeights, LUMA, LUMA_SHIFT } from './luma.ts';
import { codeToSignal, quantise, SCALE_IDS, SCALES, signalToCode, type Coding } from './scale.ts';

const ten: Coding = { bitDepth: 10, range: 'legal' };
const eight: Coding = { bitDepth: 8, range: 'legal' };
const full: Coding = { bitDepth: 10, range: 'full' };

describe('signal scales', () => {
  // ITU-R BT.709-6 clause 5.6: black 64 and white 940 at 10 bit, 16 and 235 at 8 bit.
  it('puts black and white where BT.709 does', () => {
    expect(signalToCode(0, ten)).toBe(64);
    expect(signalToCode(1, ten)).toBe(940);
    expect(signalToCode(0, eight)).toBe(16);
    expect(signalToCode(1, eight)).toBe(235);
    expect(signalToCode(1, full)).toBe(1023);
  });

  it('reads 10-bit 1023 as 109.5 % of signal', () => {
    expect(100 * codeToSignal(1023, ten)).toBeCloseTo(109.475, 3);
  });

  it('tells % of full code from % of signal: 420/1023 is 41.1 and 40.6', () => {
    const signal = codeToSignal(420, ten);
    expect(SCALES.fullCodePercent.fromSignal(signal, ten)).toBeCloseTo(41.06, 2);
    expect(SCALES.signalPercent.fromSignal(signal)).toBeCloseTo(40.64, 2);
  });

  it('turns every scale to signal and back', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...SCALE_IDS),
        fc.constantFrom(ten, eight, full),
        fc.double({ min: -0.07, max: 1.09, noNaN: true }),
        (id, coding, signal) => {
          const { toSignal, fromSignal } = SCALES[id];
          expect(toSignal(fromSignal(signal, coding), coding)).toBeCloseTo(signal, 10);
        },
      ),
    );
  });

  it('quantises to integers inside the code range', () => {
    expect(quantise(-1, ten)).toBe(0);
    expect(quantise(2, ten)).toBe(1023);
    expect(quantise(0.5, ten)).toBe(502);
  });
});

describe('luma', () => {
  it.each(Object.keys(LUMA) as (keyof typeof LUMA)[])('%s weights sum to one in fixed point', (id) => {
    const [r, g, b] = fixedLumaWeights(LUMA[id]);
    expect(r + g + b).toBe(1 << LUMA_SHIFT);
    expect(r / 2 ** 14).toBeCloseTo(LUMA[id].kr, 4);
    expect(b / 2 ** 14).toBeCloseTo(LUMA[id].kb, 4);
  });
});
