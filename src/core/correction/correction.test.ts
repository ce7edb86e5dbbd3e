import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Triple } from '../maths/matrix.ts';
import { ARCHETYPES } from '../profile/index.ts';
import { balanceGains, balanceOfGains, dialAfter } from './balanceGains.ts';
import { compileCorrection } from './compile.ts';
import { correctionInLight } from './interpolate.ts';
import {
  NO_CORRECTION,
  OPERATION_KINDS,
  operationOf,
  withOperation,
  type Correction,
  type Operation,
} from './operations.ts';

const ABOUT = { kelvin: 5600, tint: 0 } as const;
const between = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const triple = (min: number, max: number) =>
  fc.tuple(between(min, max), between(min, max), between(min, max));
const operation: fc.Arbitrary<Operation> = fc.oneof(
  between(-4, 4).map((stops): Operation => ({ kind: 'exposure', stops })),
  fc
    .tuple(between(-80, 80), between(-20, 20), between(2600, 9000))
    .map(([mired, tint, kelvin]): Operation => ({
      kind: 'balance',
      mired,
      tint,
      about: { kelvin, tint: 0 },
    })),
  between(0.5, 2).map((slope): Operation => ({ kind: 'contrast', slope })),
  between(0.3, 2).map((amount): Operation => ({ kind: 'saturation', amount })),
  triple(-0.02, 0.02).map((offset): Operation => ({ kind: 'black', offset })),
  triple(-0.15, 0.15).map(([a, b, c]): Operation => ({
    kind: 'matrix',
    matrix: [1 - a, a, 0, b, 1 - b, 0, 0, c, 1 - c],
  })),
);
const correction = fc
  .tuple(
    fc.constantFrom('bt2020' as const, 'bt709' as const),
    fc.constantFrom(undefined, ARCHETYPES.wideLog.curve),
    fc.uniqueArray(operation, { selector: ({ kind }) => kind, maxLength: 6 }),
  )
  .map(([primaries, bend, operations]): Correction => ({
    primaries,
    ...(bend ? { bend } : {}),
    operations: operations.toSorted(
      (a, b) => OPERATION_KINDS.indexOf(a.kind) - OPERATION_KINDS.indexOf(b.kind),
    ),
  }));

describe('a correction', () => {
  it('goes back the way it came, whatever is in it', () => {
    fc.assert(
      fc.property(correction, triple(0.002, 8), (made, light) => {
        const { run, undo } = compileCorrection(made, 'bt2020');
        // ACEScct's two parts meet within millionths of light as the standard prints them.
        undo(run(light)).forEach((v, c) =>
          expect(Math.abs(v - light[c])).toBeLessThan(1e-5 * (1 + Math.max(...light))),
        );
      }),
    );
  });

  it('leaves a neutral neutral unless it balances or takes black off', () => {
    const kinds = new Set(['exposure', 'contrast', 'saturation', 'matrix']);
    fc.assert(
      fc.property(correction, between(0.01, 4), (made, v) => {
        const operations = made.operations.filter(({ kind }) => kinds.has(kind));
        const [r, g, b] = compileCorrection({ ...made, operations }, made.primaries).run([v, v, v]);
        expect(Math.max(Math.abs(r - g), Math.abs(b - g)) / g).toBeLessThan(1e-9);
      }),
    );
  });

  it('exposes by stops, and bends about grey', () => {
    const one = (operation: Operation) =>
      compileCorrection({ primaries: 'bt2020', operations: [operation] }, 'bt2020').run;
    expect(one({ kind: 'exposure', stops: 1.5 })([0.1, 0.2, 0.3])).toEqual(
      [0.1, 0.2, 0.3].map((v) => v * 2 ** 1.5),
    );
    const bent = one({ kind: 'contrast', slope: 1.5 })([0.18, 0.36, 0.09]);
    // Over the toe of ACEScct a slope is a power of light about grey.
    [0.18, 0.18 * 2 ** 1.5, 0.18 * 2 ** -1.5].forEach((v, c) => expect(bent[c]).toBeCloseTo(v, 9));
  });

  it('is refused where there is no way back', () => {
    const flat: Correction = { ...NO_CORRECTION, operations: [{ kind: 'contrast', slope: 0 }] };
    expect(() => compileCorrection(flat, 'bt2020')).toThrow('contrast must be above 0');
  });

  it('has one operation of a kind, in the order of a camera backwards', () => {
    const two = withOperation(
      withOperation(withOperation(NO_CORRECTION, { kind: 'exposure', stops: 1 }), {
        kind: 'contrast',
        slope: 2,
      }),
      { kind: 'exposure', stops: 2 },
    );
    expect(two.operations.map(({ kind }) => kind)).toEqual(['contrast', 'exposure']);
    expect(operationOf(two, 'exposure')?.stops).toBe(2);
  });
});

