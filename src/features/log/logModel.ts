import { printShutter } from '#core/exposure/shutter.ts';
import { printFNumber } from '#core/exposure/aperture.ts';
import { printStops, printStopsDecimal } from '#core/units.ts';
import { rawTake } from '#store/records/raw.ts';
import type { TakeRecord } from '#store/records/take.ts';
import type { TakeFacts } from '#store/takeFacts.ts';
import { printKelvin, printNd } from '#ui/format.ts';

/** The card of a take in one line, as it was. */
export const cardLine = ({ card }: TakeRecord): string =>
  [
    card.raw === undefined ? card.profileName : rawTake(card.raw),
    `ISO ${card.iso}`,
    printKelvin(card.kelvin),
    printShutter(card.shutter),
    printFNumber(card.iris),
    card.ndStops > 0 ? `ND ${printNd(card.ndStops)}` : 'no ND',
  ].join(' · ');

/** Where in a clip or a feed it was judged; nothing for a still. */
const momentOf = ({ source }: NonNullable<TakeRecord['measured']>): string | undefined => {
  if (source?.at === undefined) return undefined;
  return source.kind === 'clip' ? `frame ${source.at}` : `at ${source.at.toFixed(0)} s`;
};

/** What was found against what was planned. */
export const foundLine = ({ card, measured }: TakeRecord): string =>
  [
    measured?.cardStops === undefined
      ? `plan ${printStops(card.placement)}, card not marked`
      : `plan ${printStops(card.placement)}, found ${printStopsDecimal(measured.cardStops)}`,
    measured && momentOf(measured),
  ]
    .filter(Boolean)
    .join(', ');

/** How many takes there are, and how many of them are shown. */
export const logNote = (
  facts: readonly TakeFacts[],
  shown: readonly TakeFacts[],
  read: { readonly count?: number; readonly isComplete: boolean; readonly isNarrowed: boolean },
): string | undefined => {
  if (!read.count || facts.length === 0) return undefined;
  if (!read.isComplete) return `${facts.length} of ${read.count} read…`;
  if (read.isNarrowed) return `${shown.length} of ${facts.length} shown`;
  return `${facts.length} logged, ${facts.filter(({ circled }) => circled).length} circled`;
};
