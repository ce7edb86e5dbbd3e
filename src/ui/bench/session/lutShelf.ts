import { failure, success, type Result } from '#core/result.ts';
import type { JudgeJobs } from '#workers/judge/protocol.ts';
import type { LutInfo, LutJobs } from '#workers/luts/protocol.ts';
import type { LutSpec } from '#workers/luts/lutSpec.ts';
import type { CallOptions, Client } from '#workers/rpc/client.ts';
import type { Outcome } from '#workers/rpc/protocol.ts';
import type { Database } from '#store/database.ts';
import type { LutRecord } from '#store/records/lut.ts';
import type { OpenedLut } from './lutWork.ts';

/** What a text may be at most, bytes: a cube of 129 points. */
const MOST_BYTES = 80_000_000;

/** A LUT of the kit as it is asked of a worker. */
export const lutSpecOf = ({ id, recipe, scale, coding, interpolation }: LutRecord): LutSpec =>
  recipe ? { kind: 'recipe', recipe } : { kind: 'kept', id, scale, coding, interpolation };

type Kept = Promise<Result<LutInfo>>;

/** LUT files on both workers that look through them, and what the LUT worker is asked. */
export const createLutShelf = (judge: Client<JudgeJobs>, client: Client<LutJobs>, database: Database) => {
  /**
   * Texts that the workers have, or are getting. What failed is not kept: it is tried again when it is asked
   * for again.
   */
  const brought = new Map<string, Kept>();
  const texts = new Map<string, string>();
  let count = 0;
  const forget = () => brought.clear();
  client.onEnded(forget);
  judge.onEnded(forget);

  const send = async (id: string, text: string): Kept => {
    const outcome = await client.call('keep', { id, text });
    if (outcome.state === 'cancelled') return failure('LUT', 'It was not read to its end: open it again.');
    if (outcome.state === 'failed') return failure('LUT', outcome.reason);
    if (!outcome.output.ok) return outcome.output;
    const also = await judge.call('keep', { id, text });
    return also.state === 'failed' ? failure('LUT', also.reason) : outcome.output;
  };

  const once = (id: string, job: () => Kept): Kept => {
    const known = brought.get(id);
    if (known) return known;
    const coming = job().catch((error: unknown) =>
      failure(
        'LUT',
        `It could not be read (${error instanceof Error ? error.message : String(error)}): do it again.`,
      ),
    );
    brought.set(id, coming);
    void coming.then((result) => {
      if (!result.ok && brought.get(id) === coming) brought.delete(id);
    });
    return coming;
  };

  const stored = async ({ id, name }: Pick<LutRecord, 'id' | 'name'>): Kept => {
    const text = texts.get(id) ?? (await database.rows('lutTexts').get(id))?.text;
    return text === undefined
      ? failure('LUT', `The file of ${name} is no longer in these records: open it again.`)
      : send(id, text);
  };

  const ask =
    <K extends keyof LutJobs>(job: K) =>
    (input: LutJobs[K]['input'], options?: CallOptions): Promise<Outcome<LutJobs[K]['output']>> =>
      client.call(job, input, options);

  return {
    inspect: ask('inspect'),
    axis: ask('axis'),
    losses: ask('losses'),
    compare: ask('compare'),
    edges: ask('edges'),
    write: ask('write'),
    /** Opens a file; one that is no LUT changes nothing. */
    open: async (file: File): Promise<Result<OpenedLut>> => {
      if (file.size > MOST_BYTES) return failure('file', 'The file is over 80 MB: export the LUT smaller.');
      count += 1;
      const id = `opened-${count}`;
      const text = await file.text();
      const kept = await once(id, () => send(id, text));
      if (!kept.ok) return kept;
      // The one before it is no longer looked at.
      texts.clear();
      texts.set(id, text);
      return success({ ...kept.value, id, name: file.name, text, scale: 'signal', output: 'bt1886' });
    },
    /** Makes sure that the file of a LUT is on the workers; recipes need none. */
    bring: async (lut: Pick<LutRecord, 'id' | 'recipe' | 'name'>): Promise<Result<undefined>> => {
      if (lut.recipe) return success(undefined);
      const kept = await once(lut.id, () => stored(lut));
      return kept.ok ? success(undefined) : kept;
    },
  };
};

export type LutShelf = ReturnType<typeof createLutShelf>;
