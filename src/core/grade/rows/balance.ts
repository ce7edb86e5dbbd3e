import { gamutMatrix } from '../../colour/gamut.ts';
import { balanceGains } from '../../correction/balanceGains.ts';
import { apply, invert, type Triple } from '../../maths/matrix.ts';
import { AS_OFFSET, gains, gainsSop } from './exposure.ts';
import type { GradeKind, Space } from './types.ts';

/** A body balances on its own channels, for which BT.2020's stand where it records in other primaries. */
export const BODY = 'bt2020';

const wished = (value: (name: string) => number, { dial }: Space, primaries: Space['primaries']): Triple => {
  const [r, g, b] = balanceGains(dial, value('mired'), value('tint'), primaries);
  return [r * 2 ** value('red'), g, b * 2 ** value('blue')];
};

/** A channel that no dial brings to neutral. */
const channel = (name: string) =>
  ({
    name,
    unit: 'stops',
    min: -6,
    max: 6,
    step: 0.01,
    neutral: 0,
    says: 'What no dial reaches: a lamp that lies far from any daylight or tungsten',
  }) as const;

export const balance = {
  name: 'Balance',
  says: 'Makes the neutral neutral, as another Kelvin and tint on the camera would have done',
  side: 'before',
  values: {
    mired: {
      name: 'Warmth',
      unit: 'mired',
      min: -400,
      max: 400,
      step: 1,
      neutral: 0,
      says: 'Mired, warmer +',
    },
    tint: { name: 'Tint', unit: 'points', min: -60, max: 60, step: 1, neutral: 0, says: 'Points, greener +' },
    red: channel('Red beyond it'),
    blue: channel('Blue beyond it'),
    offset: AS_OFFSET,
  },
  compile: (value, space) => {
    if (value('offset') > 0) return gains(wished(value, space, space.primaries), true, space);
    const into = gamutMatrix(space.primaries, BODY);
    const back = invert(into);
    const by = gains(wished(value, space, BODY), false, space);
    return (rgb) => apply(back, by(apply(into, rgb)));
  },
  sop: (value, space) => gainsSop(wished(value, space, space.primaries), value('offset') > 0, space),
} as const satisfies GradeKind;
