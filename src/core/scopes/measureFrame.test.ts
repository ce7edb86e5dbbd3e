import { describe, expect, it } from 'vitest';
import { makeFrame } from '../frame/frame.ts';
import { ARCHETYPES, compileProfile } from '../profile/index.ts';
import { signalToCode } from '../signal/scale.ts';
import { countedFrame } from './fixtures/countedFrame.ts';
import { CLIP_SLACK_STOPS, measureFrame, NEAR_CLIP_STOPS } from './measureFrame.ts';

const coding = { bitDepth: 10, range: 'legal' } as const;
const profile = ARCHETYPES.wideLog;
const compiled = compileProfile(profile);
const target = { profile, clipStops: 6, floorStops: -6 };
const N = 100;

/** A frame of a hundred pixels, so many of them at each of these stops over grey, neutral. */
const frameAt = (parts: readonly (readonly [stops: number, pixels: number])[]) => {
  const codes = parts.flatMap(([stops, pixels]) =>
    Array<number>(pixels).fill(Math.round(signalToCode(compiled.signalAt(stops), coding))),
  );
  if (codes.length !== N) throw new Error(`${codes.length} pixels`);
  const plane = () => Uint16Array.from(codes);
  return makeFrame({ width: 10, height: 10, ...coding, r: plane(), g: plane(), b: plane() });
};
const measured = (parts: readonly (readonly [number, number])[]) =>
  measureFrame(countedFrame(frameAt(parts)), { ...target, patches: [] });

describe('what counts as clipped, near it, and lost in the dark', () => {
  it('is clipped from a twenty-fourth of a stop under the profile’s clip: codes near the top are rounded', () => {
    expect(CLIP_SLACK_STOPS).toBe(1 / 24);
    const { clipping } = measured([[6, 7], [6 - 1 / 48, 5], [6 - 1 / 12, 9], [0, 79]]); // prettier-ignore
    expect(clipping.all).toBeCloseTo(0.12, 9);
  });

  it('is near clip within a third of a stop under it, and no further', () => {
    expect(NEAR_CLIP_STOPS).toBe(1 / 3);
    const { near, clipping } = measured([[6, 3], [5.8, 6], [5.7, 4], [5.6, 8], [5, 11], [0, 68]]); // prettier-ignore
    expect(clipping.all).toBeCloseTo(0.03, 9);
    // 5.8 and 5.7 lie within a third of a stop under 6, 5.6 does not; what clips is not counted again.
    expect(near.share).toBeCloseTo(0.1, 9);
  });

  it('is under the floor below it, and a floor under black is black', () => {
    expect(measured([[-7, 20], [-5, 10], [0, 70]]).shadows.share).toBeCloseTo(0.2, 9); // prettier-ignore
    const deep = measureFrame(
      countedFrame(
        frameAt([
          [-7, 20],
          [0, 80],
        ]),
      ),
      { ...target, floorStops: -40, patches: [] },
    );
    expect(deep.shadows.share).toBe(0);
  });

  it('has marks with the light they show, and a histogram of every pixel', () => {
    const rect = { x: 0, y: 0, width: 10, height: 2 };
    const {
      patches,
      histogram,
      coding: read,
    } = measureFrame(
      countedFrame(
        frameAt([
          [1, 20],
          [0, 80],
        ]),
      ),
      { ...target, patches: [{ id: 'card', kind: 'card', rect }] },
    );
    expect(compiled.stopsAt((patches[0].luma - 64) / 876)).toBeCloseTo(1, 1);
    // Twice middle grey.
    expect(patches[0].light?.[1]).toBeCloseTo(0.36, 1);
    expect(histogram.reduce((sum, n) => sum + n, 0)).toBe(N);
    expect(read).toEqual(coding);
  });
});