describe('balance', () => {
  it('gains of a balance give that balance back, and keep the luminance of a neutral', () => {
    fc.assert(
      fc.property(between(-60, 60), between(-15, 15), between(2800, 8000), (mired, tint, kelvin) => {
        const about = { kelvin, tint: 2 };
        const gains = balanceGains(about, mired, tint, 'bt2020');
        const back = balanceOfGains(gains, about, 'bt2020');
        expect(back.mired).toBeCloseTo(mired, 3);
        expect(back.tint).toBeCloseTo(tint, 3);
        expect(back.rest).toBeUndefined();
        // BT.2020's luminance, Rec. ITU-R BT.2020-2, table 4.
        expect(0.2627 * gains[0] + 0.678 * gains[1] + 0.0593 * gains[2]).toBeCloseTo(1, 3);
      }),
    );
  });

  it('warmer is red up and blue down; a higher number on the dial is warmer', () => {
    const [r, g, b] = balanceGains(ABOUT, 20, 0, 'bt2020');
    expect(r).toBeGreaterThan(g);
    expect(b).toBeLessThan(g);
    expect(dialAfter(ABOUT, 20, 0).kelvin).toBeGreaterThan(ABOUT.kelvin);
  });

  it('what no dial reaches stays as gains', () => {
    const wanted: Triple = [1, 1, 1e-4];
    const found = balanceOfGains(wanted, { kelvin: 2000, tint: 0 }, 'bt2020');
    const made = compileCorrection(
      {
        primaries: 'bt2020',
        operations: [{ kind: 'balance', ...found, about: { kelvin: 2000, tint: 0 } }],
      },
      'bt2020',
    ).run([1, 1, 1]);
    expect(made[2] / made[1]).toBeCloseTo(1e-4, 6);
  });
});

describe('between two lights', () => {
  const at = (kelvin: number, stops: number, operations: readonly Operation[] = []) => ({
    kelvin,
    correction: {
      primaries: 'bt2020',
      operations: [...operations, { kind: 'exposure', stops }],
    } as Correction,
  });

  it('lies between them by its place in mired', () => {
    const [warm, cool] = [at(2500, 1, [{ kind: 'saturation', amount: 0.8 }]), at(5000, 0)];
    // 300 mired lies half way from 200 to 400.
    const found = correctionInLight([warm, cool], 1e6 / 300)!;
    expect(operationOf(found.correction, 'exposure')?.stops).toBeCloseTo(0.5, 9);
    expect(operationOf(found.correction, 'saturation')?.amount).toBeCloseTo(0.9, 9);
    expect(found.from).toEqual([5000, 2500]);
    expect(found.outside).toBe(0);
  });

  it('outside them the nearest stands, and says by how much', () => {
    const found = correctionInLight([at(5000, 0.3), at(4000, 0.1)], 8000)!;
    expect(operationOf(found.correction, 'exposure')?.stops).toBe(0.3);
    expect(found.outside).toBeCloseTo(75, 6);
    expect(correctionInLight([at(5000, 0.3), at(4000, 0.1)], 2500)!.from).toEqual([4000]);
  });

  it('in a measured light it is the one of that light; without any there is none', () => {
    const lights = [at(5000, 0.3), at(4000, 0.1), at(3000, 0)];
    expect(correctionInLight(lights, 4000)).toEqual({
      correction: lights[1].correction,
      from: [4000],
      outside: 0,
    });
    expect(correctionInLight([], 4000)).toBeUndefined();
  });

  it('rows of a mixed matrix still sum to 1', () => {
    const matrix = (k: number): Operation => ({
      kind: 'matrix',
      matrix: [1 - k, k, 0, k, 1 - 2 * k, k, 0, k, 1 - k],
    });
    const found = correctionInLight([at(3000, 0, [matrix(0.1)]), at(6000, 0)], 4000)!;
    const m = operationOf(found.correction, 'matrix')!.matrix;
    expect(m[0] + m[1] + m[2]).toBeCloseTo(1, 12);
    expect(m[1]).toBeGreaterThan(0);
    expect(m[1]).toBeLessThan(0.1);
  });
});
