import { quantileSorted } from 'd3-array';
import { gamutMatrix, type GamutSpec } from '../colour/gamut.ts';
import type { Frame } from '../frame/frame.ts';
import { apply, type Triple } from '../maths/matrix.ts';
import type { LightReading } from './measurePatches.ts';
import type { MatchPatch, PatchLight } from './patches.ts';

/** Shares of a picture whose light is compared where nothing is marked: its ends clip or drown. Our own. */
const TONE_SHARES = [0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9] as const;
/** Pixels that are looked at, at most. */
const MOST_PIXELS = 40_000;
/** How far the light of a share is taken to be unsure: what moved in the frame. Share of it; our own. */
const UNSURE = 0.05;

/** Light of each share of the picture, channel by channel, in the primaries asked for. */
export type Tones = readonly Triple[];

/** How the light of a picture spreads, channel by channel: {@link TONE_SHARES} of its pixels lie under each. */
export const tonesOf = (frame: Frame, { lights, primaries }: LightReading, to: GamutSpec): Tones => {
  const every = Math.max(1, Math.ceil(frame.r.length / MOST_PIXELS));
  const matrix = primaries === to ? undefined : gamutMatrix(primaries, to);
  const count = Math.ceil(frame.r.length / every);
  const channels = [0, 1, 2].map(() => new Float32Array(count));
  for (let i = 0, at = 0; i < frame.r.length; i += every, at += 1) {
    const own: Triple = [lights[frame.r[i]], lights[frame.g[i]], lights[frame.b[i]]];
    const light = matrix ? apply(matrix, own) : own;
    for (let c = 0; c < 3; c += 1) channels[c][at] = light[c];
  }
  const sorted = channels.map((values) => Array.from(values.sort()));
  return TONE_SHARES.map((share) => [
    quantileSorted(sorted[0], share) ?? 0,
    quantileSorted(sorted[1], share) ?? 0,
    quantileSorted(sorted[2], share) ?? 0,
  ]);
};

const lightOfTone = (light: Triple, clip: number): PatchLight => ({
  light,
  error: light.map((v) => UNSURE * Math.abs(v)) as unknown as Triple,
  clipped: light.some((v) => v >= clip) ? 1 : 0,
  underFloor: 0,
});

/**
 * Two pictures of the same scene as patches without a place: each tenth of one against the same tenth of the other.
 * What moved or was framed otherwise counts as a difference, so that a match of these is an estimate.
 * @param clip Light of each camera's clip; tones at it are left out
 */
export const tonePatches = (
  from: Tones,
  hero: Tones,
  clip: { readonly from: number; readonly hero: number },
): readonly MatchPatch[] =>
  TONE_SHARES.flatMap((share, i) =>
    from[i] && hero[i]
      ? {
          name: `${Math.round(100 * share)} %`,
          kind: 'tone' as const,
          from: lightOfTone(from[i], clip.from),
          hero: lightOfTone(hero[i], clip.hero),
        }
      : [],
  );
