import { failure, success, type Result } from '#core/result.ts';
import type { JudgeJobs } from '#workers/judge/protocol.ts';
import type { LutInfo, LutJobs } from '#workers/luts/protocol.ts';
import type { LutWish } from '#workers/luts/wish.ts';
import type { Client } from '#workers/rpc/client.ts';
import type { Database } from '#store/database.ts';
import type { LutRecord } from '#store/records/lut.ts';

/** A LUT file that was opened in this window. */
export type OpenedLut = LutInfo & { readonly id: string; readonly name: string; readonly text: string };

/** What a text may be at most, bytes: a cube of 129 points. */
const MOST_BYTES = 80_000_000;

/** A LUT of the kit as it is asked of a worker. */
export const wishOf = ({ id, recipe, scale, coding, interpolation }: LutRecord): LutWish =>
  recipe ? { kind: 'recipe', recipe } : { kind: 'kept', id, scale, coding, interpolation };

/** LUT files on both workers that look through them, and the LUT worker, started when it is first needed. */
export const createLutShelf = (
  judge: Client<JudgeJobs>,
  database: Database,
  start: () => Client<LutJobs>,
) => {
  let started: Client<LutJobs> | undefined;
  const brought = new Map<string, Promise<Result<LutInfo>>>();
  let count = 0;
  const client = () => (started ??= start());

  const keep = async (id: string, text: string): Promise<Result<LutInfo>> => {
    const outcome = await client().call('keep', { id, text });
    if (outcome.state !== 'done') return failure('LUT', 'It was not read to its end: open it again.');
    if (outcome.output.ok) await judge.call('keep', { id, text });
    return outcome.output;
  };

  return {
    client,
    /** Opens a file; one that is no LUT changes nothing. */
    open: async (file: File): Promise<Result<OpenedLut>> => {
      if (file.size > MOST_BYTES) return failure('file', 'The file is over 80 MB: export the LUT smaller.');
      count += 1;
      const id = `opened-${count}`;
      const text = await file.text();
      const kept = await keep(id, text);
      return kept.ok ? success({ ...kept.value, id, name: file.name, text }) : kept;
    },
    /** Makes sure that the file of a LUT is on the workers; recipes need none. */
    bring: (lut: Pick<LutRecord, 'id' | 'recipe' | 'name'>): Promise<Result<LutInfo | undefined>> => {
      if (lut.recipe) return Promise.resolve(success(undefined));
      const known = brought.get(lut.id);
      if (known) return known;
      const coming = database
        .rows('lutTexts')
        .get(lut.id)
        .then((row) =>
          row
            ? keep(lut.id, row.text)
            : failure('LUT', `The file of ${lut.name} is no longer in these records: open it again.`),
        );
      brought.set(lut.id, coming);
      // What failed is tried again when it is asked for again.
      void coming.then((result) => result.ok || brought.delete(lut.id));
      return coming;
    },
  };
};

export type LutShelf = ReturnType<typeof createLutShelf>;
