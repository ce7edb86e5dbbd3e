import { describe, expect, it } from 'vitest';
import { made, SEEDS } from '../fixtures/tasks.ts';
import { drillOf } from '../drillList.ts';
import { rightAnswer } from '../judge.ts';
import { leftOnCard } from './matchCameras.ts';

describe('what is left between two cameras on a card', () => {
  it('is the CIEDE2000 of its lightness where only light is missing', () => {
    // By hand: L* of 0.18 is 49.50, of 0.18 * 2^(1/3) 54.74; S_L at their mean 1 + 0.015 * 2.12^2 / sqrt(24.5) = 1.0136.
    expect(leftOnCard(1 / 3, 5600, 0)).toBeCloseTo((54.74 - 49.5) / 1.0136, 1);
    expect(leftOnCard(0, 5600, 0)).toBeCloseTo(0, 9);
  });
  it('grows with the cast, either way', () => {
    for (const sign of [-1, 1]) {
      expect(leftOnCard(0, 4000, sign * 8)).toBeGreaterThan(0.5);
      expect(leftOnCard(0, 4000, sign * 40)).toBeGreaterThan(3 * leftOnCard(0, 4000, sign * 10));
    }
  });
  it('is said with the verdict that Match gives', () => {
    for (const seed of SEEDS) {
      const task = made('match-b-to-a', 3, seed);
      const right = Object.fromEntries(task.asks.map((ask) => [ask.id, rightAnswer(ask)]));
      const { comesTo } = drillOf('match-b-to-a')!;
      expect(comesTo!(task, right)).toMatch(/ΔE2000 0\.\d, it cuts together/);
      expect(comesTo!(task, { ...right, card: task.placement + 1 })).toMatch(/it jars/);
    }
  });
});
