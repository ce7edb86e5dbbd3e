import { describe, expect, it } from 'vitest';
import { compileCorrection } from '../correction/compile.ts';
import { operationOf, type Correction, type Operation } from '../correction/operations.ts';
import type { Triple } from '../maths/matrix.ts';
import { gaussian, seededRandom } from '../random.ts';
import { BOARD_PATCHES } from '../scene/board.ts';
import { dialled } from './dial.ts';
import type { MatchKind, MatchPatch, PatchLight } from './patches.ts';
import { matchSchools } from './schools.ts';
import { solveMatch } from './solveMatch.ts';
import { matchVerdict, worstSeen } from './verdict.ts';

const DIAL = { kelvin: 5600, tint: 0 } as const;
const SPACE = { primaries: 'bt2020', level: 0, dial: DIAL } as const;

const kindOf = (kind: string): MatchKind =>
  kind === 'card' || kind === 'white' ? kind : kind === 'wedge' ? 'neutral' : 'colour';
const light = (rgb: Triple, noise = 0.002, deviate?: () => number): PatchLight => {
  const error = rgb.map((v) => noise * (v + 0.02)) as unknown as Triple;
  return {
    light: deviate ? (rgb.map((v, c) => v + error[c] * deviate()) as unknown as Triple) : rgb,
    error,
    clipped: 0,
    underFloor: 0,
  };
};
/** The board before two cameras: the hero sees it as it is, the camera through the inverse of a correction. */
const board = (correction: Correction, noise: number, seed: number): readonly MatchPatch[] => {
  const random = gaussian(seededRandom(seed));
  const { undo } = compileCorrection(correction, 'bt2020');
  return BOARD_PATCHES.filter(({ kind }) => kind !== 'trap').map(({ name, kind, reflectance }) => ({
    name,
    kind: kindOf(kind),
    hero: light(reflectance, noise, random),
    from: light(undo(reflectance), noise, random),
  }));
};
const made = (...operations: Operation[]): Correction => ({ primaries: 'bt2020', operations });
const OFF = made({ kind: 'exposure', stops: -0.7 }, { kind: 'balance', mired: 25, tint: -6, about: DIAL });

describe('a match', () => {
  it('on noise alone takes no larger model, in 24 repeats', () => {
    const larger = Array.from({ length: 24 }, (_, seed) =>
      solveMatch(
        board(OFF, 0.02, seed + 1).filter((_unused, i) => i % 2 === 0),
        SPACE,
      ).correction.operations.filter(({ kind }) => kind !== 'exposure' && kind !== 'balance'),
    ).filter((operations) => operations.length > 0);
    expect(larger).toEqual([]);
  }, 120_000);

  it.each<[string, Operation]>([
    ['contrast', { kind: 'contrast', slope: 1.12 }],
    ['saturation', { kind: 'saturation', amount: 0.85 }],
    ['black', { kind: 'black', offset: [0.012, 0.01, 0.011] }],
  ])('what pays is taken: %s', (kind, operation) => {
    const correction = made(...[operation, ...OFF.operations].toSorted((a) => (a.kind === 'black' ? 1 : 0)));
    const match = solveMatch(board(correction, 0.004, 5), SPACE);
    expect(operationOf(match.correction, operation.kind), kind).toBeDefined();
    expect(match.steps.find((step) => step.kind === kind)?.kept).toBe(true);
    expect(match.mean).toBeLessThan(0.6);
  });

  it('a colour filter array that mixes needs a matrix, and white stays', () => {
    const matrix = [1.15, -0.1, -0.05, -0.04, 1.1, -0.06, 0.02, -0.14, 1.12] as const;
    const match = solveMatch(board(made({ kind: 'matrix', matrix }, ...OFF.operations), 0.003, 9), SPACE);
    const found = operationOf(match.correction, 'matrix');
    expect(found).toBeDefined();
    const m = found!.matrix;
    [0, 3, 6].forEach((row) => expect(m[row] + m[row + 1] + m[row + 2]).toBeCloseTo(1, 9));
    expect(match.worst).toBeLessThan(1.5);
  });

  it('patches that clip or drown are left out and named', () => {
    const patches = board(OFF, 0.004, 3).map((patch, i) =>
      i === 2
        ? { ...patch, hero: { ...patch.hero, clipped: 0.2 } }
        : i === 5
          ? { ...patch, from: { ...patch.from, error: [1, 1, 1] as Triple } }
          : patch,
    );
    const { leftOut, patches: used } = solveMatch(patches, SPACE);
    expect(leftOut).toEqual([
      { name: patches[2].name, why: 'clipped', of: 'hero' },
      { name: patches[5].name, why: 'dark', of: 'camera' },
    ]);
    expect(used).toHaveLength(patches.length - 2);
  });

  it('one grey card tells exposure and balance, and nothing is claimed beyond', () => {
    const card = board(OFF, 0, 1).filter(({ kind }) => kind === 'card');
    const match = solveMatch(card, SPACE);
    expect(operationOf(match.correction, 'exposure')?.stops).toBeCloseTo(-0.7, 2);
    expect(operationOf(match.correction, 'balance')?.mired).toBeCloseTo(25, 0);
    expect(match.unseen).toBeUndefined();
    expect(match.steps.filter(({ untried }) => untried).map(({ kind }) => kind)).toContain('matrix');
  });

  it('without a patch there is no correction', () => {
    expect(solveMatch([], SPACE)).toMatchObject({ correction: { operations: [] }, patches: [] });
  });
});

