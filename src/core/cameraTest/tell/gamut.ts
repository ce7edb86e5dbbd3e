import { xyToUv, type Chromaticity } from '../../colour/chromaticity.ts';
import { GAMUT_IDS, GAMUTS, type Gamut } from '../../colour/gamut.ts';
import { gamutFromPatches } from '../../colour/gamutFromPatches.ts';
import { said } from '../../said.ts';
import type { Figure, TestGround, Told } from './types.ts';

/** A channel this near the clip tells no colour, signal fraction. */
const NEAR_CLIP = 0.01;
/** Name of a gamut that a test found. */
const NAME = 'from the test’s chart';
/** Patches that were not part of a fit lie farther off than this: the readings do not belong to these colours. Ours. */
const TOO_FAR = 8;

/** CIE 1976 u', v' of x, y. */
const uvOf = (xy: Chromaticity): readonly [number, number] => {
  const [u, v] = xyToUv(xy);
  return [u, 1.5 * v];
};

/** How far the primaries of two gamuts lie apart in u', v', the farthest of three. */
const apart = (a: Gamut, b: Gamut): number =>
  Math.max(
    ...(['red', 'green', 'blue'] as const).map((primary) => {
      const [p, q] = [uvOf(a[primary]), uvOf(b[primary])];
      return Math.hypot(p[0] - q[0], p[1] - q[1]);
    }),
  );

/** The gamut of a chart whose colours are known, through the curve of the test. */
export const gamutTold = ({ chart, curve, have }: TestGround): Told & { readonly gamut?: Gamut } => {
  if (!chart)
    return {
      figures: [],
      missing: have.colours
        ? [{ what: 'its gamut: a chart whose colours are known, its corners laid', shot: 'sheets' }]
        : [],
    };
  const held = chart.patches.filter(({ signal }) => Math.max(...signal) < curve.clipSignal - NEAR_CLIP);
  const fit = gamutFromPatches(
    held.map(({ name, xyz, signal: [r, g, b] }) => ({
      name,
      xyz,
      rgb: [curve.lightAt(r), curve.lightAt(g), curve.lightAt(b)] as const,
    })),
    chart.white,
    NAME,
  );
  if (!fit.ok)
    return {
      figures: [],
      warnings: [
        fit.where === 'patches'
          ? `No gamut from the chart: ${fit.reason}`
          : said(
              'No gamut from the chart: its patches do not go together.',
              'See that its corners are laid the right way round, that the rows belong to it,',
              'and that one even light falls on it.',
            ),
      ],
    };
  const { gamut, mean, leftOutMean } = fit.value;
  const from = [chart.from];
  const nearest = GAMUT_IDS.map((id) => ({ name: GAMUTS[id].name, off: apart(gamut, GAMUTS[id]) })).reduce(
    (a, b) => (b.off < a.off ? b : a),
  );
  const figures: readonly Figure[] = [
    {
      id: 'gamut.fit',
      name: `colour error of ${held.length} patches, ΔE2000`,
      value: mean,
      unit: 'deltaE',
      from,
    },
    {
      id: 'gamut.leftOut',
      name: 'the same of a patch that the fit has not seen',
      value: leftOutMean,
      unit: 'deltaE',
      from,
    },
    {
      id: 'gamut.nearest',
      name: `primaries at most so far from ${nearest.name}, the nearest, in u′v′`,
      value: nearest.off,
      unit: 'chromaticity',
      from,
    },
  ];
  if (leftOutMean > TOO_FAR)
    return {
      figures,
      warnings: [
        said(
          `The chart does not fit: patches lie ${leftOutMean.toFixed(0)} apart (ΔE2000) from what they should be.`,
          'See that its corners are laid the right way round and that the rows belong to it.',
          'The gamut is left as it was.',
        ),
      ],
    };
  return { figures, gamut };
};
