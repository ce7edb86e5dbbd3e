// Controls of a camera, learnt by turning them: on the board, through a painted camera with noise.
import { describe, expect, it } from 'vitest';
import type { Triple } from '../maths/matrix.ts';
import { apply } from '../maths/matrix.ts';
import { gamutOf, rgbToXyz } from '../colour/gamut.ts';
import { gaussian, seededRandom } from '../random.ts';
import { BOARD_PATCHES } from '../scene/board.ts';
import { NO_PAINT, paintBend, paintBlack, paintGains, paintMatrix, type Paint } from '../sensor/paint.ts';
import {
  learnResponse,
  movesOf,
  solveTurns,
  straightness,
  type LearntControl,
  type LookPatch,
  type Response,
} from './turns.ts';

const NOISE = 0.003;
const [, , , KR, KG, KB] = rgbToXyz(gamutOf('bt709'));
type Key = keyof Paint;
const CONTROLS = [
  { id: 'red', name: 'R gain', low: -50, high: 50 },
  { id: 'blue', name: 'B gain', low: -50, high: 50 },
  { id: 'gain', name: 'Iris', low: -12, high: 12 },
  { id: 'black', name: 'Black', low: -40, high: 40 },
  { id: 'saturation', name: 'Saturation', low: -20, high: 20 },
  { id: 'gamma', name: 'Gamma', low: -20, high: 20 },
  { id: 'hue', name: 'Hue', low: -30, high: 30 },
] as const satisfies readonly { id: Key; name: string; low: number; high: number }[];

/** The board as a painted camera shows it; `seed` 0 without noise. */
const seen = (paint: Paint, seed: number): LookPatch[] => {
  const deviate = seed === 0 ? () => 0 : gaussian(seededRandom(seed));
  const [gains, black, matrix] = [paintGains(paint), paintBlack(paint), paintMatrix(paint, [KR, KG, KB])];
  return BOARD_PATCHES.map(({ name, reflectance }) => {
    const gained = apply(matrix, reflectance.map((v, c) => v * gains[c]) as unknown as Triple);
    const light = gained.map(paintBend(paint)) as unknown as Triple;
    const error = light.map((v) => NOISE * (Math.abs(v) + 0.02)) as unknown as Triple;
    return {
      name,
      light: light.map((v, c) => v + black + error[c] * deviate()) as unknown as Triple,
      error,
    };
  });
};

const learnt = (key: Key, by: number, at: Paint, seed: number): Response => {
  const found = learnResponse(seen(at, seed), seen({ ...at, [key]: at[key] + by }, seed + 1000), by, 'bt709');
  if (!found.ok) throw new Error(`${key}: ${found.reason}`);
  return found.value;
};
const TURN: Readonly<Record<Key, number>> = {
  red: 12,
  blue: 12,
  gain: 2,
  black: 20,
  saturation: 5,
  gamma: 8,
  hue: 8,
};
/** How the second camera was found, drawn. */
const found = (seed: number): Paint => {
  const random = seededRandom(seed);
  const draw = (most: number) => Math.round(most * (2 * random() - 1));
  return { ...NO_PAINT, red: draw(20), blue: draw(20), gain: draw(4), black: draw(15), saturation: draw(6) };
};