describe('what the dials do', () => {
  const steps = { kelvinStep: 100, kelvinRange: [2500, 9900], tintStep: 1, tintRange: [-9, 9] } as const;

  it('dial and rest together are the correction', () => {
    const { dial, stops, rest } = dialled(OFF, DIAL, steps);
    // 178.6 mired less 25: 6511 K.
    expect(dial).toEqual({ kelvin: 6500, tint: -6 });
    expect(stops).toBeCloseTo(-2 / 3, 9);
    expect(operationOf(rest, 'exposure')?.stops).toBeCloseTo(-0.7 + 2 / 3, 9);
    const by = 1e6 / DIAL.kelvin - 1e6 / dial.kelvin;
    const done = compileCorrection(
      made({ kind: 'exposure', stops }, { kind: 'balance', mired: by, tint: -6, about: DIAL }),
      'bt2020',
    );
    const left = compileCorrection(rest, 'bt2020');
    const all = compileCorrection(OFF, 'bt2020');
    left
      .run(done.run([0.3, 0.2, 0.1]))
      .forEach((v, c) => expect(v).toBeCloseTo(all.run([0.3, 0.2, 0.1])[c], 4));
  });

  it('a dial goes no further than its range; the rest says what is missing', () => {
    const far = made({ kind: 'balance', mired: 0, tint: 40, about: DIAL });
    const { dial, rest } = dialled(far, DIAL, steps);
    expect(dial.tint).toBe(9);
    expect(operationOf(rest, 'balance')?.tint).toBe(31);
  });
});

describe('schools', () => {
  it('a match in post leaves least; one number leaves what the bodies differ by; a look leaves most of it', () => {
    const patches = board(OFF, 0.002, 4);
    const { correction } = solveMatch(patches, SPACE);
    const answers = matchSchools({
      patches,
      space: SPACE,
      dials: { camera: DIAL, hero: DIAL },
      correction,
    });
    const of = (id: string) => answers.find((answer) => answer.id === id)!;
    expect(of('post').all!).toBeLessThan(1);
    expect(of('custom').neutral!).toBeLessThan(1);
    expect(of('sameNumber').all!).toBeGreaterThan(5);
    expect(of('glue').all!).toBeGreaterThan(3);
    expect(of('post').skin).toBeUndefined();
  });

  it('without a neutral a custom balance has nothing to say', () => {
    const colours = board(OFF, 0.002, 4).filter(({ kind }) => kind === 'colour');
    const answers = matchSchools({
      patches: colours,
      space: SPACE,
      dials: { camera: DIAL, hero: DIAL },
      correction: OFF,
    });
    expect(answers.find(({ id }) => id === 'custom')).toEqual({ id: 'custom' });
  });
});

describe('verdict', () => {
  it('goes by skin and neutral where they were marked, and by the limits as they are set', () => {
    const patch = (kind: MatchKind, after: number) => ({ name: kind, kind, before: 9, after, noise: 0 });
    expect(worstSeen([patch('colour', 8), patch('skin', 1.5), patch('card', 1)])).toBe(1.5);
    expect(worstSeen([patch('colour', 8)])).toBe(8);
    // Noise is no difference: 5 of 13 leaves 12.
    expect(worstSeen([{ ...patch('skin', 13), noise: 5 }])).toBe(12);
    expect(matchVerdict({ deltaE: 2, stops: 0.1 })).toBe('together');
    expect(matchVerdict({ deltaE: 2.1, stops: 0.1 })).toBe('seen');
    expect(matchVerdict({ deltaE: 1, stops: -0.3 })).toBe('seen');
    expect(matchVerdict({ deltaE: 5.1, stops: 0 })).toBe('jars');
    const strict = { together: { deltaE: 1, stops: 1 }, seen: { deltaE: 1.5, stops: 1 } };
    expect(matchVerdict({ deltaE: 2, stops: 0 }, strict)).toBe('jars');
  });
});
