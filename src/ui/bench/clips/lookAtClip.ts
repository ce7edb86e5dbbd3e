import { writeSurvey } from '#store/clips.ts';
import type { Database } from '#store/database.ts';
import type { TakeRecord } from '#store/records/take.ts';
import { failureWords } from '#store/words.ts';
import type { Remembered } from '#core/scopes/looks.ts';
import type { CallOptions, Client } from '#workers/rpc/client.ts';
import type { SurveyJobs } from '#workers/survey/protocol.ts';
import type { CardOf } from './cardPairing.ts';
import { surveyed, type SurveyCard } from './clipFound.ts';
import { takeOfClip } from './secondLook.ts';
import { surveyInput } from './surveyInput.ts';

/** A clip that waits for its survey. */
export type Waiting = CardOf & {
  readonly id: string;
  readonly file: File;
  readonly remembered?: readonly Remembered[];
};

type Looked =
  { readonly state: 'done' | 'stopped' } | { readonly state: 'leftOut'; readonly problem: string };

type Parts = {
  readonly database: Database;
  readonly cardOf: (of: CardOf, take?: TakeRecord) => SurveyCard | undefined;
};

/**
 * Surveys one clip and writes what was found: by its take where it has one, with the marks it was last asked to be
 * searched for, else with its take's.
 */
export const createLook = ({ database, cardOf }: Parts) => {
  const lookedFor = new Map<string, readonly Remembered[]>();
  return async (asked: Waiting, client: Client<SurveyJobs>, options: CallOptions): Promise<Looked> => {
    const { id, file } = asked;
    const { take, marks } = await takeOfClip(database, id);
    const card = cardOf(asked, take);
    if (!card || options.signal?.aborted) return { state: 'stopped' };
    if (asked.remembered) lookedFor.set(id, asked.remembered);
    const remembered = lookedFor.get(id) ?? marks;
    const outcome = await client.call('survey', surveyInput(file, card, remembered), options);
    if (outcome.state === 'cancelled') return { state: 'stopped' };
    if (outcome.state === 'failed') return { state: 'leftOut', problem: outcome.reason };
    const { output } = outcome;
    if (!output.ok) return { state: 'leftOut', problem: output.reason };
    try {
      const found = surveyed(output.value, card, remembered !== undefined);
      await writeSurvey(database, id, found, output.value.thumbnails);
      return { state: 'done' };
    } catch (error) {
      return { state: 'leftOut', problem: `What was found could not be written: ${failureWords(error)}.` };
    }
  };
};
