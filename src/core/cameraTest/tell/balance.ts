import { leanOf, lightOfNeutral } from '../../colour/neutral.ts';
import { TINT_STEP } from '../../colour/lean.ts';
import type { Triple } from '../../maths/matrix.ts';
import type { Figure, FilmedShot, TestGround, Told } from './types.ts';

/** How exactly a card's colour is read, mired and points of tint, 95 %. Our own choice, tried on the stage. */
const READ = { mired: 2, tint: 1 } as const;
/** A dial that moves the picture by less, mired or tint points, did nothing. */
const NOTHING = 2;
/** How far about its mark a dial's real place is looked for, in its own steps; and the bluest there is, mired. */
const LOOKED_FOR = 3;
const BLUEST = 20;

/** Linear light of the card's channels; undefined where one has none. */
const lightOf = (
  one: FilmedShot | undefined,
  { curve: { lightAt } }: Pick<TestGround, 'curve'>,
): Triple | undefined => {
  if (!one) return undefined;
  const [r, g, b] = one.hold.card.channels.map(lightAt);
  return r > 0 && g > 0 && b > 0 ? [r, g, b] : undefined;
};

/** Where a function that rises or falls all the way is 0, between two ends. */
const zeroOf = (f: (v: number) => number, [low, high]: readonly [number, number]): number => {
  let [a, b] = [low, high];
  const rising = f(b) > f(a);
  for (let i = 0; i < 40; i += 1) {
    const middle = (a + b) / 2;
    if (f(middle) > 0 === rising) b = middle;
    else a = middle;
  }
  return (a + b) / 2;
};

/** The card in its light, the dial set to it: what the others are held against. */
type Plain = { readonly shot: FilmedShot; readonly card: Triple; readonly dial: { kelvin: number; duv: 0 } };
type Part = { readonly figures: readonly Figure[]; readonly warnings?: readonly string[] };

const lean = ({ gamut, have }: TestGround, { shot, card, dial }: Plain): Part => {
  if (have.kelvin === undefined) return { figures: [] };
  const { mired, duv } = leanOf(card, gamut, dial);
  // The dial has steps: what it lies off the light is no lean.
  const offDial = 1e6 / have.kelvin - 1e6 / dial.kelvin;
  const from = [shot.shot.id];
  return {
    figures: [
      {
        id: 'lean.mired',
        name: 'lean, warm plus',
        value: mired - offDial,
        unit: 'mired',
        plusMinus: READ.mired,
        from,
      },
      {
        id: 'lean.tint',
        name: 'lean, green plus',
        value: duv / TINT_STEP,
        unit: 'tint',
        plusMinus: READ.tint,
        from,
      },
    ],
  };
};

/** What the Kelvin dial does on one side: the dial that would make this picture of the same light. */
const dialled = (ground: TestGround, plain: Plain, side: 'lower' | 'higher'): Part => {
  const { filmed, gamut } = ground;
  const one = filmed.find(({ shot }) => shot.id === `balance ${side}`);
  const card = lightOf(one, ground);
  const from = 1e6 / plain.dial.kelvin;
  const marked = one ? 1e6 / one.shot.settings.kelvin - from : 0;
  if (!one || !card || marked === 0) return { figures: [] };
  const seen = 1e6 / lightOfNeutral(plain.card, gamut, plain.dial).kelvin;
  const real = zeroOf(
    (mired) => 1e6 / lightOfNeutral(card, gamut, { kelvin: 1e6 / mired, duv: 0 }).kelvin - seen,
    [Math.max(BLUEST, from - LOOKED_FOR * Math.abs(marked)), from + LOOKED_FOR * Math.abs(marked)],
  );
  return {
    figures: [
      {
        id: `dial.${side}`,
        name: `${side} Kelvin: turns by so much of its mark`,
        value: (real - from) / marked,
        unit: 'times',
        plusMinus: Math.abs((2 * READ.mired) / marked),
        from: [plain.shot.shot.id, one.shot.id],
      },
    ],
    warnings:
      Math.abs(real - from) < NOTHING
        ? [
            'The Kelvin dial does not move the picture: automatic balance was on. Film the balance shots again.',
          ]
        : [],
  };
};

const tint = (ground: TestGround, { dial }: Plain): Part => {
  const { filmed, gamut } = ground;
  const [plus, minus] = ['plus', 'minus'].map((side) =>
    filmed.find(({ shot }) => shot.id === `tint ${side}`),
  );
  const [up, down] = [lightOf(plus, ground), lightOf(minus, ground)];
  if (!plus || !minus || !up || !down) return { figures: [] };
  const points = plus.shot.settings.tint - minus.shot.settings.tint;
  const moved = (lightOfNeutral(up, gamut, dial).duv - lightOfNeutral(down, gamut, dial).duv) / TINT_STEP;
  if (Math.abs(moved) < NOTHING)
    return {
      figures: [],
      warnings: [
        'The tint dial does not move the picture: automatic balance was on. Film the tint shots again.',
      ],
    };
  return {
    figures: [
      {
        id: 'tint.point',
        name: 'a point of tint to plus, green plus',
        value: moved / points,
        unit: 'tint',
        plusMinus: (2 * READ.tint) / points,
        from: [plus.shot.id, minus.shot.id],
      },
    ],
  };
};

/** How the body leans, what a step of either dial does, and which way tint goes. */
export const balanceOf = (ground: TestGround): Told => {
  const shot = ground.filmed.find((one) => one.shot.id === 'balance light');
  const card = lightOf(shot, ground);
  if (!shot || !card)
    return { figures: [], missing: [{ what: 'how the body leans, what the dials do', shot: 'balance' }] };
  const plain: Plain = { shot, card, dial: { kelvin: shot.shot.settings.kelvin, duv: 0 } };
  const parts = [
    lean(ground, plain),
    dialled(ground, plain, 'lower'),
    dialled(ground, plain, 'higher'),
    tint(ground, plain),
  ];
  const figures = parts.flatMap((part) => part.figures);
  const hasTint = figures.some(({ id }) => id === 'tint.point');
  return {
    figures,
    warnings: [...new Set(parts.flatMap(({ warnings = [] }) => warnings))],
    missing: [
      ...(ground.have.kelvin === undefined
        ? [{ what: 'how the body leans: the Kelvin of the light is not known', shot: 'balance' as const }]
        : []),
      ...(hasTint ? [] : [{ what: 'which way tint goes', shot: 'tint' as const }]),
    ],
  };
};
