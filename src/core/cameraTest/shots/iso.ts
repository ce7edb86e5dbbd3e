import type { Shot, ShotKind } from '../types.ts';
import { firstBase, nearest, nominalSeconds, rising, shotOf } from './ground.ts';

/** Where the card stands at the lowest ISO of a row, and how high it may climb before the shutter is shortened. */
const [ROW_FROM, ROW_TO] = [-3.5, 2.6];
/** Stops between two ISOs of a usual test. */
const WHOLE = 0.9;

/** Every ISO, or every one a stop over the last. */
const spaced = (isos: readonly number[], bases: readonly number[], apart: number): number[] =>
  rising(isos).reduce<number[]>((kept, iso) => {
    const last = kept[kept.length - 1];
    return last === undefined || bases.includes(iso) || Math.log2(iso / last) >= apart
      ? [...kept, iso]
      : kept;
  }, []);

export const iso: ShotKind = {
  name: 'ISO steps',
  view: 'card',
  tells: 'what each ISO step really adds, a second base, ISOs to avoid',
  how: 'Touch nothing but the ISO; where the list says so, the shutter too, and film that ISO again.',
  shots: (basis) => {
    const { camera, length } = basis;
    if (length === 'short') return [];
    const base = firstBase(camera);
    const isos = spaced(camera.isos, camera.baseIsos, length === 'thorough' ? 0 : WHOLE);
    const gain = (speed: number) => (camera.sensitivity === 'ei' ? 0 : Math.log2(speed / base));
    const nominal = nominalSeconds(camera);
    const at = (speed: number, under: number) => {
      const { shutter, seconds } = nearest(camera, nominal * 2 ** under);
      return { shutter, under: Math.log2(seconds / nominal), speed };
    };
    let row = 0;
    let now = at(isos[0], ROW_FROM - gain(isos[0]));
    const shots: Shot[] = [];
    for (const speed of isos) {
      const stops = now.under + gain(speed);
      if (stops > ROW_TO) {
        // The last ISO again in the shorter time: the two rows hang together by it.
        const previous = shots[shots.length - 1].settings.iso;
        row += 1;
        now = at(previous, ROW_FROM - gain(previous));
        shots.push(
          shotOf(basis, 'iso', 'card', `iso ${previous} ${row}`, {
            iso: previous,
            shutter: now.shutter,
            stops: now.under + gain(previous),
          }),
        );
      }
      shots.push(
        shotOf(basis, 'iso', 'card', `iso ${speed} ${row}`, {
          iso: speed,
          shutter: now.shutter,
          stops: now.under + gain(speed),
        }),
      );
    }
    return shots;
  },
};
