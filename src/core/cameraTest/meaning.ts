import { compileProfile } from '../profile/index.ts';
import { said } from '../said.ts';
import { printStops, printStopsDecimal, printStopsOf, toThird } from '../units.ts';
import type { TestTold } from './evaluate.ts';
import { gamutMeaning, lampMeaning, processingMeaning } from './meaning/picture.ts';
import type { Meaning, Numbers } from './meaning/types.ts';

// What a test means, in plain words: each sentence with the figures it rests on.

/** How the camera's zebra prints a signal. */
export type ZebraPrint = (signal: number) => string;

/**
 * Room kept over the card, stops: white paper lies 2 1/3 over it, and what shines another two. Our own choice, from
 * the highlights of plain scenes.
 */
const ROOM = 4.5;
const MOST_PLACEMENT = 2;
/** A meter this near is trusted, stops. */
const TRUSTED = 0.17;
/** A lean this small is left alone: mired, points of tint. */
const LEANS = { mired: 5, tint: 2 } as const;
/** The placement that leaves room for highlights, in thirds. */
export const placementFor = (clipStops: number): number =>
  toThird(Math.floor(3 * Math.min(MOST_PLACEMENT, Math.max(0, clipStops - ROOM))) / 3);

const exposing = (told: TestTold, zebra: ZebraPrint): Meaning => {
  const { clipStops } = told.curve.profile;
  const placement = placementFor(clipStops);
  const signal = compileProfile(told.curve.profile).signalAt(placement);
  return {
    id: 'expose',
    text: said(
      `Put the grey card at ${printStops(placement)}: zebra ${zebra(signal)},`,
      `${(100 * signal).toFixed(0)} % of signal.`,
      `Above it ${printStopsOf(clipStops - placement)} are left to clip.`,
    ),
    figures: ['clip', 'grey', 'clip.signal'],
  };
};

const range = (numbers: Numbers, isos: readonly number[]): readonly Meaning[] => {
  const best = isos
    .flatMap((iso) => {
      const floor = numbers.get(`floor.2.${iso}`);
      return floor ? [{ iso, floor: floor.value }] : [];
    })
    .sort((a, b) => a.iso - b.iso);
  if (best.length === 0) return [];
  const [first] = best;
  return [
    {
      id: 'floor',
      text: said(
        `Shadows hold down to ${printStopsDecimal(first.floor)} from grey at ISO ${first.iso};`,
        'what lies lower is noise.',
      ),
      figures: best.flatMap(({ iso }) => [`floor.2.${iso}`, `floor.1.${iso}`, `range.2.${iso}`]),
    },
  ];
};

const isos = (numbers: Numbers): readonly Meaning[] => {
  const of = (start: string) => [...numbers.values()].filter(({ id }) => id.startsWith(start));
  const bases = of('base.');
  const avoid = of('avoid.').map(({ value }) => value);
  const lastBase = bases[bases.length - 1];
  return [
    ...(lastBase
      ? [
          {
            id: 'base',
            text: said(
              `A further base begins at ISO ${bases.map(({ value }) => value).join(' and ')}:`,
              'go there rather than just under it.',
            ),
            figures: bases.map(({ id }) => id),
          },
        ]
      : []),
    ...(avoid.length > 0
      ? [
          {
            id: 'avoid',
            text: `Pass by ISO ${Math.max(...avoid)}: a higher one is cleaner in the shadows.`,
            figures: avoid.map((iso) => `avoid.${iso}`),
            minds: true,
          },
        ]
      : []),
  ];
};

