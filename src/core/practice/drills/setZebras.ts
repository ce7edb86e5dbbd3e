import { said } from '../../said.ts';
import { zebraSignal, type SetCardNumbers } from '../../exposure/setCard.ts';
import { SCALES } from '../../signal/scale.ts';
import { printStops } from '../../units.ts';
import { printPlace } from '../asks.ts';
import { pick } from '../random.ts';
import { standsWith } from '../stageTask.ts';
import type { Drill, NumberAsk, Task } from '../types.ts';
import { cardOf, type PracticeCamera } from '../world.ts';

/** The profile as its ladder has it: per cent at whole stops. */
const profileTable = (
  camera: PracticeCamera,
  signalAt: (stops: number) => number,
  [from, to]: readonly [number, number],
): Task['table'] => ({
  head: ['stops', ...Array.from({ length: to - from + 1 }, (_, i) => printStops(from + i))],
  rows: [
    [
      SCALES[camera.zebra.scale].name,
      ...Array.from({ length: to - from + 1 }, (_, i) =>
        SCALES[camera.zebra.scale].fromSignal(signalAt(from + i), camera.coding).toFixed(0),
      ),
    ],
  ],
});

const percentAsk = (
  id: string,
  label: string,
  truth: number,
  tolerance: number,
  step: number,
): NumberAsk => ({
  id,
  kind: 'number',
  label,
  unit: 'percent',
  by: 'typing',
  truth: [truth, truth],
  tolerance,
  within: [0, 110],
  step,
});

/** Placements that are asked for, thirds of a stop. */
const PLACEMENTS = Array.from({ length: 6 }, (_, i) => i / 3);

export const setZebras: Drill = {
  id: 'set-zebras',
  name: 'Set the zebras',
  says: 'Card, skin and warning zebra from a profile and a placement.',
  skill: 'zebra',
  make: (making) => {
    const { random, world, camera, profileId, level } = making;
    const subject = pick(random, world.subjects);
    const asked = ({ card, skin: [{ zebra }], warning }: SetCardNumbers) =>
      [card, zebra, warning].slice(0, level);
    // Where the camera has no such level there is nothing to dial.
    const usable = (level === 1 ? [0] : PLACEMENTS)
      .map((at) => ({ at, numbers: cardOf(world, camera, profileId, at, [subject]) }))
      .filter(({ numbers }) => asked(numbers).every(({ reach }) => reach === 'within'));
    const { at: placement, numbers } =
      usable.length > 0
        ? pick(random, usable)
        : { at: 0, numbers: cardOf(world, camera, profileId, 0, [subject]) };
    const seen = zebraSignal(numbers.profile, camera.zebra, placement);
    const { min, max, step } = numbers.card.kind === 'range' ? camera.zebra.range : camera.zebra.lowerLimit;
    // What reading between two whole stops of the table may leave, on the zebra's scale. Our own.
    const slack = { 1: 4, 2: 3, 3: 2 }[level];
    const asks = [
      percentAsk('card', 'Card zebra, %', numbers.card.level, Math.max(step, slack), step),
      percentAsk(
        'skin',
        `Skin zebra, ${subject.name}, %`,
        numbers.skin[0].zebra.level,
        Math.max(step, slack),
        step,
      ),
      percentAsk('warning', 'Warning zebra, %', numbers.warning.level, Math.max(step, slack), step),
    ].slice(0, level);
    const from = Math.max(-3, Math.ceil(numbers.floorStops));
    return {
      placement,
      subject,
      text: `${standsWith(making)}, placed at ${printStops(placement)}. Which level does each zebra get?`,
      facts: [
        { name: 'Placement', value: printStops(placement) },
        ...(level > 1 ? [{ name: `${subject.name}’s skin`, value: printPlace(subject.skinOffset) }] : []),
        ...(level > 2
          ? [
              { name: 'Clip', value: printPlace(numbers.clipStops) },
              { name: 'Warning', value: '1/3 stop under clip' },
            ]
          : []),
        { name: 'The zebra can be set', value: `${min} to ${max} in steps of ${step}` },
      ],
      table: profileTable(camera, seen.signalAt, [from, Math.floor(numbers.clipStops)]),
      asks,
    };
  },
  explain: ({ placement, facts }) => ({
    because: said(
      `Each zebra is the profile’s level at its own stop: the card at ${printStops(placement)},`,
      'a face at the placement plus its offset, the warning a third under clip.',
      `Then the nearest level the camera has. ${facts.at(-1)?.name ?? ''}:`,
      `${facts.at(-1)?.value ?? ''}.`,
    ),
    careful: 'Reads the level off the ladder, dials it, and checks it on the card before the first take.',
  }),
};
