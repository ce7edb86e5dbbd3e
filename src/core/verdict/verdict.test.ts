import { describe, expect, it } from 'vitest';
import { ARCHETYPES } from '../profile/index.ts';
import { signalToCode } from '../signal/scale.ts';
import { judged } from './fixtures/judged.ts';
import { judgeFrame, summarise, VERDICT_RULES } from './index.ts';

describe('the LUT on the monitor', () => {
  const { measurement, distribution, numbers } = judged('bench', { placement: 1, planned: 1 });
  const loaded = (pullStops: number) =>
    judgeFrame({
      measurement,
      distribution,
      placement: 1,
      numbers: { ...numbers, pullStops, monitor: { neutral: (v) => v, pullStops } },
    }).find(({ id }) => id === 'monitorPlan');

  it('with the pull of the plan is not spoken of, nor is the computed picture', () => {
    expect(loaded(1)).toBeUndefined();
    expect(loaded(0.9)).toBeUndefined();
    expect(
      judgeFrame({ measurement, distribution, placement: 1, numbers: { ...numbers, pullStops: 0 } }).some(
        ({ id }) => id === 'monitorPlan',
      ),
    ).toBe(false);
  });

  it.each([
    [0, '−1.0', 'too bright'],
    [5 / 3, '+0.7', 'too dark'],
  ])('with a pull of %f at a placement of 1 says by how much the screen is off', (pull, figure, looks) => {
    const verdict = loaded(pull);
    expect(verdict).toMatchObject({ state: 'watch', figure });
    expect(verdict?.advice).toContain(looks);
    expect(verdict?.correction).toEqual({ kind: 'placement', to: expect.closeTo(pull, 9) });
  });
});

describe('card', () => {
  it.each([-1, 0, 2 / 3, 1, 2])('at %f where planned holds, with its number', (placement) => {
    const { of } = judged('bench', { placement });
    const verdict = of('card');
    expect(verdict?.state).toBe('holds');
    expect(verdict?.title).toBe('Card where planned');
    expect(Number(verdict?.figure.replace('−', '-'))).toBeCloseTo(placement, 0);
    expect(verdict?.place).toBeDefined();
  });

  it.each([
    [0, 1, 'Card under the plan', 'Open 1 stop'],
    [0, 2 / 3, 'Card under the plan', 'Open 2/3 stop'],
    [1, 0, 'Card over the plan', 'Close 1 stop'],
    [2, 2 / 3, 'Card over the plan', 'Close 1 1/3 stops'],
  ])('shot at %f, planned %f: %s, %s', (placement, planned, title, remedy) => {
    const verdict = judged('bench', { placement, planned }).of('card');
    expect(verdict).toMatchObject({ state: 'watch', title });
    expect(verdict?.advice).toContain(remedy);
  });

  it('that lies within the doubt of an inferred curve cannot be told apart, and nothing is to be turned', () => {
    const band = { stops: [-8, 8], signal: [0.05, 0.05], stopsWide: [0.5, 0.5] };
    const profile = { ...ARCHETYPES.wideLog, band };
    const off = (planned: number) => judged('bench', { placement: 0, planned, profile });
    const verdict = off(0.4).of('card');
    expect(verdict).toMatchObject({ state: 'watch', title: 'Card: cannot be told apart' });
    expect(verdict?.advice).toMatch(/uncertain by ±0\.50 stop here/);
    expect(verdict?.correction).toBeUndefined();
    expect(off(1).of('card')).toMatchObject({ title: 'Card under the plan' });
    expect(off(0.4).of('skin')?.title).toBe('Skin: cannot be told apart');
    expect(off(0).of('card')).toMatchObject({ state: 'holds' });
  });

  it('lands on the profile’s own reading of the known patch within half a code', () => {
    const { measurement, numbers } = judged('stepWedge', { placement: 0 });
    const card = measurement.patches[0];
    expect(Math.abs(card.luma - signalToCode(numbers.profile.signalAt(0), measurement.coding))).toBeLessThan(
      0.6,
    );
  });

  it('says when the card itself is clipped', () => {
    expect(judged('bench', { placement: 7, planned: 1 }).of('card')).toMatchObject({
      state: 'lost',
      title: 'Card is clipped',
    });
  });

  it('is silent without a card patch', () => {
    const { measurement, numbers, distribution } = judged('bench', { placement: 0 });
    const verdicts = judgeFrame({
      measurement: { ...measurement, patches: [] },
      numbers,
      distribution,
      placement: 0,
    });
    expect(verdicts.map(({ id }) => id)).not.toContain('card');
    expect(verdicts.length).toBeGreaterThan(2);
  });
});

