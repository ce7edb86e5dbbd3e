import { printShutter } from '../../exposure/shutter.ts';
import { said } from '../../said.ts';
import { reflectanceToStops } from '../../units.ts';
import { CARDS } from '../types.ts';
import type { Figure, TestGround, Told } from './types.ts';

/** A shutter that lies farther off its mark is told, stops. */
const TOLD = 0.08;
/** Near the ends of the curve a signal says little of the light. */
const FROM = -4.5;
const UNDER_CLIP = 0.4;

/** Real shutter steps against their marks, as the curve through all of them has them. */
export const shutterOf = ({ filmed, curve, have }: TestGround): Told => {
  const cardStops = reflectanceToStops(CARDS[have.card].reflectance);
  const read = filmed
    .filter(({ shot }) => shot.kind === 'bracket' || shot.kind === 'back')
    .map(({ shot, hold }) => ({
      shot,
      place: curve.stopsAt(hold.card.signal),
      marked: shot.settings.stops + cardStops,
    }))
    .filter(({ place }) => place > FROM && place < curve.profile.clipStops - UNDER_CLIP);
  if (read.length === 0) return { figures: [] };
  const mean = (values: readonly number[]) => values.reduce((a, b) => a + b, 0) / values.length;
  const { shutters } = curve;
  const errorOf = ({ shot, place, marked }: (typeof read)[number]) =>
    shutters ? shutters.of(printShutter(shot.settings.shutter)) : place - marked;
  const off = [...new Set(read.map(({ shot }) => printShutter(shot.settings.shutter)))].map((name) => {
    const own = read.filter(({ shot }) => printShutter(shot.settings.shutter) === name);
    return { name, value: mean(own.map(errorOf)), from: own.map(({ shot }) => shot.id) };
  });
  const sd = Math.sqrt(mean(off.map(({ value }) => value ** 2)));
  const worst = off.reduce((a, b) => (Math.abs(b.value) > Math.abs(a.value) ? b : a));
  return {
    figures: [
      {
        id: 'shutter.sd',
        name: 'shutters off their marks, standard deviation',
        value: sd,
        unit: 'stops',
        from: off.flatMap(({ from }) => from),
      },
      ...off.map(({ name, value, from }): Figure => ({
        id: `shutter.${name}`,
        name: `shutter ${name}, off its mark`,
        value,
        unit: 'stops',
        plusMinus: Math.max(0.02, 2 * (shutters?.doubt ?? sd)),
        from,
      })),
    ],
    plots: [
      {
        id: 'shutter',
        name: 'real shutter steps',
        x: 'marked, stops over grey',
        y: 'off the mark, stops',
        points: read.map((one) => [one.marked, errorOf(one)] as const),
      },
    ],
    warnings:
      Math.abs(worst.value) > TOLD
        ? [
            said(
              `Shutter ${worst.name} lies ${Math.abs(worst.value).toFixed(2)} stop off its mark:`,
              'the card shows it, no setting does.',
            ),
          ]
        : [],
  };
};
