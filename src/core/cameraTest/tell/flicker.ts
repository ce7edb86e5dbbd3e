import { printShutter, shutterSeconds } from '../../exposure/shutter.ts';
import type { FilmedShot, TestGround, Told } from './types.ts';

// Flicker of the lamp: bands across the card that move from frame to frame. Exposing for a time evens it out as sinc
// does; how deep the bands are by shutter tells which light it is.

/** What lamps on the mains swing with, and what dimmers do. Common practice. */
const HERTZ = [100, 120, 200, 240, 400, 1000] as const;
/** Bands so deep, of the light, are flicker; less is noise and uneven paper. Our own choice. */
const LEAST = 0.006;
/** Shutters whose bands are under this share of the light are safe. */
const SAFE = 0.005;

/** Depth of the bands of a shot in light, of 1: their swing about the level, noise of the bands taken out. */
const depthOf = ({ hold }: FilmedShot, lightAt: (signal: number) => number): number => {
  const depths = hold.glances.map(({ card }) => {
    const light = lightAt(card.signal);
    const slope = (lightAt(card.signal + 0.01) - lightAt(card.signal - 0.01)) / 0.02;
    const noise = (card.spatial ** 2 * card.bands.length) / card.pixels;
    const variance = card.bands.reduce((sum, v) => sum + v * v, 0) / card.bands.length - noise;
    return (Math.sqrt(Math.max(0, 2 * variance)) * slope) / light;
  });
  return depths.reduce((a, b) => a + b, 0) / depths.length;
};

const sinc = (x: number) => (x === 0 ? 1 : Math.abs(Math.sin(x) / x));

/** Flicker of the lamp that was used, and the shutters that are safe with it. */
export const flickerOf = ({ filmed, curve, camera }: TestGround): Told => {
  const read = filmed
    .filter(
      ({ shot, hold }) =>
        (shot.kind === 'bracket' || shot.kind === 'back') && Math.abs(curve.stopsAt(hold.card.signal)) < 3.5,
    )
    .map((one) => ({
      one,
      seconds: shutterSeconds(one.shot.settings.shutter, camera.fps),
      depth: depthOf(one, curve.lightAt),
    }))
    .filter(({ depth }) => Number.isFinite(depth));
  if (read.length < 3) return { figures: [] };
  const from = read.map(({ one }) => one.shot.id);
  const deepest = Math.max(...read.map(({ depth }) => depth));
  if (deepest < LEAST)
    return {
      figures: [
        {
          id: 'flicker.depth',
          name: 'flicker of this lamp, of its light',
          value: deepest,
          unit: 'share',
          plusMinus: LEAST,
          from,
        },
      ],
    };
  const fits = HERTZ.map((hertz) => {
    const shape = read.map(({ seconds }) => sinc(Math.PI * hertz * seconds));
    const size =
      shape.reduce((sum, s, i) => sum + s * read[i].depth, 0) / shape.reduce((sum, s) => sum + s * s, 0);
    const misfit = read.reduce((sum, { depth }, i) => sum + (depth - size * shape[i]) ** 2, 0);
    return { hertz, size, misfit };
  });
  const best = fits.reduce((a, b) => (b.misfit < a.misfit ? b : a));
  const safe = camera.shutters.filter(
    (shutter) => best.size * sinc(Math.PI * best.hertz * shutterSeconds(shutter, camera.fps)) < SAFE,
  );
  const names = safe.map(printShutter);
  return {
    figures: [
      {
        id: 'flicker.depth',
        name: 'flicker of this lamp, of its light',
        value: best.size,
        unit: 'share',
        plusMinus: 0.02,
        from,
      },
      { id: 'flicker.hertz', name: 'it swings', value: best.hertz, unit: 'hertz', from },
    ],
    plots: [
      {
        id: 'flicker',
        name: 'flicker by shutter',
        x: 'exposure, ms',
        y: '% of the light',
        points: read.map(({ seconds, depth }) => [1000 * seconds, 100 * depth] as const),
        line: Array.from({ length: 60 }, (_, i) => {
          const seconds = (0.04 * (i + 1)) / 60;
          return [1000 * seconds, 100 * best.size * sinc(Math.PI * best.hertz * seconds)] as const;
        }),
      },
    ],
    warnings: [
      names.length > 0
        ? `This lamp flickers at ${best.hertz} Hz: safe shutters are ${names.join(', ')}.`
        : `This lamp flickers at ${best.hertz} Hz, and no shutter of this camera evens it out: use another lamp.`,
    ],
  };
};
