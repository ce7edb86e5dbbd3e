import type { ClockReading } from '#core/clips/types.ts';
import { clipsOfShoot, takesOfCamera, toBePaired, writePairing } from '#store/clips.ts';
import type { Database } from '#store/database.ts';
import { cameraClockId } from '#store/records/clip.ts';
import type { Client } from '#workers/rpc/client.ts';
import type { SurveyJobs } from '#workers/survey/protocol.ts';

/** A camera on a shoot. */
export type OneCamera = { readonly shootId: string; readonly cameraId: string };

/** Whose clips are taken in. */
export type CardOf = OneCamera & {
  /** The set-up whose plan they are measured by until they have a take. */
  readonly setupId: string;
};

/** Pairs the clips of a camera with its takes, beside the page, and writes what was found. */
export const createCardPairing = ({
  database,
  start,
}: {
  readonly database: Database;
  readonly start: () => Client<SurveyJobs>;
}) => {
  let client: Client<SurveyJobs> | undefined;
  return {
    /** @returns how the camera's clock was read; undefined where it was asked for again meanwhile. */
    pair: async ({ shootId, cameraId }: OneCamera): Promise<readonly ClockReading[] | undefined> => {
      const { clips } = await clipsOfShoot(database, shootId);
      const takes = await takesOfCamera(database, shootId, cameraId);
      const own = clips.filter((clip) => clip.cameraId === cameraId);
      const asked = toBePaired(own, takes);
      const clockId = cameraClockId(shootId, cameraId);
      const offset = (await database.rows('cameraClocks').get(clockId))?.offset;
      client ??= start();
      const outcome = await client.call('pair', { ...asked, offset }, { latest: clockId });
      if (outcome.state !== 'done') return undefined;
      await writePairing(database, asked.clips, outcome.output);
      return outcome.output.clock;
    },
  };
};
