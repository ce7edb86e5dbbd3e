import { createStore } from 'zustand/vanilla';
import { sceneFiles, stageScene, type StageSceneId } from '#core/scene/stage.ts';
import type { SceneTruth } from '#core/scene/truth.ts';
import type { ProfileData } from '#core/profile/index.ts';
import type { Failure, Result } from '#core/result.ts';
import type { Patch } from '#core/scopes/measure.ts';
import type { Range } from '#core/signal/scale.ts';
import type { FrameMeasurement } from '#core/verdict/index.ts';
import type {
  ClipInfo,
  ClipSample,
  ExposeInput,
  FrameInfo,
  JudgeJobs,
  Opened,
  RereadInput,
} from '#workers/judge/protocol.ts';
import type { Client } from '#workers/rpc/client.ts';
import type { Progress } from '#workers/rpc/protocol.ts';
import {
  patchesOfTruth,
  PLAIN_AUTOMATICS,
  type Automatics,
  type AutoValues,
  type Knobs,
  type Seen,
} from '../stage/stageModel.ts';
import { FIRST_WORK, type LutWork } from './lutWork.ts';
import type { OpenedLut } from './lutShelf.ts';
import { createMoving } from './moving.ts';
import { createPulse } from './pulse.ts';
import type { Keyed } from './tracks.ts';

/** The frame on the bench; its pixels stay in the worker. */
export type OpenFrame = {
  readonly name: string;
  readonly kind: 'still' | 'clip' | 'feed' | 'camera';
  readonly info: FrameInfo;
  /** Counts openings, so that a new frame of the same name is told from the old one. */
  readonly serial: number;
  /** The scene it was exposed from by the simulated camera. */
  readonly scene?: StageSceneId;
  readonly clip?: ClipInfo;
};

/** The simulated camera before a scene. */
export type StageState = AutoValues &
  Seen & {
    readonly sceneId: StageSceneId;
    readonly truth: SceneTruth;
    /** Knobs turned away from the card. */
    readonly turned: Partial<Knobs>;
    readonly auto: Automatics;
    readonly running: boolean;
    /** Pictures shown and left out since it runs. */
    readonly shown: number;
    readonly dropped: number;
  };

/** Points of a curve across the ladder: stops, and share of the bar from 0 to 1. */
export type Laid = {
  readonly name: string;
  readonly points: readonly (readonly [stops: number, share: number])[];
};

export type SessionState = {
  readonly frame?: OpenFrame;
  readonly busy?: Progress & { readonly name: string };
  readonly failure?: Failure & { readonly name: string };
  readonly patches: readonly Patch[];
  /** Places of patches at frames of a clip; in between they move evenly. */
  readonly keyed: Keyed;
  readonly measurement?: FrameMeasurement;
  /** What was measured over the open clip. */
  readonly samples?: readonly ClipSample[];
  /** A hero frame held beside the one on the bench. */
  readonly hero?: { readonly name: string; readonly measurement?: FrameMeasurement };
  /** A LUT that was opened for the monitor. */
  readonly opened?: OpenedLut;
  readonly lutWork: LutWork;
  /** A LUT's output over stops, drawn across the ladder. */
  readonly laid?: Laid;
  readonly stage?: StageState;
  /** A profile being solved in Kit: ladder and card show it while it is there. */
  readonly draft?: { readonly name: string; readonly data: ProfileData };
  /** A second profile, drawn beside the one in use on chart and ladder. */
  readonly compared?: { readonly id: string; readonly name: string; readonly data: ProfileData };
};

/** What goes when something new comes onto the bench. */
const CLEARED = { measurement: undefined, samples: undefined, patches: [], keyed: {} } as const;

