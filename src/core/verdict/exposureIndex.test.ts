import { describe, expect, it } from 'vitest';
import { judged } from './fixtures/judged.ts';
import { judgeFrame } from './index.ts';

describe('the exposure index', () => {
  const dial = [200, 400, 800, 1600];
  const at = (placement: number, index: { set: number; follows?: 'yes' | 'no' } | undefined) => {
    const { measurement, distribution, numbers } = judged('bench', { placement, planned: 0 });
    const given = index && { bases: [800], dial, ...index };
    const said = judgeFrame({ measurement, distribution, numbers, placement: 0, index: given });
    return (rule: string) => said.find(({ id }) => id === rule);
  };

  it('left over from before: the card lies where another index would put it', () => {
    const verdict = at(1, { set: 800 })('indexLeftOver');
    expect(verdict).toMatchObject({ state: 'watch', figure: 'EI 400' });
    expect(verdict?.advice).toMatch(/1\.0 stop over the plan.*the plan says EI 800/);
  });

  it('says nothing where the card is as planned, lies between two, or the dial is gain', () => {
    expect(at(0, { set: 800 })('indexLeftOver')).toBeUndefined();
    expect(at(0.5, { set: 800 })('indexLeftOver')).toBeUndefined();
    expect(at(1, undefined)('indexLeftOver')).toBeUndefined();
  });

  it('a display that does not follow it is told with how far off it looks', () => {
    const verdict = at(0, { set: 400, follows: 'no' })('assistBehindIndex');
    expect(verdict).toMatchObject({ state: 'watch', figure: '+1.0' });
    expect(verdict?.advice).toMatch(/1\.0 stop more light.*too bright/);
    expect(at(0, { set: 800, follows: 'no' })('assistBehindIndex')).toBeUndefined();
    expect(at(0, { set: 400, follows: 'yes' })('assistBehindIndex')).toBeUndefined();
  });
});
