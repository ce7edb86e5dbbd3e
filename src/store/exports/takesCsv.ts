import { printShutter } from '#core/exposure/shutter.ts';
import { doubtAt } from '#core/profile/index.ts';
import { SCALES } from '#core/signal/scale.ts';
import type { TakeRecord } from '../records/take.ts';
import { decimals, percent, rowsCsv, type CsvColumn } from './rowsCsv.ts';

/** Columns of the log, with their units in the heading. A further one is a row. */
const COLUMNS: readonly CsvColumn<TakeRecord>[] = [
  { name: 'set-up', of: ({ card }) => card.setupName },
  { name: 'camera', of: ({ card }) => card.cameraName },
  { name: 'take', of: ({ number }) => number },
  { name: 'circled', of: ({ circled }) => (circled ? 'yes' : 'no') },
  { name: 'logged at (UTC)', of: ({ loggedAt }) => loggedAt },
  { name: 'file', of: ({ measured }) => measured?.file ?? '' },
  { name: 'source', of: ({ measured }) => measured?.source?.container ?? '' },
  { name: 'frame or second', of: ({ measured }) => measured?.source?.at ?? '' },
  {
    name: 'patches (stops, codes R G B)',
    of: ({ measured }) =>
      (measured?.patches ?? [])
        .map(
          ({ name, stops, r, g, b }) =>
            `${name} ${stops.toFixed(2)} (${[r, g, b].map((v) => v.toFixed(1)).join(' ')})`,
        )
        .join('; '),
  },
  { name: 'profile', of: ({ card }) => card.profileName },
  { name: 'raw developed at', of: ({ card }) => card.raw ?? '' },
  { name: 'placement (stops)', of: ({ card }) => decimals(card.placement, 3) },
  { name: 'card found (stops)', of: ({ measured }) => decimals(measured?.cardStops, 3) },
  {
    name: 'curve uncertain at the card (stops, 95 %)',
    of: ({ measured, card }) =>
      decimals(doubtAt(card.profile.band, measured?.cardStops ?? card.placement)?.stops, 3),
  },
  { name: 'off the plan (stops)', of: ({ measured }) => decimals(measured?.cardOffset, 3) },
  // What a gain in linear light undoes: found where the card was measured, planned where not.
  {
    name: 'correction in post (stops)',
    of: ({ measured, card }) => decimals(-(measured?.cardStops ?? card.placement) || 0, 3),
  },
  { name: 'ISO', of: ({ card }) => card.iso },
  { name: 'white balance (K)', of: ({ card }) => card.kelvin },
  { name: 'tint', of: ({ card }) => card.tint },
  { name: 'shutter', of: ({ card }) => printShutter(card.shutter) },
  { name: 'fps', of: ({ card }) => card.fps },
  { name: 'iris (f)', of: ({ card }) => card.iris },
  { name: 'ND (stops)', of: ({ card }) => card.ndStops },
  { name: 'other glass', of: ({ card }) => card.glass ?? '' },
  { name: 'zebra scale', of: ({ card }) => (card.zebraScale ? SCALES[card.zebraScale].name : '') },
  { name: 'card zebra', of: ({ card }) => card.cardZebra },
  {
    name: 'skin zebras',
    of: ({ card }) => card.skinZebras.map(({ subject, zebra }) => `${subject} ${zebra}`).join('; '),
  },
  { name: 'warning zebra', of: ({ card }) => card.warningZebra },
  { name: 'monitor pull (stops)', of: ({ card }) => decimals(-card.pullStops || 0, 3) },
  { name: 'monitor LUT', of: ({ card }) => card.monitorLut ?? 'computed' },
  { name: 'all channels clipped (% of picture)', of: ({ measured }) => percent(measured?.clippedAll) },
  { name: 'some channels clipped (% of picture)', of: ({ measured }) => percent(measured?.clippedSome) },
  { name: 'under the floor (% of picture)', of: ({ measured }) => percent(measured?.underFloor) },
  {
    name: 'to watch',
    of: ({ measured }) =>
      (measured?.verdicts ?? [])
        .filter(({ state }) => state !== 'holds')
        .map(({ title, figure }) => `${title} ${figure}`)
        .join('; '),
  },
  { name: 'notes', of: ({ notes }) => notes },
];

/** The log as CSV: what {@link rowsCsv} says of it. */
export const takesCsv = (takes: readonly TakeRecord[]): string => rowsCsv(COLUMNS, takes);
