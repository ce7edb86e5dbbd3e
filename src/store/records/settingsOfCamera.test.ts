import { describe, expect, it } from 'vitest';
import type { TwoFrames } from '#core/inCamera/twoFrames.ts';
import { inCameraOf, noteOf, withNote } from './inCamera.ts';
import { panelOf } from './panel.ts';
import { rawKindOf, rawNotes, rawPlanOf } from './raw.ts';

const FRAMES: TwoFrames = {
  noise: { without: 3, with: 1.5 },
  moved: { black: 0, grey: 1, clip: 0 },
  tones: [{ code: 400, moved: 1 }],
};
const MEASURED = { frames: FRAMES, coding: { bitDepth: 10, range: 'legal' as const }, on: '2026-05-04' };

describe('what is written of a camera’s picture menu', () => {
  it('is kept by profile and setting, changed in place, and taken off when it says nothing', () => {
    let own = withNote(inCameraOf({}), 'one', 'detail', { at: '−7' });
    own = withNote(own, 'one', 'detail', { measured: MEASURED });
    own = withNote(own, 'two', 'detail', { at: 'off' });
    expect(inCameraOf({ inCamera: own })).toEqual(own);
    expect(noteOf(own, 'one', 'detail')).toEqual({
      profileId: 'one',
      setting: 'detail',
      at: '−7',
      measured: MEASURED,
    });
    own = withNote(own, 'one', 'detail', { at: undefined, measured: undefined });
    expect(noteOf(own, 'one', 'detail')).toBeUndefined();
    expect(own.notes).toHaveLength(1);
  });

  it('is none where it cannot be read', () => {
    for (const inCamera of [7, { notes: 'all' }, { notes: [{ profileId: 'a' }], schools: {} }])
      expect(inCameraOf({ inCamera })).toEqual({ notes: [], schools: {} });
  });
});

describe('raw of a camera and a plan', () => {
  const plan = {
    iso: 2000,
    kelvin: 5600,
    placement: 1,
    raw: { developTo: 'wide', name: 'wide log' },
  } as const;
  it('says what post does first, at the real gain under the dial', () => {
    const camera = { raw: { mbps: 900, realIsos: [800, 3200] }, baseIsos: [800] };
    const profiles = new Map();
    expect(rawNotes({ plan, camera, profiles })).toEqual([
      'Before the LUT: develop raw at ISO 800 and 5600 K to wide log, with the card at +1',
    ]);
    expect(rawNotes({ plan: { ...plan, iso: 6400 }, camera, profiles })[0]).toMatch(/ISO 3200/);
    expect(rawNotes({ plan: { ...plan, raw: undefined }, camera, profiles })).toEqual([]);
    // A profile that got another name since is called by it.
    const renamed = new Map([['wide', { name: 'wide log, new firmware' }]]);
    expect(rawNotes({ plan, camera, profiles: renamed })[0]).toMatch(/to wide log, new firmware, with/);
  });

  it('is none where it cannot be read', () => {
    expect(rawKindOf({ raw: { mbps: -1, realIsos: [] } })).toBeUndefined();
    expect(rawPlanOf({ raw: 'yes' })).toBeUndefined();
    expect(panelOf({ panel: [{ id: 'gain' }] })).toEqual([]);
  });
});