/** What is on the bench now and not worth a record: the open frame, its patches, the last measurement. */
export const createSession = (judge: Client<JudgeJobs>) => {
  const store = createStore<SessionState>(() => ({ patches: [], keyed: {}, lutWork: FIRST_WORK }));
  const pulse = createPulse();
  let serial = 0;
  let opening: AbortController | undefined;

  const nextSerial = () => {
    serial += 1;
    return serial;
  };
  const fail = (name: string, failure: Failure) =>
    store.setState({ busy: undefined, failure: { ...failure, name } });

  const moving = createMoving(judge, pulse, {
    opened: (frame) => {
      store.setState({
        ...CLEARED,
        stage: undefined,
        busy: undefined,
        failure: undefined,
        frame: { ...frame, serial: nextSerial() },
      });
    },
    reread: (info) => {
      const { frame } = store.getState();
      if (frame) store.setState({ frame: { ...frame, info, serial: nextSerial() } });
    },
    failed: fail,
    waiting: (name, phase) => store.setState({ busy: { name, phase, fraction: 0.2 } }),
  });

  const take = async (
    name: string,
    call: (
      signal: AbortSignal,
      onProgress: (progress: Progress) => void,
    ) => ReturnType<typeof judge.call<'open'>>,
    found: (opened: Opened) => Partial<SessionState>,
  ): Promise<void> => {
    opening?.abort();
    const mine = new AbortController();
    opening = mine;
    const onProgress = (progress: Progress) => {
      if (!mine.signal.aborted) store.setState({ busy: { ...progress, name } });
    };
    onProgress({ phase: 'Reading the file', fraction: 0 });
    try {
      const outcome = await call(mine.signal, onProgress);
      if (outcome.state === 'cancelled') return;
      if (!outcome.output.ok) fail(name, outcome.output);
      else store.setState({ busy: undefined, failure: undefined, ...found(outcome.output.value) });
    } catch (error) {
      const detail = error instanceof Error ? error.message : String(error);
      fail(name, {
        ok: false,
        where: 'file',
        reason: `It could not be opened (${detail}): try again, or export the frame anew.`,
      });
    }
  };

  const openBlob = (name: string, file: () => Promise<Blob>, range: Range) => {
    moving.pause();
    return take(
      name,
      async (signal, onProgress) =>
        judge.call('open', { file: await file(), name, range }, { signal, onProgress }),
      ({ info, clip }) => {
        moving.reset();
        return {
          ...CLEARED,
          stage: undefined,
          frame: { name, kind: clip ? 'clip' : 'still', info, clip, serial: nextSerial() },
        };
      },
    );
  };

  /** Puts a scene on the stage; the picture comes with the first shot. What was there stays when it does not open. */
  const openScene = async (
    sceneId: StageSceneId,
    turned: Partial<Knobs> = {},
    /** Called when the scene is there, before it shows: the set-up is chosen with it. */
    ready?: () => void,
  ): Promise<void> => {
    const { name } = stageScene(sceneId);
    moving.pause();
    opening?.abort();
    const mine = new AbortController();
    opening = mine;
    store.setState({ busy: { phase: 'Opening the scene', fraction: 0, name } });
    try {
      const files = sceneFiles(sceneId);
      const [truth, mask, walk, ...light] = await Promise.all([
        fetchBytes(files.truth),
        fetchBytes(files.mask),
        files.walk === undefined ? undefined : fetchBytes(files.walk),
        ...files.light.map(fetchBytes),
      ]);
      const outcome = await judge.call(
        'scene',
        { truth: new TextDecoder().decode(truth), mask, walk, light: light as ArrayBuffer[] },
        { signal: mine.signal },
      );
      if (outcome.state === 'cancelled' || mine.signal.aborted) return;
      if (!outcome.output.ok) {
        fail(name, outcome.output);
        return;
      }
      ready?.();
      store.setState({
        busy: undefined,
        failure: undefined,
        stage: {
          sceneId,
          truth: outcome.output.value,
          turned,
          auto: PLAIN_AUTOMATICS,
          running: false,
          shown: 0,
          dropped: 0,
        },
      });
    } catch (error) {
      if (mine.signal.aborted) return;
      const reason = error instanceof Error ? error.message : String(error);
      fail(name, {
        ok: false,
        where: 'scene',
        reason: `The scene could not be opened (${reason}): try again.`,
      });
    }
  };

  /**
   * One picture through the simulated camera; while it runs only those who draw are told. A setting that is out of range
   * is named; the last picture stays. @returns what the camera saw.
   */
  const shoot = async (input: ExposeInput): Promise<Seen | undefined> => {
    const { stage, frame } = store.getState();
    if (!stage) return undefined;
    const outcome = await judge.call('expose', input, { latest: 'expose' });
    const now = store.getState().stage;
    if (outcome.state === 'cancelled' || now?.sceneId !== stage.sceneId) return undefined;
    const { name } = stageScene(stage.sceneId);
    if (!outcome.output.ok) {
      fail(name, outcome.output);
      return undefined;
    }
    const { info, shows, seen } = outcome.output.value;
    const same =
      frame?.scene === stage.sceneId && frame.info.width === info.width && frame.info.height === info.height;
    if (same && now.running) {
      await pulse.beat();
      return { shows, seen };
    }
    store.setState(({ patches }) => ({
      ...(same ? {} : CLEARED),
      failure: undefined,
      frame: { name, kind: 'camera', info, serial: nextSerial(), scene: stage.sceneId },
      patches: same ? patches : patchesOfTruth(stage.truth, info),
      stage: { ...now, shows, seen, shown: now.shown + 1 },
    }));
    return { shows, seen };
  };

  /** The same picture, read as another range, sample layout or feed. */
  const reread = (how: RereadInput): Promise<void> => {
    const { frame } = store.getState();
    if (!frame) return Promise.resolve();
    return take(
      frame.name,
      (signal, onProgress) => judge.call('reread', how, { signal, onProgress }),
      ({ info }) => ({
        frame: { ...frame, info, serial: nextSerial() },
        measurement: undefined,
        samples: undefined,
      }),
    );
  };

  return Object.assign(store, {
    judge,
    pulse,
    moving,
    openFile: (file: File, range: Range) => openBlob(file.name, () => Promise.resolve(file), range),
    /** The step wedge that checks the bench itself. */
    openWedge: () =>
      openBlob(
        'step-wedge.png',
        async () => new Blob([(await fetchBytes('/demo/step-wedge.png')) as ArrayBuffer]),
        'legal',
      ),
    openScene,
    setLutWork: (fields: Partial<LutWork>) =>
      store.setState(({ lutWork }) => ({ lutWork: { ...lutWork, ...fields } })),
    setLaid: (laid: Laid | undefined) => store.setState({ laid }),
    setOpened: (opened: OpenedLut) => store.setState({ opened, failure: undefined }),
    shoot,
    /** Changes what the simulated camera is set to or does by itself. */
    setStage: (fields: Partial<Omit<StageState, 'sceneId' | 'truth'>>) =>
      store.setState(({ stage }) => (stage ? { stage: { ...stage, ...fields } } : {})),
    reread,
    cancelOpening: () => {
      opening?.abort();
      store.setState({ busy: undefined });
    },
    /** Takes the frame off the bench. */
    closeFrame: () => {
      moving.reset();
      store.setState({ ...CLEARED, frame: undefined, stage: undefined });
    },
    say: (name: string, result: Result<unknown>) => {
      if (!result.ok) fail(name, result);
    },
    dismissFailure: () => store.setState({ failure: undefined }),
    setPatch: (patch: Patch) =>
      store.setState(({ patches }) => ({ patches: [...patches.filter(({ id }) => id !== patch.id), patch] })),
    removePatch: (id: string) =>
      store.setState(({ patches, keyed }) => {
        const { [id]: _gone, ...rest } = keyed;
        return { patches: patches.filter((p) => p.id !== id), keyed: rest };
      }),
    setDraft: (draft: SessionState['draft']) => store.setState({ draft }),
    setCompared: (compared: SessionState['compared']) => store.setState({ compared }),
  });
};

export type Session = ReturnType<typeof createSession>;

/** Bytes of a file that ships with the app. */
const fetchBytes = async (path: string): Promise<ArrayBuffer> => {
  const answer = await fetch(path);
  if (!answer.ok) throw new Error(`${path} answers ${answer.status}`);
  return answer.arrayBuffer();
};
