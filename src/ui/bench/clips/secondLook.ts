import type { Database } from '#store/database.ts';
import type { ClipRecord } from '#store/records/clip.ts';
import type { TakeRecord } from '#store/records/take.ts';
import { takeOf } from '#store/takes.ts';
import { marksOfTakes } from '#store/takeMarks.ts';
import type { CardOf, OneCamera } from './cardPairing.ts';
import type { SurveyCard } from './clipFound.ts';
import type { Remembered } from '#core/scopes/looks.ts';

/** The take of a clip and the marks on its picture; nothing where it has no take. */
export const takeOfClip = async (
  database: Database,
  clipId: string,
): Promise<{ readonly take?: TakeRecord; readonly marks?: readonly Remembered[] }> => {
  const takeId = (await database.rows('clips').get(clipId))?.take?.id;
  const take = takeId === undefined ? undefined : await takeOf(database, takeId);
  return take ? { take, marks: (await marksOfTakes(database, [take.id])).get(take.id) } : {};
};

/**
 * Surveyed clips whose takes say more than they were looked at by: marks that were not looked for, or another profile.
 * @param profileOf id of the profile that a take was shot with; undefined where it is in no kit any more
 */
const toLookAt = async (
  database: Database,
  clips: readonly ClipRecord[],
  profileOf: (take: TakeRecord) => string | undefined,
): Promise<readonly ClipRecord[]> => {
  const paired = clips.filter(({ take, found }) => take?.id !== undefined && found !== undefined);
  const takeIds = [...new Set(paired.flatMap(({ take }) => take?.id ?? []))];
  const marks = await marksOfTakes(database, takeIds);
  const profiles = new Map<string, string | undefined>();
  for (const id of takeIds) {
    const take = await takeOf(database, id);
    if (take) profiles.set(id, profileOf(take));
  }
  return paired.filter(({ take, found }) => {
    const id = take?.id ?? '';
    const profile = profiles.get(id);
    const isOtherwise =
      profile !== undefined && found?.profileId !== undefined && found.profileId !== profile;
    return isOtherwise || (marks.has(id) && found?.marks === undefined);
  });
};

type Parts = {
  readonly database: Database;
  readonly cardOf: (of: CardOf, take: TakeRecord) => SurveyCard | undefined;
  readonly hasFile: (clipId: string) => boolean;
};

/** Which clips are looked at again, each once for each of its takes: none is looked at for ever. */
export const createSecondLooks = ({ database, cardOf, hasFile }: Parts) => {
  const looked = new Set<string>();
  return {
    wanted: async ({ cameraId }: OneCamera, clips: readonly ClipRecord[]): Promise<readonly ClipRecord[]> => {
      const own = clips.filter((clip) => clip.cameraId === cameraId);
      const wanted = await toLookAt(database, own, (take) => cardOf(take, take)?.kit?.setId);
      return wanted.filter(({ id, take }) => {
        const key = `${id} ${take?.id}`;
        const isNew = !looked.has(key) && hasFile(id);
        if (isNew) looked.add(key);
        return isNew;
      });
    },
  };
};
