import { describe, expect, it } from 'vitest';
import { ARCHETYPES, compileProfile } from '#core/profile/index.ts';
import { SCOPE_IDS, SCOPES } from '#core/scopes/scopeList.ts';
import { scopeAxis } from '#ui/scopes/scopeAxes.ts';
import { BELOW, LEFT, movedByKey, scopeGeometry } from './scopeGeometry.ts';

const axis = scopeAxis('percent', { bitDepth: 10, range: 'legal' }, compileProfile(ARCHETYPES.wideLog));
const [lowest, highest] = axis.range;
const box = { width: 438, height: 218 };
const geometry = (plane: Parameters<typeof scopeGeometry>[0], reach = 1) =>
  scopeGeometry(plane, { box, axis, reach });

describe('a scope in its box', () => {
  it('reads levels upwards from the lower edge', () => {
    const { drawn, readAt } = geometry('levelsUp');
    expect(drawn).toEqual({ left: LEFT, width: 400, height: 218 });
    expect(readAt([200, 218]).level).toBeCloseTo(lowest, 9);
    expect(readAt([200, 0]).level).toBeCloseTo(highest, 9);
    expect(readAt([10, 109]).words).toBe(axis.read((lowest + highest) / 2));
  });

  it('reads levels of a histogram from left to right, over the room for its figures', () => {
    const { drawn, readAt } = geometry('levelsRight');
    expect(drawn).toEqual({ left: LEFT, width: 400, height: 218 - BELOW });
    expect(readAt([LEFT, 3]).level).toBeCloseTo(lowest, 9);
    expect(readAt([438, 3]).level).toBeCloseTo(highest, 9);
  });

  it('reads the plane of colour differences in a square in the middle, Cr upwards', () => {
    const { drawn, readAt } = geometry('chroma', 0.5);
    expect(drawn).toEqual({ left: 110, width: 218, height: 218 });
    expect(readAt([110 + 218, 109])).toEqual({ place: { x: 0.5, y: 0 }, words: '0 degrees' });
    expect(readAt([110 + 109, 0])).toEqual({ place: { x: 0, y: 0.5 }, words: '90 degrees' });
  });

  it('has a plane for every scope, with scales only where there are levels', () => {
    for (const id of SCOPE_IDS) expect(SCOPES[id].scales.length > 0).toBe(SCOPES[id].plane !== 'chroma');
  });

  it('is read by keys from the middle, by larger steps with Shift, never outside', () => {
    const key = (name: string, shiftKey = false) => ({ key: name, shiftKey });
    expect(movedByKey(key('ArrowLeft'), box)).toEqual([217, 109]);
    expect(movedByKey(key('ArrowUp', true), box, [5, 5])).toEqual([5, 0]);
    expect(movedByKey(key('ArrowDown'), box, [5, 217])).toEqual([5, 218]);
    expect(movedByKey(key('ArrowRight'), box, [438, 5])).toEqual([438, 5]);
    expect(movedByKey(key('a'), box)).toBeUndefined();
  });
});
