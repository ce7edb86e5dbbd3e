import { failure, success, type Result } from '#core/result.ts';
import { parseNumber, parseStops, printStops, printStopsDecimal, printStopsExact } from '#core/units.ts';
import type { Selection } from '#store/selection.ts';
import type { BagKind } from './bagKind.ts';
import { words } from '#ui/wording/kitBag.ts';

type SubjectTexts = { readonly offset: string; readonly card: string; readonly face: string };

/** Offset of a face from the card beside it: typed, or from what both read on this profile. */
const offsetOf = (
  texts: SubjectTexts,
  { profile }: Selection,
  signalStops: (percent: number) => number,
): Result<number> => {
  const [card, face] = [texts.card, texts.face].map(parseNumber);
  if (texts.card.trim() !== '' || texts.face.trim() !== '') {
    if (!Number.isFinite(card) || !Number.isFinite(face))
      return failure('card', `Readings: type what card and face read on ${profile.name}, in % of signal.`);
    const apart = signalStops(face) - signalStops(card);
    const far = 'Readings: card and face lie more than four stops apart; read both in the same light.';
    return Math.abs(apart) <= 4 ? success(Math.round(20 * apart) / 20) : failure('face', far);
  }
  const stops = parseStops(texts.offset);
  return stops !== undefined && Math.abs(stops) <= 4
    ? success(stops)
    : failure('offset', 'Offset: type stops from −4 to +4, such as +1.2 or 2/3.');
};

/** @param signalStops stops over grey of a reading in % of signal, on the profile in use */
export const subjects = (signalStops: (percent: number) => number): BagKind<'subjects', SubjectTexts> => ({
  table: 'subjects',
  title: words.subjects,
  one: 'subject',
  says: 'The key side of a face from grey, measured beside the card. No default face is assumed.',
  fields: [
    { id: 'offset', label: words.offsetStops, empty: '', hint: '+1.2' },
    { id: 'card', label: words.orCardReads, empty: '' },
    { id: 'face', label: words.andTheFace, empty: '' },
  ],
  textsOf: ({ skinOffset }) => ({ offset: printStopsExact(skinOffset), card: '', face: '' }),
  make: (texts, selection) => {
    const offset = offsetOf(texts, selection, signalStops);
    return offset.ok ? success({ shootId: selection.setup.shootId, skinOffset: offset.value }) : offset;
  },
  line: ({ id, skinOffset }, { setup, plan }) => {
    const lands = printStopsDecimal(plan.placement + skinOffset);
    const absent = setup.subjectIds.includes(id) ? '' : '; not in this set-up';
    return `${printStopsDecimal(skinOffset)} from grey; at ${printStops(plan.placement)} on ${lands}${absent}`;
  },
  rows: (records, { setup }) =>
    [...records.subjects.values()].filter(({ shootId }) => shootId === setup.shootId),
  added: (id, { setup }) => [
    {
      table: 'setups',
      id: setup.id,
      before: setup,
      after: { ...setup, subjectIds: [...setup.subjectIds, id] },
    },
  ],
  removed: (id, records) =>
    [...records.setups.values()]
      .filter(({ subjectIds }) => subjectIds.includes(id))
      .map((before) => ({
        table: 'setups',
        id: before.id,
        before,
        after: { ...before, subjectIds: before.subjectIds.filter((one) => one !== id) },
      })),
});
