import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { blackOfFeed, ceilingOfFeed, feedAnchors } from './feedCheck.ts';
import { codeToSignal, signalToCode, type Coding } from './scale.ts';

const histogram = (counts: Record<number, number>, levels = 256): Uint32Array => {
  const out = new Uint32Array(levels);
  for (const [level, n] of Object.entries(counts)) out[Number(level)] = n;
  return out;
};

describe('the two-point feed check', () => {
  // A chain that takes legal codes for full ones stretches 16..235 to 0..255, and the reverse: BT.709-6 clause 5.6.
  it.each([
    ['untouched', (code: number) => code],
    ['stretched to full', (code: number) => ((code - 16) * 255) / 219],
    ['squeezed into legal', (code: number) => 16 + (code * 219) / 255],
  ])('finds what a chain did: %s', (_, chain) => {
    const legal: Coding = { bitDepth: 8, range: 'legal' };
    const truth = { blackSignal: 0.032, clipSignal: 0.94 };
    const code = (signal: number) => chain(signalToCode(signal, legal));
    const found = feedAnchors(code(truth.blackSignal), code(truth.clipSignal), truth);
    if (!found.ok) throw new Error(found.reason);
    const feed: Coding = { ...legal, feed: found.value };
    for (const signal of [0, 0.1, 0.41, 0.75, 1])
      expect(codeToSignal(code(signal), feed)).toBeCloseTo(signal, 9);
  });

  it('undoes any straight chain', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.6, max: 1.4, noNaN: true }),
        fc.double({ min: -20, max: 20, noNaN: true }),
        fc.double({ min: 0, max: 1.05, noNaN: true }),
        (gain, offset, signal) => {
          const code = (s: number) => offset + gain * signalToCode(s, { bitDepth: 10, range: 'legal' });
          const found = feedAnchors(code(0.05), code(0.9), { blackSignal: 0.05, clipSignal: 0.9 });
          if (!found.ok) throw new Error(found.reason);
          expect(codeToSignal(code(signal), { bitDepth: 10, range: 'legal', feed: found.value })).toBeCloseTo(
            signal,
            9,
          );
        },
      ),
    );
  });

  it('takes the middle of a capped picture, noise and all', () => {
    expect(blackOfFeed(histogram({ 17: 300, 18: 500, 19: 310, 25: 2 }))).toEqual({ ok: true, value: 18 });
    expect(blackOfFeed(histogram({ 17: 300, 90: 300 }))).toMatchObject({ ok: false, where: 'black' });
  });

  it('takes the ceiling of an overexposed one, and wants one', () => {
    expect(ceilingOfFeed(histogram({ 60: 400, 234: 200, 235: 600 }))).toEqual({ ok: true, value: 235 });
    expect(ceilingOfFeed(histogram({ 60: 900, 120: 50, 200: 50 }))).toMatchObject({ ok: false });
  });

  it('refuses two points that tell nothing', () => {
    expect(feedAnchors(100, 104, { blackSignal: 0, clipSignal: 1 })).toMatchObject({ ok: false });
    expect(feedAnchors(200, 40, { blackSignal: 0, clipSignal: 1 })).toMatchObject({ ok: false });
  });
});
