import { said } from '../../said.ts';
import { printStopsDecimal } from '../../units.ts';
import type { Meaning, Numbers } from './types.ts';

// What a test means for the picture: settings, colours, the lamp.

/** Overshoot and likeness of neighbours that are worth a word. */
const OVERSHOOT = 0.04;
const SMEARED = 0.15;

/** What the settings do to edges, noise and colour. */
export const processingMeaning = (numbers: Numbers): readonly Meaning[] => {
  const edge = numbers.get('edge.default');
  const smear = numbers.get('smear.default');
  const sharp = edge && edge.value > OVERSHOOT;
  const smeared = smear && smear.value > SMEARED;
  const hue = numbers.get('colour.hue');
  const saturation = numbers.get('colour.saturation');
  return [
    ...(sharp
      ? [
          {
            id: 'edge',
            text: said(
              'Turn detail to its lowest: from new, edges overshoot',
              `by ${(100 * edge.value).toFixed(0)} % of their step,`,
              'which no grade takes back.',
            ),
            figures: ['edge.default', 'edge.lowest'],
            minds: true,
          },
        ]
      : []),
    ...(smeared
      ? [
          {
            id: 'smear',
            text: said(
              'Turn noise reduction to its lowest: from new, neighbouring pixels share',
              `${(100 * smear.value).toFixed(0)} % of their noise, and fine detail with it.`,
            ),
            figures: ['smear.default', 'smear.lowest', 'smear.left', 'spectrum.default', 'spectrum.lowest'],
            minds: true,
          },
        ]
      : []),
    ...(edge && smear && !sharp && !smeared
      ? [
          {
            id: 'plain',
            text: 'Detail and noise reduction can be left as they come.',
            figures: ['edge.default', 'smear.default'],
          },
        ]
      : []),
    ...(saturation && (Math.abs(saturation.value - 1) > 0.08 || Math.abs(hue?.value ?? 0) > 3)
      ? [
          {
            id: 'colour',
            text: said(
              `Set colour to neutral: from new it is ${saturation.value.toFixed(2)} times as strong,`,
              `hues turned by ${printStopsDecimal(hue?.value ?? 0, 0)}°.`,
            ),
            figures: ['colour.saturation', 'colour.hue'],
            minds: true,
          },
        ]
      : []),
  ];
};

/** Colours that a fit leaves farther off are worth a warning, ΔE2000: seen at once side by side. Our own choice. */
const COLOUR_OFF = 3;

/** How far the gamut of a chart can be relied on. */
export const gamutMeaning = (numbers: Numbers): readonly Meaning[] => {
  const off = numbers.get('gamut.leftOut');
  if (!off) return [];
  return [
    {
      id: 'gamut',
      text: said(
        `Through the gamut of its chart a colour comes out ${off.value.toFixed(1)} off (ΔE2000) on average:`,
        off.value > COLOUR_OFF ? 'good for a rough grade, not for a match.' : 'post can rely on it.',
      ),
      figures: ['gamut.leftOut', 'gamut.fit', 'gamut.nearest'],
      minds: off.value > COLOUR_OFF,
    },
  ];
};

/** The lamp of the test, where it flickers. */
export const lampMeaning = (numbers: Numbers): readonly Meaning[] => {
  const hertz = numbers.get('flicker.hertz');
  return hertz
    ? [
        {
          id: 'flicker',
          text: said(
            `The lamp of the test flickers at ${hertz.value} Hz:`,
            'with it keep to the shutters named below.',
          ),
          figures: ['flicker.hertz', 'flicker.depth'],
          minds: true,
        },
      ]
    : [];
};