const meter = (numbers: Numbers): readonly Meaning[] => {
  const read = [...numbers.values()].filter(({ id }) => id.startsWith('meter.'));
  const card = read.find(({ id }) => id.endsWith('.card'));
  if (!card) return [];
  const figures = read.map(({ id }) => id);
  const off = card.value;
  const values = read.map(({ value }) => value);
  const spread = Math.max(...values) - Math.min(...values);
  const uneven = spread > 2 * TRUSTED;
  const text =
    Math.abs(off) < TRUSTED
      ? 'The camera’s meter can be trusted on a card: 0 is grey.'
      : said(
          `The camera’s meter shows ${printStopsOf(off)} too ${off > 0 ? 'much' : 'little'}:`,
          `at its 0 the card lies at ${printStops(-off)}.`,
        );
  return [
    {
      id: 'meter',
      text: uneven ? `${text} White and black move it: meter on a card.` : text,
      figures,
      minds: Math.abs(off) >= TRUSTED,
    },
  ];
};

const balance = (numbers: Numbers): readonly Meaning[] => {
  const mired = numbers.get('lean.mired');
  const tint = numbers.get('lean.tint');
  const point = numbers.get('tint.point');
  const meant: Meaning[] = [];
  if (mired && tint) {
    const words = [
      ...(Math.abs(mired.value) >= LEANS.mired
        ? [`${Math.abs(mired.value).toFixed(0)} mired too ${mired.value > 0 ? 'warm' : 'cold'}`]
        : []),
      ...(Math.abs(tint.value) >= LEANS.tint
        ? [`${Math.abs(tint.value).toFixed(0)} points too ${tint.value > 0 ? 'green' : 'magenta'}`]
        : []),
    ];
    meant.push({
      id: 'lean',
      text:
        words.length === 0
          ? 'Dial the Kelvin of the light: the body is neutral.'
          : said(
              `The body renders ${words.join(' and ')}:`,
              'Candelum takes it into the Kelvin it tells you to dial.',
            ),
      figures: ['lean.mired', 'lean.tint'],
      minds: words.length > 0,
    });
  }
  if (point && point.value < 0)
    meant.push({
      id: 'tint',
      text: said(
        'Tint to plus turns the picture magenta here,',
        'against the way Candelum reads this menu: turn it the other way.',
      ),
      figures: ['tint.point'],
      minds: true,
    });
  return meant;
};

const zebraMeaning = (numbers: Numbers): readonly Meaning[] => {
  const reads = numbers.get('zebra.lut');
  const follows = numbers.get('zebra.follows');
  if (!reads) return [];
  return [
    {
      id: 'zebra',
      text:
        reads.value > 0
          ? 'The zebra reads the picture through the display assist: set its level with the assist as you will have it.'
          : 'The zebra reads the recording, whatever the display assist shows.',
      figures: ['zebra.off', 'zebra.on'],
    },
    ...(follows
      ? [
          {
            id: 'assist',
            text:
              follows.value > 0
                ? 'The display assist follows the placement: a card placed higher looks as bright as before.'
                : said(
                    'The display assist does not follow the placement:',
                    'what is placed a stop higher looks a stop brighter.',
                    'Do not darken the exposure because of it.',
                  ),
            figures: ['zebra.on', 'zebra.placed'],
            minds: follows.value === 0,
          },
        ]
      : []),
  ];
};

const codes = (numbers: Numbers, told: TestTold): readonly Meaning[] => {
  const warned = told.parts.find(({ id }) => id === 'codes')?.warnings ?? [];
  return warned.map((text, i) => ({
    id: `codes ${i}`,
    text,
    figures: ['codes.depth', 'codes.low', 'codes.high'],
    minds: true,
  }));
};

/** One page in plain words. */
export const meaningOf = (told: TestTold, zebra: ZebraPrint): readonly Meaning[] => {
  const numbers: Numbers = new Map(
    told.parts.flatMap(({ figures }) => figures.map((figure) => [figure.id, figure] as const)),
  );
  const measured = [...numbers.keys()].flatMap((id) =>
    id.startsWith('floor.2.') ? [Number(id.slice(8))] : [],
  );
  return [
    exposing(told, zebra),
    ...range(numbers, measured),
    ...isos(numbers),
    ...zebraMeaning(numbers),
    ...meter(numbers),
    ...balance(numbers),
    ...gamutMeaning(numbers),
    ...processingMeaning(numbers),
    ...lampMeaning(numbers),
    ...codes(numbers, told),
  ];
};
