import { createStore } from 'zustand/vanilla';
import { sceneFiles, stageScene, type StageSceneId } from '#core/scene/stage.ts';
import type { SceneTruth } from '#core/scene/truth.ts';
import type { ProfileData } from '#core/profile/index.ts';
import type { SampleReading } from '#core/frame/codes.ts';
import type { Failure } from '#core/result.ts';
import type { Patch } from '#core/scopes/measure.ts';
import type { Range } from '#core/signal/scale.ts';
import type { FrameMeasurement } from '#core/verdict/index.ts';
import type { ExposeInput, FrameInfo, JudgeJobs } from '#workers/judge/protocol.ts';
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

/** The frame on the bench; its pixels stay in the worker. */
export type OpenFrame = {
  readonly name: string;
  readonly info: FrameInfo;
  /** Counts openings, so that a new frame of the same name is told from the old one. */
  readonly serial: number;
  /** The scene it was exposed from by the simulated camera. */
  readonly scene?: StageSceneId;
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

export type SessionState = {
  readonly frame?: OpenFrame;
  readonly busy?: Progress & { readonly name: string };
  readonly failure?: Failure & { readonly name: string };
  readonly patches: readonly Patch[];
  readonly measurement?: FrameMeasurement;
  readonly stage?: StageState;
  /** A profile being solved in Kit: ladder and card show it while it is there. */
  readonly draft?: { readonly name: string; readonly data: ProfileData };
  /** A second profile, drawn beside the one in use on chart and ladder. */
  readonly compared?: { readonly id: string; readonly name: string; readonly data: ProfileData };
};

/** What is on the bench now and not worth a record: the open frame, its patches, the last measurement. */
export const createSession = (judge: Client<JudgeJobs>) => {
  const store = createStore<SessionState>(() => ({ patches: [] }));
  let serial = 0;
  let opening: AbortController | undefined;

  const fail = (name: string, failure: Failure) =>
    store.setState({ busy: undefined, failure: { ...failure, name } });

  const take = async (
    name: string,
    call: (
      signal: AbortSignal,
      onProgress: (progress: Progress) => void,
    ) => ReturnType<typeof judge.call<'open'>>,
    found: (info: FrameInfo) => Partial<SessionState>,
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

  const openBytes = (name: string, bytes: () => Promise<ArrayBuffer>, range: Range) =>
    take(
      name,
      async (signal, onProgress) => {
        const buffer = await bytes();
        return judge.call('open', { bytes: buffer, range }, { transfer: [buffer], signal, onProgress });
      },
      (info) => {
        serial += 1;
        return {
          frame: { name, info, serial },
          measurement: undefined,
          stage: undefined,
          patches: [],
        };
      },
    );

  /** Puts a scene on the stage; the picture comes with the first shot. What was there stays when it does not open. */
  const openScene = async (
    sceneId: StageSceneId,
    turned: Partial<Knobs> = {},
    /** Called when the scene is there, before it shows: the set-up is chosen with it. */
    ready?: () => void,
  ): Promise<void> => {
    const { name } = stageScene(sceneId);
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

  /** One picture through the simulated camera. A setting that is out of range is named; the last picture stays. */
  const shoot = async (input: ExposeInput): Promise<void> => {
    const { stage, frame } = store.getState();
    if (!stage) return;
    const outcome = await judge.call('expose', input, { latest: 'expose' });
    const now = store.getState().stage;
    if (outcome.state === 'cancelled' || now?.sceneId !== stage.sceneId) return;
    const { name } = stageScene(stage.sceneId);
    if (!outcome.output.ok) {
      fail(name, outcome.output);
      return;
    }
    const { info, shows, seen } = outcome.output.value;
    serial += 1;
    const same =
      frame?.scene === stage.sceneId && frame.info.width === info.width && frame.info.height === info.height;
    store.setState(({ patches }) => ({
      failure: undefined,
      frame: { name, info, serial, scene: stage.sceneId },
      patches: same ? patches : patchesOfTruth(stage.truth, info),
      stage: { ...now, shows, seen, shown: now.shown + 1 },
    }));
  };

  return Object.assign(store, {
    judge,
    openFile: (file: File, range: Range) => openBytes(file.name, () => file.arrayBuffer(), range),
    /** The step wedge that checks the bench itself. */
    openWedge: () => openBytes('step-wedge.png', () => fetchBytes('/demo/step-wedge.png'), 'legal'),
    openScene,
    shoot,
    /** Changes what the simulated camera is set to or does by itself. */
    setStage: (fields: Partial<Omit<StageState, 'sceneId' | 'truth'>>) =>
      store.setState(({ stage }) => (stage ? { stage: { ...stage, ...fields } } : {})),
    /** The same file, read as another range or sample layout. */
    reread: (range: Range, reading?: SampleReading) => {
      const { frame } = store.getState();
      if (!frame) return Promise.resolve();
      return take(
        frame.name,
        (signal, onProgress) => judge.call('reread', { range, reading }, { signal, onProgress }),
        (info) => {
          serial += 1;
          return { frame: { ...frame, info, serial }, measurement: undefined };
        },
      );
    },
    cancelOpening: () => {
      opening?.abort();
      store.setState({ busy: undefined });
    },
    /** Takes the frame off the bench. */
    closeFrame: () =>
      store.setState({ frame: undefined, measurement: undefined, stage: undefined, patches: [] }),
    dismissFailure: () => store.setState({ failure: undefined }),
    setPatch: (patch: Patch) =>
      store.setState(({ patches }) => ({ patches: [...patches.filter(({ id }) => id !== patch.id), patch] })),
    removePatch: (id: string) =>
      store.setState(({ patches }) => ({ patches: patches.filter((p) => p.id !== id) })),
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
