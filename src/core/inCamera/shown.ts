import { said } from '../said.ts';
import { printStopsOf } from '../units.ts';
import { IN_CAMERA, type FigureId, type InCameraId } from './settings.ts';
import type { TwoFrames } from './twoFrames.ts';

// What a setting does, in figures and in one sentence.

/** Less than this is no change: codes of noise and tones as shares, parts of a step, degrees, times. Our own choice. */
const LEAST = { noise: 0.08, edge: 0.02, hue: 1.5, saturation: 0.03, codes: 1.5 } as const;
/** A curve that moved a tone by more does not hold any more, stops. */
const HOLDS = 0.1;

type Shown = {
  readonly id: FigureId;
  readonly name: string;
  readonly value: string;
  readonly isChange: boolean;
};

const signed = (value: number, digits: number, unit: string): string => {
  const size = Math.abs(value).toFixed(digits);
  return `${Number(size) === 0 ? '±' : value > 0 ? '+' : '−'}${size}${unit}`;
};

const moved = (id: FigureId, name: string, codes: number): Shown => ({
  id,
  name,
  value: signed(codes, 0, ' codes'),
  isChange: Math.abs(codes) >= LEAST.codes,
});

/** Every figure of two frames, as it is shown. */
export const shownFigures = ({ noise, edge, colour, moved: by }: TwoFrames): readonly Shown[] => {
  const times = noise.with / Math.max(1e-9, noise.without);
  return [
    {
      id: 'noise',
      name: 'Noise',
      value: `${noise.without.toFixed(1)} to ${noise.with.toFixed(1)} codes`,
      isChange: Math.abs(times - 1) > LEAST.noise,
    },
    ...(edge
      ? [
          {
            id: 'edge' as const,
            name: 'Edge overshoots',
            value: `${Math.round(100 * edge.without)} to ${Math.round(100 * edge.with)} % of the step`,
            isChange: Math.abs(edge.with - edge.without) > LEAST.edge,
          },
        ]
      : []),
    ...(colour
      ? [
          {
            id: 'hue' as const,
            name: 'Hue',
            value: signed(colour.hue, 1, '°'),
            isChange: Math.abs(colour.hue) > LEAST.hue,
          },
          {
            id: 'saturation' as const,
            name: 'Saturation',
            value: `${colour.saturation.toFixed(2)} times`,
            isChange: Math.abs(colour.saturation - 1) > LEAST.saturation,
          },
        ]
      : []),
    moved('black', 'Darkest tones', by.black),
    moved('grey', 'Middle tones', by.grey),
    moved('clip', 'Brightest tones', by.clip),
  ];
};

/**
 * One sentence: what it changes; and whether the profile still holds.
 * @param stopsAt Stops over grey of a code, by the profile
 */
export const shownWords = (
  id: InCameraId,
  frames: TwoFrames,
  stopsAt: (code: number) => number,
): readonly string[] => {
  const figures = shownFigures(frames);
  const { name, movesCurve, shows } = IN_CAMERA[id];
  const changed = figures.filter(({ isChange }) => isChange);
  const own = figures.filter((figure) => shows.some((one) => one === figure.id));
  const offs = frames.tones
    .map(({ code, moved: by }) => stopsAt(code + by) - stopsAt(code))
    .filter(Number.isFinite);
  const off = offs.reduce((worst, one) => (Math.abs(one) > Math.abs(worst) ? one : worst), 0);
  const isOff = Math.abs(off) > HOLDS;
  return [
    changed.length === 0
      ? `${name} changes nothing that can be measured in these frames.`
      : `It changes ${changed.map((one) => `${one.name.toLowerCase()} (${one.value})`).join(', ')}.`,
    ...(own.length === 0
      ? [
          said(
            'The frames hold nothing that would show this setting:',
            'put an upright edge in the middle, a coloured thing and a plain wall into them.',
          ),
        ]
      : []),
    ...(isOff
      ? [
          said(
            `Tones move by up to ${printStopsOf(off)} on this profile:`,
            movesCurve
              ? 'its curve holds only for one of the two; measure the one you film with.'
              : 'the light or the exposure changed between the frames, or the setting does more than it says.',
          ),
        ]
      : []),
  ];
};
