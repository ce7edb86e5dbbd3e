// What a picture is, on rendered scenes recorded in each archetype and range: no wrong remedy.
import { describe, expect, it } from 'vitest';
import { luminanceFor } from '#core/exposure/meter.ts';
import { ARCHETYPE_IDS, ARCHETYPES, compileProfile, type ArchetypeId } from '#core/profile/index.ts';
import { lightAt, resized } from '#core/scene/scene.ts';
import { measureFrame } from '#core/scopes/measureFrame.ts';
import { countedFrame } from '#core/scopes/fixtures/countedFrame.ts';
import { expose } from '#core/sensor/camera.ts';
import { body, settings } from '#core/sensor/fixtures/bodies.ts';
import type { Range } from '#core/signal/scale.ts';
import { rangeReading, referredReading } from '#core/verdict/reading.ts';
import type { VerdictInput } from '#core/verdict/types.ts';
import type { StageSceneId } from '#store/demo/scenes.ts';
import { openedScene } from '#store/fixtures/openedScene.ts';

// Dark with lamps, a lit interior, haze, and a stage: what pictures are like.
const SCENES: readonly StageSceneId[] = ['furnace-mouth', 'bench-interview', 'slipway', 'hall-wide'];
const PLACEMENTS = [0, 1] as const;
const RANGES = ['legal', 'full'] as const;
const OTHER = { legal: 'full', full: 'legal' } as const;
const LOGS: readonly ArchetypeId[] = ['wideLog', 'classicLog', 'mildLog'];

const lights = SCENES.map((id) => {
  const scene = openedScene(id);
  return { light: resized(lightAt(scene, 1.4), 160, 90), card: scene.truth.card };
});

type Recorded = {
  readonly as: ArchetypeId;
  readonly range: Range;
  readonly frame: ReturnType<typeof expose>;
};
const recordings: readonly Recorded[] = lights.flatMap(({ light, card }) =>
  PLACEMENTS.flatMap((placement) =>
    ARCHETYPE_IDS.flatMap((as) =>
      RANGES.map((range) => {
        const base = settings({ profile: ARCHETYPES[as], coding: { bitDepth: 10, range } });
        const seconds = (base.seconds * luminanceFor(base) * 2 ** placement) / card;
        return { as, range, frame: expose(light, body, { ...base, seconds }, 3) };
      }),
    ),
  ),
);

/** What is said of a recording when it is read as something. */
const said = ({ frame }: Recorded, profileId: ArchetypeId, range: Range) => {
  const profile = compileProfile(ARCHETYPES[profileId]);
  const { clipStops } = profile;
  const options = { profile: ARCHETYPES[profileId], clipStops, floorStops: -6, patches: [] };
  const measurement = measureFrame(countedFrame({ ...frame, range }), options);
  // The rules ask for nothing else.
  const input = { measurement, numbers: { profile, clipStops } } as VerdictInput;
  return { range: rangeReading.judge(input), referred: referredReading.judge(input)?.title };
};
const share = (of: readonly boolean[]) => of.filter(Boolean).length / of.length;

describe('what a picture is', () => {
  it('as it was recorded: hardly ever accused of the other range, and no log picture of being converted', () => {
    const all = recordings.map((one) => said(one, one.as, one.range));
    expect(share(all.map(({ range }) => range !== undefined))).toBeLessThan(0.01);
    expect(all.filter(({ referred }) => referred === 'Looks already converted')).toEqual([]);
  });

  it('a finished picture under a log profile: never sent to the other range, and seen in most', () => {
    const finished = recordings.filter(({ as }) => as === 'standard');
    const all = finished.flatMap((one) => LOGS.map((log) => said(one, log, one.range)));
    expect(all.filter(({ range }) => range !== undefined)).toEqual([]);
    expect(share(all.map(({ referred }) => referred !== undefined))).toBeGreaterThan(0.6);
  });

  it('log in the other range: seen or left open, never taken for a finished picture alone', () => {
    const logs = recordings.filter(({ as }) => LOGS.includes(as));
    const all = logs.map((one) => said(one, one.as, OTHER[one.range]));
    expect(all.filter(({ referred }) => referred === 'Looks already converted')).toEqual([]);
  });
});