describe('skin', () => {
  it('is judged against the subject’s own offset', () => {
    expect(judged('bench', { placement: 0 }).of('skin')).toMatchObject({ state: 'holds' });
    const under = judged('bench', { placement: 0, planned: 1 }).of('skin');
    expect(under).toMatchObject({ state: 'watch', title: 'Skin a little under', figure: '−1' });
    expect(under?.advice).toMatch(/(Ana|Ola): .*planned .* Open 1/);
  });
});

describe('clipping', () => {
  it('finds the gather: an area, right side, all channels', () => {
    const verdict = judged('furnace', { placement: 1 }).of('clip-all');
    expect(verdict?.state).toBe('lost');
    expect(verdict?.advice).toMatch(/^Right side, all three channels/);
    // The core is a disc of known radius, about 3 to 6 % of the picture.
    const share = Number(verdict?.figure.replace(' %', ''));
    expect(share).toBeGreaterThan(2);
    expect(share).toBeLessThan(7);
  });

  it('finds the channel that goes first on a warm light', () => {
    const verdict = judged('furnace', { placement: 1 }).of('clip-channel');
    expect(verdict).toMatchObject({ state: 'watch', title: 'Red clips first' });
  });

  it('says nothing clips when nothing does', () => {
    const { of } = judged('bench', { placement: -3, planned: -3, floor: -9 });
    expect(of('clip-all')).toMatchObject({ state: 'holds', title: 'Nothing clips', figure: '0 %' });
    expect(of('clip-channel')).toBeUndefined();
  });

  it('the same frame clips earlier at an ISO under base', () => {
    const base = judged('furnace', { placement: 0, iso: 800 }).measurement.clipping.all;
    const under = judged('furnace', { placement: 0, iso: 200 }).measurement.clipping.all;
    expect(under).toBeGreaterThan(base);
  });
});

describe('under-exposure', () => {
  it('holds when shadows and card do', () => {
    expect(judged('bench', { placement: 1 }).of('under')).toMatchObject({ state: 'holds' });
  });
  it('names the stop that is missing and what opening costs', () => {
    const verdict = judged('bench', { placement: -2, planned: 1, floor: -9 }).of('under');
    expect(verdict).toMatchObject({ state: 'watch', title: 'Under-exposed', figure: '−3.0' });
    expect(verdict?.advice).toMatch(/^Open 3/);
  });
  it('names the share under a high floor and its place', () => {
    const verdict = judged('furnace', { placement: 0, floor: -3 }).of('under');
    expect(verdict).toMatchObject({ state: 'watch', title: 'Shadows under the floor' });
    expect(verdict?.place).toBeDefined();
    expect(verdict?.advice).toMatch(/under −3\./);
  });
});

describe('forecast', () => {
  it('a pull is clean, a push is noisy by its factor', () => {
    expect(judged('bench', { placement: 1 }).of('forecast')).toMatchObject({
      state: 'holds',
      figure: 'pull 1',
    });
    const push = judged('bench', { placement: -2 }).of('forecast');
    expect(push).toMatchObject({ state: 'watch', figure: 'push 2' });
    expect(push?.advice).toContain('4.0 times');
  });
});

describe('coarse codes', () => {
  it('betray themselves by their remainder', () => {
    const { measurement, numbers, distribution } = judged('bench', { placement: 0 });
    const histogram = measurement.histogram.map((_, code) =>
      code % 4 === 0 && code > 100 && code < 900 ? 10 : 0,
    );
    const verdicts = judgeFrame({
      measurement: { ...measurement, histogram },
      numbers,
      distribution,
      placement: 0,
    });
    expect(verdicts.find(({ id }) => id === 'coarse-codes')).toMatchObject({
      state: 'watch',
      figure: '199 codes',
    });
    expect(judged('bench', { placement: 0 }).of('coarse-codes')).toBeUndefined();
  });
});

describe('wording', () => {
  it('every verdict has a short title, a number, a sentence and its arithmetic', () => {
    for (const placement of [-2, 0, 1, 3]) {
      for (const verdict of judged('furnace', { placement, planned: 0 }).verdicts) {
        expect(verdict.title.split(' ').length).toBeLessThanOrEqual(5);
        expect(verdict.figure.length).toBeGreaterThan(0);
        expect(verdict.advice).toMatch(/[.!]$/);
        expect(verdict.arithmetic.length).toBeGreaterThan(0);
      }
    }
    expect(VERDICT_RULES.every(({ threshold }) => threshold.length > 10)).toBe(true);
  });
  it('sums up', () => {
    expect(summarise([])).toBe('all holds');
    const { verdicts } = judged('furnace', { placement: 1 });
    expect(summarise(verdicts)).toMatch(/1 lost, \d to watch/);
  });
});
