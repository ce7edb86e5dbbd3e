import { said } from '../../said.ts';
import type { Figure, TestGround, Told } from './types.ts';

/** Zebra levels are set by 1 to 5 %; two that lie no farther apart are the same. */
const SAME = 3;

/** Which picture the zebra reads, by the levels at which the card began to show. */
export const zebraOf = ({ filmed, zebra, curve }: TestGround): Told => {
  const card = filmed.find(({ shot }) => shot.kind === 'first');
  const { assistOff, assistOn, assistPlaced } = zebra ?? {};
  if (assistOff === undefined || assistOn === undefined)
    return {
      figures: [],
      missing: [
        {
          what: 'which picture the zebra reads: note the level with the display assist off and on',
          shot: 'first',
        },
      ],
    };
  const recorded = 100 * (card?.hold.card.signal ?? curve.signalAt(0));
  const follows = Math.abs(assistOn - assistOff) > SAME;
  const placed: readonly Figure[] =
    assistPlaced === undefined || !follows
      ? []
      : [
          {
            id: 'zebra.placed',
            name: 'zebra on the card, assist on, the placement a stop higher',
            value: assistPlaced,
            unit: 'percent',
            plusMinus: SAME,
            from: ['first'],
          },
          {
            id: 'zebra.follows',
            name: 'the assist follows the placement',
            value: Math.abs(assistPlaced - assistOn) > SAME ? 1 : 0,
            unit: 'yes',
            from: ['first'],
          },
        ];
  return {
    figures: [
      {
        id: 'zebra.off',
        name: 'zebra on the card, assist off',
        value: assistOff,
        unit: 'percent',
        plusMinus: SAME,
        from: ['first'],
      },
      {
        id: 'zebra.on',
        name: 'zebra on the card, assist on',
        value: assistOn,
        unit: 'percent',
        plusMinus: SAME,
        from: ['first'],
      },
      {
        id: 'zebra.lut',
        name: 'zebra reads the picture through the assist',
        value: follows ? 1 : 0,
        unit: 'yes',
        from: ['first'],
      },
      ...placed,
    ],
    missing:
      placed.length > 0
        ? []
        : [
            {
              what: follows
                ? 'whether the assist follows the placement: note the level once more with the placement a stop higher'
                : 'whether the assist follows the placement: the zebra does not see the assist, look at the screen',
              shot: 'first',
            },
          ],
    warnings:
      Math.abs(assistOff - recorded) > 2 * SAME
        ? [
            said(
              `With the assist off the zebra says ${assistOff} %,`,
              `where the file holds ${recorded.toFixed(0)} % of signal:`,
              'it reads another scale. Look at the zebra’s scale in Kit.',
            ),
          ]
        : [],
  };
};
