import { dequal } from 'dequal';
import { OF_SPOTS, sceneFiles, standingName, type StageSceneId } from '#store/demo/scenes.ts';
import { failure, success, type Result } from '#core/result.ts';
import type { ClipInput, ExposeInput, JudgeJobs } from '#workers/judge/protocol.ts';
import type { CallOptions, Client } from '#workers/rpc/client.ts';
import type { Knobs, Seen } from '../../stage/stageModel.ts';
import type { Standing } from '../../stage/standing.ts';
import { patchesOfTruth, PLAIN_AUTOMATICS } from '../../stage/stageStart.ts';
import { fetchBytes, wordsOf } from './files.ts';
import type { Moving } from './moving.ts';
import type { Opening } from './opening.ts';
import type { Pulse } from './pulse.ts';
import { createKnobs } from './knobs.ts';
import { CLEARED, withoutPassingNotice, type Access, type StageState, type Tell } from './state.ts';

export type StageParts = {
  readonly judge: Client<JudgeJobs>;
  readonly access: Access;
  readonly opening: Opening;
  readonly moving: Moving;
  readonly pulse: Pulse;
  readonly tell: Tell;
  readonly nextSerial: () => number;
  readonly close: () => void;
};

const NOT_DONE = failure('camera', 'It was stopped: do it again.');

/** Fetches a rendered scene and hands it to the worker. */
export const fetchScene = async (judge: Client<JudgeJobs>, sceneId: StageSceneId, signal: AbortSignal) => {
  const files = sceneFiles(sceneId);
  const [truth, mask, walk, ...light] = await Promise.all([
    fetchBytes(files.truth),
    fetchBytes(files.mask),
    files.walk === undefined ? undefined : fetchBytes(files.walk),
    ...files.light.map(fetchBytes),
  ]);
  const text = new TextDecoder().decode(truth);
  return judge.call('scene', { truth: text, mask, walk, light: light as ArrayBuffer[] }, { signal });
};

const bring = (judge: Client<JudgeJobs>, { id, light }: Standing, signal: AbortSignal) =>
  id === OF_SPOTS ? judge.call('lightOfSpots', light!, { signal }) : fetchScene(judge, id, signal);

/** The same scene before the same set-up; one that is made of readings, of the same readings. */
const isSame = (a: Standing | undefined, b: Standing | undefined): boolean =>
  a?.id === b?.id && a?.setupId === b?.setupId && dequal(a?.light, b?.light);

/** The simulated camera: the scene before it, its knobs, what it does by itself, and what it records. */
export const createStage = ({
  judge,
  access: { get, set },
  opening,
  moving,
  pulse,
  tell,
  nextSerial,
  close,
}: StageParts) => {
  /** What was asked for and has not come: a scene that could not be opened is not tried for ever. */
  let asked: Standing | undefined;

  const knobs = createKnobs({ get, set });

  /** Puts a scene on the stage; the picture comes with the first shot. What was there stays when it does not open. */
  const stand = async (
    standing: Standing,
    /** What is kept of a stage that is set up again. */
    kept: Partial<Pick<StageState, 'turned' | 'auto'>> = {},
    /** Called when the scene is there, before it shows: the choice is kept with it. */
    ready?: () => void,
  ): Promise<void> => {
    asked = standing;
    const name = standingName(standing.id);
    moving.pause();
    const way = opening.begin(name, 'Opening the scene');
    const outcome = await bring(judge, standing, way.signal).catch((error: unknown) => ({
      state: 'failed' as const,
      reason: `The scene could not be opened (${wordsOf(error)}): try again.`,
    }));
    if (way.isOver()) return;
    opening.end();
    if (outcome.state === 'failed') tell(name, failure('scene', outcome.reason));
    if (outcome.state !== 'done') return;
    if (!outcome.output.ok) {
      tell(name, outcome.output);
      return;
    }
    asked = undefined;
    ready?.();
    set(withoutPassingNotice);
    set({
      stage: {
        standing,
        truth: outcome.output.value,
        turned: kept.turned ?? {},
        auto: kept.auto ?? PLAIN_AUTOMATICS,
        running: false,
        shown: 0,
        dropped: 0,
      },
    });
  };

  return {
    /** Puts a scene on the stage, whatever is there; `turned` are knobs away from the card. */
    stand: (standing: Standing, turned?: Partial<Knobs>, ready?: () => void) =>
      stand(standing, { turned }, ready),
    /**
     * What the set-up's camera stands before is on the stage; without it the stage is cleared. A file of the
     * user's stays, unless the stage takes its place. Called whenever the set-up, the camera, what stands there
     * or what is on the bench changes.
     */
    follow: (
      standing: Standing | undefined,
      { overFile = false, turned }: { readonly overFile?: boolean; readonly turned?: Partial<Knobs> } = {},
    ): void => {
      const { frame, stage, busy } = get();
      if (busy) return;
      if (frame && frame.scene === undefined && !overFile) {
        asked = undefined;
        return;
      }
      if (stage && isSame(stage.standing, standing)) return;
      if (!standing) {
        if (frame && !overFile) close();
        return;
      }
      if (isSame(asked, standing)) return;
      void stand(standing, { turned });
    },
    /**
     * One picture through the simulated camera; while it runs only those who draw are told. A setting that is
     * out of range is named; the last picture stays. @returns what the camera saw.
     */
    shoot: async (input: ExposeInput): Promise<Seen | undefined> => {
      const { stage, frame } = get();
      if (!stage) return undefined;
      const outcome = await judge.call('expose', input, { latest: 'expose' });
      const now = get().stage;
      if (outcome.state === 'cancelled' || now?.standing !== stage.standing) return undefined;
      const { id, people } = stage.standing;
      const name = standingName(id);
      const result = outcome.state === 'done' ? outcome.output : failure('camera', outcome.reason);
      if (!result.ok) {
        tell(name, result);
        return undefined;
      }
      const { info, shows, seen } = result.value;
      const same =
        frame?.scene === id && frame.info.width === info.width && frame.info.height === info.height;
      if (same && now.running) {
        await pulse.beat();
        return { shows, seen };
      }
      set(({ patches, failure: told }) => ({
        ...(same ? {} : CLEARED),
        // What was told of this scene is over; of anything else it stays until it is read.
        ...(told?.name === name && !told.isLasting ? { failure: undefined } : {}),
        frame: { name, kind: 'camera', info, serial: nextSerial(), scene: id },
        patches: same ? patches : patchesOfTruth(stage.truth, info, people),
        stage: { ...now, shows, seen, shown: now.shown + 1 },
      }));
      return { shows, seen };
    },
    ...knobs,
    /** A picture for the spot meter; what it shows, stops. */
    readSpot: async (input: ExposeInput): Promise<number | undefined> => {
      const outcome = await judge.call('expose', input);
      return outcome.state === 'done' && outcome.output.ok ? outcome.output.value.shows : undefined;
    },
    /** Some seconds through the camera as a Y4M clip; the live picture stops for it. */
    record: async (input: ClipInput, options: CallOptions): Promise<Result<Uint8Array<ArrayBuffer>>> => {
      knobs.run(false);
      const outcome = await judge.call('clip', input, options);
      if (outcome.state === 'cancelled') return NOT_DONE;
      if (outcome.state === 'failed') return failure('camera', outcome.reason);
      return outcome.output.ok ? success(outcome.output.value.bytes) : outcome.output;
    },
    /** After the worker was replaced: the same scene, knobs as they were. */
    reopen: async (): Promise<void> => {
      const { stage } = get();
      if (!stage) return;
      await stand(stage.standing, stage);
    },
  };
};
