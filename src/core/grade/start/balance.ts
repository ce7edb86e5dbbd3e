import { gamutMatrix } from '../../colour/gamut.ts';
import { balanceOfGains } from '../../correction/balanceGains.ts';
import { apply } from '../../maths/matrix.ts';
import { printSigned, printStopsDecimal } from '../../units.ts';
import { BODY } from '../rows/balance.ts';
import { middleOf, readable, readingAfter, rowsOf } from './reading.ts';
import type { Proposer } from './types.ts';

const stops = (v: number) => printStopsDecimal(v, 2);

/** The neutral becomes neutral; without one nothing is guessed. */
export const startBalance: Proposer = (input, before): ReturnType<Proposer> => {
  const [neutral] = [...readable(input, 'neutral'), ...readable(input, 'card'), ...readable(input, 'white')];
  if (!neutral)
    return {
      on: false,
      values: {},
      ground: 'left',
      why: 'No neutral is marked: mark a card or something grey. A guess from the picture is not a measurement',
      arithmetic: [],
    };
  const { light } = readingAfter(input, rowsOf(before));
  const toBody = gamutMatrix(input.base.recipe.profile.gamut, BODY);
  const [r, g, b] = middleOf(neutral.signals.map((signal) => apply(toBody, light(signal))));
  if (!(r > 0 && g > 0 && b > 0)) return undefined;
  const found = balanceOfGains([g / r, 1, g / b], input.base.dial, BODY);
  const { mired, tint, rest = [0, 0, 0] } = found;
  return {
    on: true,
    values: { mired, tint, red: rest[0], blue: rest[2] },
    ground: 'measured',
    why: `The ${neutral.kind} becomes neutral`,
    arithmetic: [
      { label: 'red against green', value: `${stops(Math.log2(r / g))} stops` },
      { label: 'blue against green', value: `${stops(Math.log2(b / g))} stops` },
      { label: 'as warmth', value: `${printSigned(mired)} mired` },
      { label: 'as tint', value: `${printSigned(tint)} points` },
    ],
  };
};
