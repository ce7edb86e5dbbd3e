import type { Processing, ShotKind, ShotKindId, View } from '../types.ts';
import { shotOf } from './ground.ts';

const SETTINGS: readonly Processing[] = ['lowest', 'default'];

/** The same thing with detail, noise reduction and colour lowest, and as they came. */
const both = (
  kind: ShotKindId,
  view: View,
  words: Pick<ShotKind, 'name' | 'tells' | 'how'>,
  needsColours = false,
): ShotKind => ({
  ...words,
  view,
  shots: (basis) =>
    basis.length === 'short' || (needsColours && !basis.have.colours)
      ? []
      : SETTINGS.map((processing) => shotOf(basis, kind, view, `${kind} ${processing}`, { processing })),
});

export const sheets = both(
  'sheets',
  'sheets',
  {
    name: 'sheets of colour',
    tells: 'how far the settings turn hues and push colour',
    how: 'Red, green and blue side by side: saturation and colour settings lowest or neutral, then as they came.',
  },
  true,
);

export const edge = both('edge', 'edge', {
  name: 'bright edge',
  tells: 'sharpening: how far it overshoots',
  how: 'White paper on black, its edge upright, in focus: detail lowest, then as it came.',
});

export const wall = both('wall', 'wall', {
  name: 'even wall',
  tells: 'what noise reduction smears',
  how: 'A plain wall out of focus: noise reduction lowest, then as it came.',
});

export const first: ShotKind = {
  name: 'card at the start',
  view: 'card',
  tells: 'the start, to see what moves while camera and lamp warm up',
  how: 'The card at grey: everything else hangs on this light.',
  shots: (basis) => [shotOf(basis, 'first', 'card', 'first')],
};

export const again: ShotKind = {
  name: 'card at the end',
  view: 'card',
  tells: 'what has moved since the start',
  how: 'As the first card, with everything set back.',
  shots: (basis) =>
    basis.length === 'short' && basis.have.light === 'lamp' ? [] : [shotOf(basis, 'again', 'card', 'again')],
};
