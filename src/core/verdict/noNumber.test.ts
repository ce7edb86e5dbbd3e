import { describe, expect, it } from 'vitest';
import { sampleLattice } from '../lut/lattice.ts';
import { inspectLut } from '../lut/inspect.ts';
import { UNIT_DOMAIN } from '../lut/lut.ts';
import { ARCHETYPES } from '../profile/index.ts';
import { judgeLut } from './lutVerdicts.ts';
import { noNumber, placeOfNaN } from './noNumber.ts';
import type { VerdictInput } from './types.ts';

const sound = {
  measurement: { clipping: { all: { share: 0 } }, patches: [{ luma: 400 }], histogram: new Uint32Array(4) },
  placement: 1,
  numbers: { clipStops: 6, floorStops: -6, pullStops: 1 },
};
const judge = (input: object) => noNumber.judge(input as unknown as VerdictInput);

describe('a figure that is no number', () => {
  it('is lost, wherever it stands, and never “all holds”', () => {
    expect(judge(sound)).toBeUndefined();
    const patches = [{ luma: 400 }, { luma: Number.NaN }];
    expect(judge({ ...sound, measurement: { ...sound.measurement, patches } })).toMatchObject({
      state: 'lost',
      arithmetic: [{ label: 'no number', value: 'measurement, patches, 1, luma' }],
    });
    expect(judge({ ...sound, placement: Number.NaN })).toMatchObject({ state: 'lost' });
    expect(judge({ ...sound, numbers: { ...sound.numbers, clipStops: Number.NaN } })).toMatchObject({
      state: 'lost',
    });
  });

  it('is not what has no end: no light lies endless stops under grey', () => {
    expect(placeOfNaN({ seen: -Infinity, list: [1, Infinity] })).toBeUndefined();
    expect(placeOfNaN({ plane: new Float32Array([Number.NaN]) })).toBeUndefined();
  });

  it('is said of a LUT first', () => {
    const profile = ARCHETYPES.wideLog;
    const context = { profileName: 'wide log', profile, clipStops: 6 };
    const report = inspectLut({
      nodes: [{ kind: 'cube', domain: UNIT_DOMAIN, lattice: sampleLattice(9, (rgb) => rgb) }],
      scale: 'signal',
      coding: { bitDepth: 10, range: 'legal' },
      output: 'bt1886',
      interpolation: 'tetrahedral',
      profile,
      placement: 0,
      tones: [{ name: 'Card', over: 0 }],
    });
    expect(judgeLut(report, context)[0].id).toBe('feed');
    expect(judgeLut({ ...report, own: Number.NaN }, context)[0]).toMatchObject({
      id: 'no-number',
      state: 'lost',
    });
  });
});
