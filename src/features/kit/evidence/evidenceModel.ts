import {
  cardEvidence,
  PRINTED_SIGMA,
  takesAgainstCurve,
  takesEvidence,
  compileProfile,
  type EvidenceItem,
  type ProfileData,
} from '#core/profile/index.ts';
import { printStops, printStopsDecimal } from '#core/units.ts';
import type { TakeRecord } from '#store/records/take.ts';

/** Exactness of a card read off a frame, signal fraction: of its codes, not of its light. Our own choice. */
const FRAME_SIGMA = 0.002;

/** The cards of takes that were shot on a profile: where they were planned, and what they read. */
export const takeReadings = (takes: readonly TakeRecord[], profileName: string) =>
  takes.flatMap(({ card, measured }) => {
    if (card.profileName !== profileName || measured?.cardStops === undefined) return [];
    // The curve it was read with, as it was: its stops are turned back to signal.
    return [{ stops: card.placement, signal: compileProfile(card.profile).signalAt(measured.cardStops) }];
  });
type Readings = ReturnType<typeof takeReadings>;

/** How many of them the evidence holds already. */
const held = (items: readonly EvidenceItem[]): number =>
  items.filter(({ kind }) => kind === 'takes').reduce((sum, { readings }) => sum + readings.length, 0);

/** What takes say of a curve, in a sentence; undefined where they agree, are few, or were taken in already. */
export const takesSay = (
  readings: Readings,
  items: readonly EvidenceItem[],
  data: ProfileData,
): string | undefined => {
  if (readings.length <= held(items)) return undefined;
  const against = takesAgainstCurve(readings, data);
  if (!against) return undefined;
  const { count, off, explained } = against;
  const side = off < 0 ? 'under' : 'over';
  const size = Math.abs(off).toFixed(2);
  const allowed = explained.toFixed(2);
  return `${count} takes read the card ${size} stop ${side} this curve; its band and the exposing explain ${allowed}.`;
};

export const takesItem = (readings: Readings, id: string, day: string): EvidenceItem => ({
  id,
  kind: 'takes',
  source: `${readings.length} takes, ${day}`,
  ...takesEvidence(readings, FRAME_SIGMA),
});

/** A card read by hand. */
export const cardItem = (stops: number, percent: number, id: string): EvidenceItem => ({
  id,
  kind: 'card',
  source: `card at ${printStops(stops)} reads ${percent} %`,
  ...cardEvidence(stops, percent / 100, PRINTED_SIGMA),
});

const spanOf = (values: readonly number[], digits: number): string => {
  const [low, high] = [Math.min(...values).toFixed(digits), Math.max(...values).toFixed(digits)];
  return low === high ? low : `${low} to ${high}`;
};

/** How exactly the readings of a source were read, % of signal. */
export const readTo = ({ readings }: EvidenceItem): string =>
  spanOf(
    readings.map(({ sigma }) => 100 * sigma),
    2,
  );

/** How exactly their places are known, stops; undefined for a bracket, where it is estimated. */
export const placedTo = ({ readings }: EvidenceItem): string | undefined =>
  readings.some(({ series }) => series !== undefined)
    ? undefined
    : spanOf(
        readings.map(({ placeSd = 0 }) => placeSd),
        2,
      );

/** Share of the band's variance that a source takes away, %. */
export const weightOf = (withIt: number | undefined, without: number | undefined): string =>
  withIt === undefined
    ? ''
    : without === undefined
      ? '100'
      : Math.max(0, 100 * (1 - (withIt / without) ** 2)).toFixed(0);

export const printMove = (stops: number | undefined): string =>
  stops === undefined || Math.abs(stops) < 0.005 ? '0' : printStopsDecimal(stops, 2);
