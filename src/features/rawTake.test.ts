import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { takesCsv } from '#store/exports/takesCsv.ts';
import { demoBook, demoSelection } from '#store/fixtures/demoBook.ts';
import { TABLES } from '#store/tables.ts';
import { cardNumbersOf } from '#ui/bench/benchModel.ts';
import { takeOf } from '#ui/bench/logTake.ts';
import { cardLine } from './log/logModel.ts';

const selection = demoSelection('bench-interview', 'a-cam');
const { plan, profile } = selection;
const taken = (raw: unknown) => {
  const planned = { ...selection, plan: { ...selection.plan, raw } as typeof selection.plan };
  const source = {
    selection: planned,
    numbers: cardNumbersOf(planned),
    profiles: demoBook().profiles,
    verdicts: [],
  };
  return { ...takeOf(source, new Date('2026-04-14T10:00:00Z'), 'one'), number: 1 };
};
const column = (csv: string, name: string): string | undefined =>
  Papa.parse<Record<string, string>>(csv.trimEnd(), { header: true }).data[0][name];

describe('a take of a plan that records raw', () => {
  const raw = taken({ developTo: profile.id, name: 'as it was called' });

  it('says how it is developed, where the log is read and in the CSV', () => {
    expect(raw.card.raw).toBe(`ISO 800 and ${plan.kelvin} K to wide log`);
    expect(cardLine(raw)).toMatch(/^raw, developed at ISO 800 and \d+ K to wide log · /);
    expect(column(takesCsv([raw]), 'raw developed at')).toBe(raw.card.raw);
    expect(TABLES.takes.safeParse(raw).success).toBe(true);
  });

  it('keeps its profile’s name: by it takes are read against a curve', () => {
    expect(raw.card.profileName).toBe(profile.name);
    expect(column(takesCsv([raw]), 'profile')).toBe(profile.name);
  });

  it('of a log says nothing of raw', () => {
    const log = taken(undefined);
    expect(log.card).not.toHaveProperty('raw');
    expect(cardLine(log)).toMatch(/^wide log · /);
    expect(column(takesCsv([log]), 'raw developed at')).toBe('');
  });
});
