import { type EvidenceItem } from '#core/profile/index.ts';
import { cardEvidence, PRINTED_SIGMA, takesEvidence, type TakeReading } from '#core/profile/making.ts';
import type { FrameMeasurement } from '#core/scopes/measureFrame.ts';
import { codeToSignal } from '#core/signal/scale.ts';
import { failure, success, type Result } from '#core/result.ts';
import { parseNumber, parseStops, printStops, printStopsDecimal } from '#core/units.ts';

/** Exactness of a card read off a frame, signal fraction: of its codes, not of its light. Our own choice. */
const FRAME_SIGMA = 0.002;

export const takesItem = (readings: readonly TakeReading[], id: string, day: string): EvidenceItem => ({
  id,
  kind: 'takes',
  source: `${readings.length} takes, ${day}`,
  ...takesEvidence(readings, FRAME_SIGMA),
});

/** % of signal of the card that is marked on the frame on the bench; undefined where none is. */
export const cardOnBench = (measurement: FrameMeasurement | undefined): number | undefined => {
  const card = measurement?.patches.find(({ patch }) => patch.kind === 'card');
  return card && measurement && 100 * codeToSignal(card.luma, measurement.coding);
};

/** What a waveform can show, % of signal: legal range with its room under and over. */
const READABLE = [-7, 110] as const;

/** A card's reading as it was typed, or the one sentence that says what is wrong. */
export const readCardReading = (
  stops: string,
  reads: string,
): Result<{ readonly stops: number; readonly percent: number }> => {
  const at = parseStops(stops);
  if (at === undefined) return failure('stops', 'Type where the card was, in stops over grey: +1 or −2 1/3.');
  const percent = parseNumber(reads);
  return percent > READABLE[0] && percent < READABLE[1]
    ? success({ stops: at, percent })
    : failure('reads', `Type what it reads, % of signal from ${READABLE[0]} to ${READABLE[1]}: 43.5.`);
};

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

/** How many readings a source has, and how exactly they were read and placed. */
export const exactness = ({ readings }: EvidenceItem): string => {
  const read = spanOf(
    readings.map(({ sigma }) => 100 * sigma),
    2,
  );
  const place = readings.some(({ series }) => series !== undefined)
    ? 'places told by their scatter'
    : `placed to ±${spanOf(
        readings.map(({ placeSd = 0 }) => placeSd),
        2,
      )} stop`;
  return `${readings.length} ${readings.length === 1 ? 'reading' : 'readings'}, read to ±${read} %, ${place}`;
};

/** Share of the band's variance that a source takes away, %. */
export const weightOf = (withIt: number | undefined, without: number | undefined): string =>
  withIt === undefined
    ? ''
    : without === undefined
      ? '100'
      : Math.max(0, 100 * (1 - (withIt / without) ** 2)).toFixed(0);

/** How far grey lies elsewhere with a source than without it, as the end of a sentence; nothing where it does not. */
export const movesSay = (stops: number | undefined): string =>
  stops === undefined || Math.abs(stops) < 0.02 ? '' : `; moves grey by ${printStopsDecimal(stops, 2)} stop`;
