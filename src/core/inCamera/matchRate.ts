import { said } from '../said.ts';
import { shownFigures } from './shown.ts';
import type { TwoFrames } from './twoFrames.ts';

// What brings frames of a high rate and of normal speed together again, from two frames of the same thing.

/** An edge blurred by a Gaussian rises from a tenth to nine tenths in so many sigma: 2 x 1.2816 (its quantiles). */
const RISE_OF_SIGMA = 2.563;

/** What makes the smaller of two spreads as large as the larger one: spreads add as squares. */
const missing = (less: number, more: number): number => Math.sqrt(Math.max(0, more ** 2 - less ** 2));

/** What each side needs so that both look alike; `without` is normal speed, `with` the high rate. */
export const matchRate = (frames: TwoFrames): readonly string[] => {
  const changed = new Set(shownFigures(frames).flatMap(({ id, isChange }) => (isChange ? [id] : [])));
  const { noise, rise, colour, moved } = frames;
  const lines: string[] = [];
  if (changed.has('rise') && rise) {
    const sigma =
      missing(Math.min(rise.without, rise.with), Math.max(rise.without, rise.with)) / RISE_OF_SIGMA;
    const [sharper, other] =
      rise.with > rise.without ? ['normal speed', 'slow frames'] : ['slow frames', 'normal speed'];
    lines.push(
      said(
        `Edges: blur ${sharper} by ${sigma.toFixed(1)} pixels (sigma of a Gaussian);`,
        `sharpening ${other} lifts their noise instead.`,
      ),
    );
  }
  if (changed.has('noise')) {
    const grain = missing(Math.min(noise.without, noise.with), Math.max(noise.without, noise.with));
    const cleaner = noise.with > noise.without ? 'normal speed' : 'the slow frames';
    lines.push(`Noise: ${grain.toFixed(1)} codes of grain on ${cleaner}.`);
  }
  if (changed.has('saturation') && colour)
    lines.push(`Colour: saturation of the slow frames times ${(1 / colour.saturation).toFixed(2)}.`);
  if (changed.has('hue') && colour)
    lines.push(`Colour: hue of the slow frames by ${(-colour.hue).toFixed(1)}° on a vectorscope.`);
  if (changed.has('grey'))
    lines.push(
      said(
        `Level: middle tones of the slow frames lie ${Math.abs(moved.grey).toFixed(0)} codes`,
        `${moved.grey > 0 ? 'higher' : 'lower'}: expose or correct before anything else.`,
      ),
    );
  return lines.length > 0 ? lines : ['As measured the two need no matching.'];
};
