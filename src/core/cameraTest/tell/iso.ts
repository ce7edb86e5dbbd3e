import { printShutter } from '../../exposure/shutter.ts';
import { median } from '../../maths/quantile.ts';
import { said } from '../../said.ts';
import { firstBase } from '../shots/ground.ts';
import type { DarkNoise } from './noise.ts';
import type { Figure, FilmedShot, TestGround, Told } from './types.ts';

/** Dark noise against light falls by more than this where a further base begins, of 1. Our own choice. */
const CLEANER = 0.85;
/** So little a dial of gain never adds in a whole stop: then it is an exposure index. */
const NO_GAIN = 0.15;
/** An ISO that lies farther off its mark is told, stops. Our own choice. */
const TOLD_STEP = 0.25;
/** Where a level is read against the curve, stops from grey at most. */
const WITHIN = 5;

/** How exactly a step is read, 95 %: stops, and more for each stop from base. Our own choice, tried on the stage. */
const READ = 0.02;
const READ_A_STOP = 0.005;

type Level = {
  readonly iso: number;
  readonly row: string;
  readonly stops: number;
  readonly id: string;
};

const levelsOf = (filmed: readonly FilmedShot[], stopsAt: (signal: number) => number): readonly Level[] =>
  filmed
    .filter(({ shot }) => shot.kind === 'iso')
    .map(({ shot, hold }) => {
      const { shutter, iso } = shot.settings;
      return { iso, row: printShutter(shutter), stops: stopsAt(hold.card.signal), id: shot.id };
    })
    .filter(({ stops }) => Math.abs(stops) < WITHIN);

/** Real gain of each ISO over base, stops: rows of one shutter each, hung together by the ISO that both hold. */
const gainsOf = (
  levels: readonly Level[],
  base: number,
): ReadonlyMap<number, { gain: number; from: string[] }> => {
  const rows = [...new Set(levels.map(({ row }) => row))].map((row) =>
    levels.filter((one) => one.row === row),
  );
  const known = new Map<number, { gain: number; from: string[] }>();
  const start = rows.find((row) => row.some(({ iso }) => iso === base));
  if (!start) return known;
  const waiting = [start, ...rows.filter((row) => row !== start)];
  for (let rest = waiting; rest.length > 0;) {
    const next = rest.find((row) => known.size === 0 || row.some(({ iso }) => known.has(iso)));
    if (!next) break;
    const anchor = next.find(({ iso }) => (known.size === 0 ? iso === base : known.has(iso)))!;
    const offset = (known.get(anchor.iso)?.gain ?? 0) - anchor.stops;
    for (const { iso, stops, id } of next)
      if (!known.has(iso)) known.set(iso, { gain: stops + offset, from: [anchor.id, id] });
    rest = rest.filter((row) => row !== next);
  }
  return known;
};

/** ISOs whose floor is no better than that of a higher one, by dark noise against light. */
const worseThanHigher = (
  input: readonly { readonly iso: number; readonly noise: number }[],
): readonly number[] =>
  input
    .filter(({ iso, noise }) => input.some((other) => other.iso > iso && other.noise < CLEANER * noise))
    .map(({ iso }) => iso);

/** What each ISO step really adds, a second base, ISOs to avoid. */
export const isoOf = (ground: TestGround, dark: readonly DarkNoise[]): Told => {
  const { filmed, camera, curve } = ground;
  const base = firstBase(camera);
  const levels = levelsOf(filmed, curve.stopsAt);
  if (levels.length < 2)
    return { figures: [], missing: [{ what: 'what the ISO steps really add', shot: 'iso' }] };
  const gains = gainsOf(levels, base);
  const isos = [...gains.keys()].sort((a, b) => a - b);
  const steps = isos.slice(1).map((iso, i) => ({
    marked: Math.log2(iso / isos[i]),
    real: gains.get(iso)!.gain - gains.get(isos[i])!.gain,
  }));
  const isIndex = median(steps.map(({ marked, real }) => real / marked)) < NO_GAIN;
  if (isIndex && camera.sensitivity === 'gain')
    return {
      figures: [],
      warnings: [
        said(
          'The card is as bright at every ISO: an automatic exposure was on,',
          'or this dial is an exposure index that leaves the file alone.',
        ),
      ],
      missing: [{ what: 'what the ISO steps really add', shot: 'iso' }],
    };
  // Dark noise against the light before the gain: the lower, the cleaner a shadow of the same scene.
  const input = dark
    .filter(({ isRough, iso }) => !isRough && (gains.has(iso) || iso === base))
    .map(({ iso, light, shot }) => ({ iso, noise: light / 2 ** (gains.get(iso)?.gain ?? 0), shot }))
    .sort((a, b) => a.iso - b.iso);
  const cleaner = input.filter(({ noise }, i) => i > 0 && noise < CLEANER * input[i - 1].noise);
  const avoid = worseThanHigher(input);
  const doubt = (iso: number) => READ + Math.abs(Math.log2(iso / base)) * READ_A_STOP;
  return {
    figures: [
      ...isos
        .filter((iso) => iso !== base)
        .map((iso): Figure => ({
          id: `iso.${iso}`,
          name: `ISO ${iso} over ISO ${base}`,
          value: gains.get(iso)!.gain,
          unit: 'stops',
          plusMinus: doubt(iso),
          from: gains.get(iso)!.from,
        })),
      ...cleaner.map(({ iso, shot }): Figure => ({
        id: `base.${iso}`,
        name: 'cleaner from here on: a further base',
        value: iso,
        unit: 'iso',
        from: [shot],
      })),
      ...avoid.map((iso): Figure => ({
        id: `avoid.${iso}`,
        name: 'noisier in the shadows than a higher ISO',
        value: iso,
        unit: 'iso',
        from: input.filter((one) => one.iso === iso).map(({ shot }) => shot),
      })),
    ],
    plots: [
      {
        id: 'iso',
        name: 'real ISO steps',
        x: 'marked, stops over base',
        y: 'off the mark, stops',
        points: isos.map(
          (iso) => [Math.log2(iso / base), gains.get(iso)!.gain - Math.log2(iso / base)] as const,
        ),
      },
    ],
    warnings: isos
      .filter(
        (iso) =>
          camera.sensitivity === 'gain' && Math.abs(gains.get(iso)!.gain - Math.log2(iso / base)) > TOLD_STEP,
      )
      .slice(0, 1)
      .map(
        (iso) =>
          `ISO ${iso} lies ${Math.abs(gains.get(iso)!.gain - Math.log2(iso / base)).toFixed(2)} stop off its mark.`,
      ),
    ...(input.length < 2
      ? { missing: [{ what: 'a second base, ISOs to avoid', shot: 'cap' as const }] }
      : {}),
  };
};
