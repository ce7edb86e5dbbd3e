import { said } from '../../said.ts';
import { BALANCE_SCHOOLS } from '../../colour/balance.ts';
import { MOST_RED_LIFT, waterLoss } from '../../water.ts';
import { pick, whole } from '../random.ts';
import { standsWith } from '../stageTask.ts';
import type { Drill, Level, NumberAsk } from '../types.ts';

const TOLERANCE: Readonly<Record<Level, number>> = { 1: 15, 2: 12, 3: 10 };
/** Lights that stand in one room, K: common practice, no source. */
const WARM = [2000, 2400, 2800, 3000, 3200] as const;
const COLD = [4300, 5000, 5600, 6500, 7500] as const;

const kelvinAsk = (truth: number, level: Level): NumberAsk => ({
  id: 'kelvin',
  kind: 'number',
  label: 'Dial, K',
  unit: 'kelvin',
  by: 'typing',
  truth: [truth, truth],
  tolerance: TOLERANCE[level],
  within: [1500, 15_000],
  step: 50,
});

/** Two lights in one room; half-way lies in mired, not in kelvin. */
export const mixedLight: Drill = {
  id: 'mixed-light',
  name: 'Dial for mixed light',
  says: 'Half-way between a lamp and a window is not half-way in kelvin.',
  skill: 'balance',
  make: (making) => {
    const { random, level } = making;
    const [warm, cold] = [pick(random, WARM), pick(random, level === 1 ? COLD.slice(2) : COLD)];
    // The share of the window in the light on the faces.
    const share =
      level === 1 ? 1 / 2 : level === 2 ? pick(random, [1 / 3, 2 / 3]) : pick(random, [1 / 4, 3 / 4]);
    const mired = (1 - share) * (1e6 / warm) + share * (1e6 / cold);
    const shiftAsk: NumberAsk = {
      id: 'gel',
      kind: 'number',
      label: 'Gel on the lamp that makes it the window’s, mired',
      unit: 'mired',
      by: 'typing',
      truth: [1e6 / cold - 1e6 / warm, 1e6 / cold - 1e6 / warm],
      tolerance: TOLERANCE[level],
      within: [-500, 500],
      step: 1,
    };
    return {
      placement: 0,
      text: said(
        `${standsWith(making)}. A lamp and a window light the same faces, and both casts shall`,
        'show alike in proportion. What do you dial?',
      ),
      facts: [
        { name: 'Lamp', value: `${warm} K` },
        { name: 'Window', value: `${cold} K` },
        { name: 'Share of the window on the faces', value: printShare(share) },
      ],
      asks: [kelvinAsk(1e6 / mired, level), ...(level === 3 ? [shiftAsk] : [])],
    };
  },
  explain: ({ asks }) => {
    const ask = asks.find(({ id }) => id === 'kelvin');
    const kelvin = ask?.kind === 'number' ? ask.truth[0] : 0;
    return {
      because: said(
        'Turn both lights into mired (a million over kelvin), take the mean by their shares, turn',
        `it back: ${Math.round(1e6 / kelvin)} mired, ${Math.round(kelvin / 10) * 10} K.`,
      ),
      careful: 'Dials it by hand, writes it down, and leaves automatic balance off for the whole scene.',
      schools: said(
        'Three schools:',
        `${Object.values(BALANCE_SCHOOLS)
          .map(({ name }) => name.toLowerCase())
          .join(', ')}.`,
      ),
    };
  },
};

const printShare = (share: number): string =>
  ({ 0.25: '1/4', 0.75: '3/4', 0.5: '1/2' })[share] ?? (share < 0.5 ? '1/3' : '2/3');

/** Water takes red first: by how much, on the way of the light. */
export const underwater: Drill = {
  id: 'under-water',
  name: 'Under water',
  says: 'How much red is left, and what gives it back?',
  skill: 'balance',
  make: (making) => {
    const { random, level } = making;
    const depth = whole(random, 2, level === 1 ? 6 : 14);
    const distance = level === 1 ? 1 : whole(random, 1, 3);
    const path = depth + distance;
    const perMetre = waterLoss('red', 1);
    const loss: NumberAsk = {
      id: 'red',
      kind: 'number',
      label: 'Red lost, stops',
      unit: 'stops',
      by: 'typing',
      truth: [waterLoss('red', path), waterLoss('red', path)],
      tolerance: { 1: 1 / 2, 2: 1 / 3, 3: 1 / 3 }[level],
      within: [0, 20],
      step: 0.1,
    };
    return {
      placement: 0,
      text: said(
        `${standsWith(making)}, at ${depth} m, ${distance} m from the subject, in clear water and`,
        'daylight from above.',
      ),
      facts: [
        { name: 'Red lost on each metre', value: `${perMetre.toFixed(2)} stops` },
        { name: 'Depth', value: `${depth} m` },
        { name: 'To the subject', value: `${distance} m` },
      ],
      asks: [
        loss,
        ...(level === 1
          ? []
          : [
              {
                id: 'do',
                kind: 'choice',
                label: 'What brings the red back?',
                options: [
                  { id: 'light', says: 'A light beside the camera, close to the subject' },
                  { id: 'grade', says: 'The grade: red is lifted there' },
                  { id: 'dial', says: 'The lowest kelvin on the dial' },
                ],
                // So much the grade can lift of what is there.
                right: waterLoss('red', path) > MOST_RED_LIFT ? ['light'] : ['light', 'grade'],
              } as const,
            ]),
      ],
    };
  },
  explain: ({ facts }) => ({
    because: said(
      'Daylight comes down the depth and then goes to the lens: both ways count.',
      `${facts[0].value} on each metre, times the metres.`,
    ),
    careful: said(
      'Goes near, brings a light, and balances on a slate at the depth of the shot.',
      'Training, buddy and gas come before the picture.',
    ),
    schools: said(
      'A filter before the lens keeps the channels together and costs light; balancing by hand',
      'at depth costs red’s noise.',
    ),
  }),
};
