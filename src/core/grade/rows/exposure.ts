import type { Triple } from '../../maths/matrix.ts';
import type { GradeKind, Space } from './types.ts';

/** How a gain is done: exact on light, or as a CDL holds it. */
export const AS_OFFSET = {
  name: 'As an offset of the log',
  unit: 'choice',
  min: 0,
  max: 1,
  step: 1,
  neutral: 0,
  says: 'Off: a gain of light, exact everywhere. On: so many codes at every tone, which a CDL holds exactly',
} as const;

/** Codes that a gain of grey comes to on the signal. */
const offsetOf = ({ signal, grey }: Space, gain: number): number =>
  signal.encode(grey * gain) - signal.encode(grey);

/** Gains on the channels, or the offsets of the signal that they come to at grey. */
export const gains = (by: Triple, asOffset: boolean, space: Space) => {
  if (!asOffset) return ([r, g, b]: Triple): Triple => [by[0] * r, by[1] * g, by[2] * b];
  const { encode, decode } = space.signal;
  const [x, y, z] = by.map((gain) => offsetOf(space, gain));
  return ([r, g, b]: Triple): Triple => [decode(encode(r) + x), decode(encode(g) + y), decode(encode(b) + z)];
};

/** Offsets of the signal as a CDL's. */
export const gainsSop = (by: Triple, asOffset: boolean, space: Space) =>
  asOffset
    ? {
        slope: [1, 1, 1] as const,
        offset: by.map((gain) => offsetOf(space, gain)) as unknown as Triple,
        saturation: 1,
      }
    : undefined;

export const exposure = {
  name: 'Exposure',
  says: 'Puts the card back on grey, or a face on its level. First, because everything after it is judged by it',
  side: 'before',
  values: {
    stops: {
      name: 'Light',
      unit: 'stops',
      min: -6,
      max: 6,
      step: 1 / 12,
      neutral: 0,
      says: 'Stops of light, more + or less −',
    },
    offset: AS_OFFSET,
  },
  compile: (value, space) => {
    const gain = 2 ** value('stops');
    return gains([gain, gain, gain], value('offset') > 0, space);
  },
  sop: (value, space) => {
    const gain = 2 ** value('stops');
    return gainsSop([gain, gain, gain], value('offset') > 0, space);
  },
} as const satisfies GradeKind;
