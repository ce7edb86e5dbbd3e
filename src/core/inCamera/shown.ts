import { said } from '../said.ts';
import { printStopsOf } from '../units.ts';
import { IN_CAMERA, type FigureId, type InCameraId } from './settings.ts';
import type { TwoFrames } from './twoFrames.ts';

// What a setting does, in figures and in one sentence.

/** Less is no change: shares of noise, parts of a step, pixels, degrees, times, codes. Our own choice. */
const LEAST = { noise: 0.08, edge: 0.02, rise: 0.3, hue: 1.5, saturation: 0.03, codes: 1.5 } as const;
/** A curve that moved a tone by more does not hold any more, stops. */
const HOLDS = 0.1;

type Shown = {
  readonly id: FigureId;
  readonly name: string;
  readonly value: string;
  readonly isChange: boolean;
};

const signed = (value: number, digits: number): string => {
  const size = Math.abs(value).toFixed(digits);
  return `${Number(size) === 0 ? '' : value > 0 ? '+' : '−'}${size}`;
};

/** How far it may lie otherwise, as it stands behind a figure; nothing where it was not told. */
const give = (within: number | undefined, digits: number): string =>
  within === undefined ? '' : ` ±${Math.max(10 ** -digits, within).toFixed(digits)}`;

/** A change counts where it is larger than what nobody asks about, and than what chance explains. */
const isMore = (change: number, least: number, within = 0): boolean =>
  Math.abs(change) > Math.max(least, within);

const moved = (id: FigureId, name: string, codes: number, within: number | undefined): Shown => ({
  id,
  name,
  value: `${signed(codes, 0)}${give(within, 0)} codes`,
  isChange: isMore(codes, LEAST.codes, within),
});

const edgeWords = (edge: NonNullable<TwoFrames['edge']>, within: number | undefined): string => {
  const [from, to] = [edge.without, edge.with].map((share) => Math.round(100 * share));
  return `${from} to ${to}${give(within === undefined ? undefined : 100 * within, 0)} % of the step`;
};

/** Every figure of two frames, as it is shown. */
export const shownFigures = ({
  noise,
  edge,
  rise,
  colour,
  moved: by,
  within,
}: TwoFrames): readonly Shown[] => {
  const times = noise.with / Math.max(1e-9, noise.without);
  const timesWithin =
    within &&
    times *
      Math.hypot(
        ...(['without', 'with'] as const).map((one) => within.noise[one] / Math.max(1e-9, noise[one])),
      );
  const noiseAt = (one: keyof typeof noise) => `${noise[one].toFixed(1)}${give(within?.noise[one], 1)}`;
  return [
    {
      id: 'noise',
      name: 'Noise',
      value: `${noiseAt('without')} to ${noiseAt('with')} codes`,
      isChange: isMore(times - 1, LEAST.noise, timesWithin),
    },
    ...(edge
      ? [
          {
            id: 'edge' as const,
            name: 'Edge overshoots',
            value: edgeWords(edge, within?.edge),
            isChange: isMore(edge.with - edge.without, LEAST.edge, within?.edge),
          },
        ]
      : []),
    ...(rise
      ? [
          {
            id: 'rise' as const,
            name: 'Edge rise',
            value: `${rise.without.toFixed(1)} to ${rise.with.toFixed(1)}${give(within?.rise, 1)} pixels`,
            isChange: isMore(rise.with - rise.without, LEAST.rise, within?.rise),
          },
        ]
      : []),
    ...(colour
      ? [
          {
            id: 'hue' as const,
            name: 'Hue',
            value: `${signed(colour.hue, 1)}${give(within?.hue, 1)}°`,
            isChange: isMore(colour.hue, LEAST.hue, within?.hue),
          },
          {
            id: 'saturation' as const,
            name: 'Saturation',
            value: `${colour.saturation.toFixed(2)}${give(within?.saturation, 2)} times`,
            isChange: isMore(colour.saturation - 1, LEAST.saturation, within?.saturation),
          },
        ]
      : []),
    moved('black', 'Darkest tones', by.black, within?.moved.black),
    moved('grey', 'Middle tones', by.grey, within?.moved.grey),
    moved('clip', 'Brightest tones', by.clip, within?.moved.clip),
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
