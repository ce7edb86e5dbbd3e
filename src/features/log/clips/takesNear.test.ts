import { describe, expect, it } from 'vitest';
import { demoClips } from '#store/fixtures/demoClips.ts';
import { factsOf } from '#store/takeFacts.ts';
import { takesNear } from './takesNear.ts';

const { clips, takes } = demoClips();
const facts = takes.map((take) => factsOf(take));

describe('takes that a clip may be', () => {
  it('are of its camera, the nearest on our clock first', () => {
    const clip = clips.find(({ id }) => id === 'demo-clip-furnace-mouth-a-cam-2')!;
    // The demo's A-cam runs an hour and 97 s ahead.
    const near = takesNear(clip, facts, { camera: 'A-cam', offset: 3697, most: 3 });
    expect(near.map(({ setup, number }) => `${setup} ${number}`)).toEqual([
      'Furnace mouth 2',
      'Furnace mouth 1',
      'Packing yard at noon 1',
    ]);
    // Unset by an hour the wrong one comes first: the offset is heard.
    expect(takesNear(clip, facts, { camera: 'A-cam', offset: 5400, most: 1 })[0].number).toBe(1);
  });
});
