import { doubtAt } from '../../profile/index.ts';
import { printStopsDecimal } from '../../units.ts';
import { BLACK_SIGMA } from './curveEvidence.ts';
import type { TestBasis, TestCurve, Told } from './types.ts';

/** How exactly a flat end is read, 95 %, signal fraction; black that no dark frame tells. Our own choice. */
const CLIP_READ = 0.002;
const BLACK_GUESSED = 0.01;
/** A clip is not told more exactly than this, stops. */
const CLIP_LEAST = 0.05;
/** How far a curve may go otherwise beyond its last reading, of the way, 95 %. Our own choice, tried on the stage. */
const BEYOND = 0.3;
const PLOT = { from: -8, apart: 1 / 3, count: 49 } as const;

/** What the curve of a test tells. */
export const curveTold = ({ filmed }: TestBasis, curve: TestCurve): Told => {
  const { profile, signalAt, clipSignal, blackSignal, isClipFound, doubt, steps, warnings } = curve;
  const { clipStops, band } = profile;
  const from = filmed.filter(({ shot }) => shot.kind === 'bracket').map(({ shot }) => shot.id);
  const dark = filmed.find(({ shot }) => shot.kind === 'cap');
  const percent = (signal: number, within?: number) => ({
    value: 100 * signal,
    unit: 'percent' as const,
    ...(within === undefined ? {} : { plusMinus: 100 * within }),
  });
  const at = Array.from({ length: PLOT.count }, (_, i) => PLOT.from + i * PLOT.apart).filter(
    (stops) => stops <= clipStops,
  );
  return {
    figures: [
      { id: 'grey', name: 'grey', ...percent(signalAt(0), doubtAt(band, 0)?.signal), from },
      {
        id: 'black',
        name: 'black, no light',
        ...percent(blackSignal, dark ? 2 * BLACK_SIGMA : BLACK_GUESSED),
        from: dark ? [dark.shot.id] : from,
      },
      {
        id: 'clip',
        name: isClipFound ? 'clip' : 'clip, at least',
        value: clipStops,
        unit: 'stops',
        plusMinus: Math.max(
          CLIP_LEAST,
          Math.hypot(doubt(clipStops), BEYOND * Math.max(0, clipStops - curve.lastStops)),
        ),
        from,
      },
      { id: 'clip.signal', name: 'clip, signal', ...percent(clipSignal, CLIP_READ), from },
    ],
    plots: [
      {
        id: 'curve',
        name: 'curve',
        x: 'stops over grey',
        y: '% of signal',
        points: steps.map(({ stops, signal }) => [stops, 100 * signal] as const),
        line: at.map((stops) => [stops, 100 * signalAt(stops)] as const),
        band: at.map((stops) => 100 * (doubtAt(band, stops)?.signal ?? 0)),
      },
    ],
    warnings: [
      ...warnings,
      ...(isClipFound
        ? []
        : [
            `The bracket rises to its end: clip is at least ${printStopsDecimal(clipStops)}. Film two brighter steps.`,
          ]),
    ],
    missing: [
      ...(isClipFound ? [] : [{ what: 'where it clips', shot: 'bracket' as const }]),
      ...(dark ? [] : [{ what: 'black and read noise', shot: 'cap' as const }]),
    ],
  };
};
