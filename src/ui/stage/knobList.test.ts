import { describe, expect, it } from 'vitest';
import { demoBook, demoSelection } from '#store/fixtures/demoBook.ts';
import { KNOBS, type KnobContext } from './knobList.ts';
import { knobsOfCard, type Knobs } from './stageModel.ts';
import { PLAIN_AUTOMATICS } from './stageStart.ts';

const at = (cameraId: string) => {
  const selection = demoSelection(cameraId === 'small-cam' ? 'slipway' : 'furnace-mouth', cameraId);
  const { camera, setup } = selection;
  const kit = demoBook().profiles;
  const context: KnobContext = { camera, fps: setup.fps, kit, auto: PLAIN_AUTOMATICS };
  return { context, knobs: knobsOfCard(selection) };
};
const knob = (key: keyof Knobs) => KNOBS.find((row) => row.key === key)!;

describe('the knobs of the simulated camera', () => {
  const { context, knobs } = at('a-cam');

  it.each(KNOBS.map((row) => [row.key, row] as const))('%s: a click there and a click back', (_key, row) => {
    // The one way may be the end of the scale already.
    const there = [1, -1].map((clicks) => ({ ...knobs, ...row.turn(knobs, clicks, context) }));
    const moved = there.findIndex((next) => row.print(next, context) !== row.print(knobs, context));
    expect(moved).toBeGreaterThanOrEqual(0);
    const back = { ...there[moved], ...row.turn(there[moved], moved === 0 ? -1 : 1, context) };
    expect(row.print(back, context)).toBe(row.print(knobs, context));
  });

  it('up is more light through the lens, a longer shutter, more gain, more glass', () => {
    const up = (key: keyof Knobs) => knob(key).turn(knobs, 1, context);
    expect(up('iris').iris).toBeLessThan(knobs.iris);
    expect(up('iso').iso).toBeGreaterThan(knobs.iso);
    expect(up('ndStops').ndStops).toBeCloseTo(knobs.ndStops + 1 / 3, 9);
    expect(knob('ndStops').turn({ ...knobs, ndStops: 0 }, -1, context).ndStops).toBe(0);
    expect(knob('ndStops').turn({ ...knobs, ndStops: 12 }, 1, context).ndStops).toBe(12);
    const tint = knob('tint').turn(knobs, 500, context).tint;
    expect(tint).toBe(context.camera.tintRange[1]);
  });

  it('stand still where the camera has none or turns them by itself', () => {
    const auto = { ...PLAIN_AUTOMATICS, iris: true, iso: true, balance: true };
    const fixed = (given: KnobContext) =>
      KNOBS.filter(({ isFixed }) => isFixed?.(given)).map(({ key }) => key);
    expect(fixed(context)).toEqual([]);
    expect(fixed({ ...context, auto })).toEqual(['iris', 'iso', 'kelvin', 'tint']);
    const ei = { ...context.camera, sensitivity: 'ei' as const };
    const { label } = knob('iso');
    expect(typeof label === 'function' && [label(ei), label(context.camera)]).toEqual(['EI', 'ISO']);
  });

  it('a profile that is gone has no name, and the next click finds one', () => {
    const lost = { ...knobs, profileId: 'gone' };
    expect(knob('profileId').print(lost, context)).toBe('–');
    const { profileId } = knob('profileId').turn(lost, 1, context);
    expect(context.camera.profileIds).toContain(profileId);
  });

  it('a profile of the kit that the camera has not is named all the same, and left by a click', () => {
    const [id, profile] = [...context.kit].find(([one]) => !context.camera.profileIds.includes(one))!;
    const other = { ...knobs, profileId: id };
    expect(knob('profileId').print(other, context)).toBe(profile.name);
    const { profileId } = knob('profileId').turn(other, 1, context);
    expect(context.camera.profileIds).toContain(profileId);
    const none = { ...context, camera: { ...context.camera, profileIds: [] } };
    expect(knob('profileId').turn(other, 1, none)).toEqual({});
  });
});