describe('a control that was turned', () => {
  it('is learnt within 5 % under noise, whatever else it does', () => {
    for (let seed = 1; seed <= 5; seed += 1) {
      // Colour turned down carries red along, and lifted black is no light: what is true is known at rest.
      const at = { ...found(seed), black: 0, saturation: 0 };
      // 0.02 stop of red a step, nothing of the others.
      const red = learnt('red', TURN.red, at, seed);
      expect(Math.abs(red.gain[0] / 0.02 - 1), `seed ${seed}`).toBeLessThan(0.05);
      expect(Math.abs(red.gain[1])).toBeLessThan(0.001);
      expect(Math.abs(red.gain[2])).toBeLessThan(0.001);
      const gain = learnt('gain', TURN.gain, at, seed);
      gain.gain.forEach((v) => expect(Math.abs(v * 6 - 1)).toBeLessThan(0.05));
      const saturation = learnt('saturation', TURN.saturation, at, seed);
      // From 1 to 1.15 in five steps: 1.15 ^ (1 / 5) - 1 = 0.02835 a step.
      expect(Math.abs(saturation.saturation / 0.02835 - 1)).toBeLessThan(0.05);
      // One per cent of slope and one degree a step.
      expect(Math.abs(learnt('gamma', TURN.gamma, at, seed).gamma! / 0.01 - 1)).toBeLessThan(0.05);
      expect(Math.abs(learnt('hue', TURN.hue, at, seed).hue! - 1)).toBeLessThan(0.05);
    }
  });

  it('says what it moves, what it pulls along, and whether a second turn does as much', () => {
    const at = NO_PAINT;
    const red = learnt('red', 12, at, 1);
    expect(movesOf(red)).toEqual(['light']);
    expect(straightness(red, learnt('red', 12, { ...at, red: 12 }, 2))).toBeCloseTo(1, 1);
    // One that does half as much the second time.
    expect(straightness(red, { ...red, gain: [red.gain[0] / 2, 0, 0] })).toBeCloseTo(0.5, 1);
    expect(movesOf({ ...red, black: [0.002, 0.002, 0.002] })).toEqual(['black', 'light']);
    expect(movesOf(learnt('hue', 8, at, 3))).toEqual(['hue']);
  });

  it('is not learnt from a turn that noise hides, from none, or from other things', () => {
    const at = found(3);
    expect(learnResponse(seen(at, 1), seen(at, 2), 3, 'bt709')).toMatchObject({
      ok: false,
      reason: expect.stringContaining('turn further'),
    });
    expect(learnResponse(seen(at, 1), seen(at, 2), 0, 'bt709').ok).toBe(false);
    const others = seen(at, 2).map((patch) => ({ ...patch, name: `other ${patch.name}` }));
    expect(learnResponse(seen(at, 1), others, 3, 'bt709').ok).toBe(false);
  });
});

describe('what to turn', () => {
  const hero = seen(NO_PAINT, 0);
  const controlsAt = (paint: Paint, seed: number): LearntControl[] =>
    CONTROLS.map((control) => ({
      ...control,
      at: paint[control.id],
      response: learnt(control.id, TURN[control.id], paint, seed),
    }));

  it.each([1, 2, 3, 4, 5])(
    'brings camera %i to the hero in three rounds or fewer, in whole steps',
    (seed) => {
      let paint = found(seed);
      const controls = controlsAt(paint, 10 * seed);
      let worst = Infinity;
      for (let round = 0; round < 3; round += 1) {
        const { turns } = solveTurns(
          seen(paint, 100 * seed + round),
          hero,
          controls.map((control) => ({ ...control, at: paint[control.id as Key] })),
          'bt709',
        );
        for (const { id, by } of turns) {
          expect(Number.isInteger(by)).toBe(true);
          paint = { ...paint, [id]: paint[id as Key] + by };
        }
        ({ worst } = solveTurns(seen(paint, 0), hero, controls, 'bt709').before);
      }
      // Exposure within 1/12 stop, balance within 5 mired (0.02 stop of red against blue is some 1.5), ΔE2000 2.
      const gains = paintGains(paint).map(Math.log2);
      expect(Math.abs(gains[1])).toBeLessThan(1 / 12);
      expect(Math.abs(gains[0] - gains[2])).toBeLessThan(0.06);
      expect(worst).toBeLessThan(2);
    },
  );

  it('stays within what a control has, and turns nothing where nothing is off', () => {
    const paint = { ...NO_PAINT, red: 48 };
    const controls = controlsAt(NO_PAINT, 7).map((control) => ({
      ...control,
      ...(control.id === 'red' ? { low: 40, high: 50, at: 48 } : {}),
    }));
    const { turns, after } = solveTurns(seen(paint, 0), hero, controls, 'bt709');
    expect(turns.find(({ id }) => id === 'red')!.by).toBeGreaterThanOrEqual(-8);
    expect(after.mean).toBeGreaterThan(1);
    const still = solveTurns(hero, hero, controlsAt(NO_PAINT, 9), 'bt709');
    expect(still.turns).toEqual([]);
    expect(still.after.worst).toBeLessThan(1e-9);
  });
});
