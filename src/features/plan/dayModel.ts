import { dequal } from 'dequal';
import type { BookRecords } from '#store/book.ts';
import type { Change } from '#store/edits.ts';
import type { SetupRecord } from '#store/records/setup.ts';
import { setupsOf } from '#store/selection.ts';
import { printHours, sunTurns, whenOf, type Sun, type When } from '#ui/bench/daylight.ts';
import { balanceAgain } from './planWords.ts';

export type ShootDay = { readonly day: number; readonly setups: readonly SetupRecord[] };

/** The days of a shoot in order, each with its set-ups by the hour. */
export const daysOf = (records: BookRecords, shootId: string): ShootDay[] => {
  const setups = setupsOf(records, shootId);
  const last = Math.max(1, ...setups.map((setup) => whenOf(setup).day));
  return Array.from({ length: last }, (_, i) => ({
    day: i + 1,
    setups: setups
      .filter((setup) => whenOf(setup).day === i + 1)
      .sort((a, b) => whenOf(a).hour - whenOf(b).hour || a.order - b.order),
  }));
};

const changesFor = (setups: readonly SetupRecord[], after: readonly SetupRecord[]): Change[] =>
  after.flatMap((next) => {
    const before = setups.find(({ id }) => id === next.id);
    return before && !dequal(before, next)
      ? [{ table: 'setups' as const, id: next.id, before, after: next }]
      : [];
  });

const byTime = (a: SetupRecord, b: SetupRecord) => {
  const [x, y] = [whenOf(a), whenOf(b)];
  return x.day - y.day || x.hour - y.hour || a.order - b.order;
};

/** As far as a shoot's days are counted. */
const LAST_DAY = 99;
/** A set-up moved to another day or hour; the order of work follows the clock. */
export const movedTo = (setups: readonly SetupRecord[], id: string, when: When): Change[] => {
  const hour = Math.min(23.75, Math.max(0, Math.round(when.hour * 4) / 4));
  const day = Math.min(LAST_DAY, Math.max(1, when.day));
  const moved = setups.map((setup) =>
    setup.id === id ? { ...setup, when: { ...setup.when, day, hour } } : setup,
  );
  return changesFor(
    setups,
    moved.toSorted(byTime).map((setup, i) => ({ ...setup, order: i + 1 })),
  );
};

/** Set-ups in a new order: each takes the hour that its new place had. */
export const reordered = (setups: readonly SetupRecord[], ordered: readonly SetupRecord[]): Change[] => {
  const slots = setups.toSorted(byTime).map(whenOf);
  return changesFor(
    setups,
    ordered.map((setup, i) => {
      const { day, hour } = slots[i];
      return { ...setup, order: i + 1, when: { ...setup.when, day, hour } };
    }),
  );
};

/** When to balance again: what the sky does while this set-up is shot, one sentence each. */
export const reminders = (setup: SetupRecord, sun: Sun | undefined): string[] => {
  const said = setup.brief.changing
    ? ['Sun to cloud and back: balance again when it turns, between shots, never within one.']
    : [];
  if (!sun || !setup.brief.outside) return said;
  const turns = sunTurns(setup, sun).map(({ name, hour }) => balanceAgain(name, printHours(hour)));
  return [...said, ...turns];
};
