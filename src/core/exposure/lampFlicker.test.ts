import { describe, expect, it } from 'vitest';
import { beat, LAMP_IDS, lampFlicker, lampsSay, slowMotionCost, swingLeft } from './lampFlicker.ts';

/** The same by brute force: the light summed over each frame of a second. */
const filmed = (depth: number, hertz: number, fps: number, seconds: number): number => {
  const levels = Array.from({ length: fps }, (_, n) => {
    let sum = 0;
    const steps = 4000;
    for (let k = 0; k < steps; k += 1)
      sum += 1 + depth * Math.cos(2 * Math.PI * hertz * (n / fps + ((k + 0.5) / steps) * seconds));
    return sum / steps;
  });
  return (Math.max(...levels) - Math.min(...levels)) / 2;
};

describe('flicker of lamps', () => {
  it('is what a film of the swinging light shows', () => {
    // 100 Hz at 240 fps, 1/480 s: phases of 12 frames come round, so that the whole swing is met.
    expect(filmed(0.5, 100, 240, 1 / 480)).toBeCloseTo(swingLeft(0.5, 100, 1 / 480), 2);
    // 1/100 s takes in a whole half cycle of 50 Hz mains: nothing is left.
    expect(swingLeft(0.5, 100, 1 / 100)).toBeCloseTo(0, 9);
    expect(filmed(0.5, 100, 24, 1 / 100)).toBeCloseTo(0, 4);
    // 1/50 of 60 Hz mains: |sinc(2.4)| = sin(2.4 π)/(2.4 π) = 0.126.
    expect(swingLeft(1, 120, 1 / 50)).toBeCloseTo(0.1261, 3);
  });

  it('beats by what is left over of whole cycles', () => {
    expect([beat(100, 25), beat(100, 24), beat(120, 25), beat(100, 120)]).toEqual([0, 4, 5, 20]);
  });

  it('says by lamp what holds and what is to be tested', () => {
    const states = (fps: number, seconds: number) =>
      new Map(lampFlicker(fps, seconds, 50).map(({ id, state }) => [id, state]));
    const usual = states(25, 1 / 50);
    expect(usual.get('tube')).toBe('holds');
    expect(usual.get('halogen')).toBe('holds');
    expect(usual.get('dimmed')).toBe('watch');
    const slow = states(120, 1 / 240);
    expect(slow.get('tube')).toBe('lost');
    expect(slow.get('mains')).toBe('lost');
    expect(slow.get('halogen')).not.toBe('holds');
    expect(slow.get('steady')).toBe('holds');
    expect(lampFlicker(100, 1 / 200, 60)).toHaveLength(LAMP_IDS.length);
    for (const { swing } of lampFlicker(240, 1 / 8000, 60)) expect(swing).toBeLessThanOrEqual(1);
  });

  it('costs light by the rate: 100 instead of 25 are two stops, and twice the noise where gain makes it up', () => {
    expect(slowMotionCost(100, 25)).toEqual({ stops: 2, noise: 2 });
    expect(slowMotionCost(25, 25)).toEqual({ stops: 0, noise: 1 });
    expect(slowMotionCost(24, 25).stops).toBe(0);
  });

  it('says of the lamps of a set what flickers and what is to be tested, the worst first', () => {
    const at = lampFlicker(120, 1 / 240, 50);
    expect(lampsSay(at, [])).toBeUndefined();
    expect(lampsSay(at, ['steady'])).toEqual({ state: 'holds', says: 'steady at this rate and shutter' });
    const { state, says } = lampsSay(at, ['halogen', 'tube', 'dimmed', 'steady'])!;
    expect(state).toBe('lost');
    // |sinc(100/240)| = 0.738 of depths 0.5 and 0.08; a dimmer at 240 Hz leaves at most 1/pi.
    expect(says).toBe(
      'flickers: old tubes, discharge on a choke (37 %), halogen, filament (5.9 %); ' +
        'film a test: LED dimmed by pulses (up to 32 %)',
    );
    // At 1/50 s every mains lamp takes in whole cycles; a dimmed one is still unknown.
    expect(lampsSay(lampFlicker(25, 1 / 50, 50), ['tube', 'dimmed'])?.says).toMatch(
      /^film a test: LED dimmed/,
    );
  });
});
