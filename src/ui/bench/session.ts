import { createStore } from 'zustand/vanilla';
import { DEMO_FRAMES, DEMO_SIZE, type DemoFrameId } from '#core/scene/demoFrames.ts';
import { TEST_PICTURES } from '#core/scene/testPictures.ts';
import type { ProfileData } from '#core/profile/index.ts';
import type { SampleReading } from '#core/frame/codes.ts';
import type { Failure } from '#core/result.ts';
import type { Patch } from '#core/scopes/measure.ts';
import type { Range } from '#core/signal/scale.ts';
import type { FrameMeasurement } from '#core/verdict/index.ts';
import type { FrameInfo, JudgeJobs } from '#workers/judge/protocol.ts';
import type { Client } from '#workers/rpc/client.ts';
import type { Progress } from '#workers/rpc/protocol.ts';

/** The frame on the bench; its pixels stay in the worker. */
export type OpenFrame = {
  readonly name: string;
  readonly info: FrameInfo;
  /** Counts openings, so that a new frame of the same name is told from the old one. */
  readonly serial: number;
  readonly demo?: DemoFrameId;
};

export type SessionState = {
  readonly frame?: OpenFrame;
  readonly busy?: Progress & { readonly name: string };
  readonly failure?: Failure & { readonly name: string };
  readonly patches: readonly Patch[];
  readonly measurement?: FrameMeasurement;
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

  const openBytes = (name: string, bytes: () => Promise<ArrayBuffer>, range: Range, demo?: DemoFrameId) =>
    take(
      name,
      async (signal, onProgress) => {
        const buffer = await bytes();
        return judge.call('open', { bytes: buffer, range }, { transfer: [buffer], signal, onProgress });
      },
      (info) => {
        serial += 1;
        return {
          frame: { name, info, serial, demo },
          measurement: undefined,
          patches: demo ? demoPatches(demo) : [],
        };
      },
    );

  return Object.assign(store, {
    judge,
    openFile: (file: File, range: Range) => openBytes(file.name, () => file.arrayBuffer(), range),
    openDemo: (id: DemoFrameId) =>
      openBytes(
        DEMO_FRAMES[id].file,
        async () => {
          const answer = await fetch(`/demo/${DEMO_FRAMES[id].file}`);
          if (!answer.ok) throw new Error(`the demo frame answers ${answer.status}`);
          return answer.arrayBuffer();
        },
        DEMO_FRAMES[id].coding.range,
        id,
      ),
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
    closeFrame: () => store.setState({ frame: undefined, measurement: undefined, patches: [] }),
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

/** A demo frame comes with its card and faces marked. */
export const demoPatches = (id: DemoFrameId): Patch[] => {
  const { width, height } = DEMO_SIZE;
  return TEST_PICTURES[DEMO_FRAMES[id].picture]()
    .patches.filter(({ kind }) => kind === 'card' || kind === 'skin')
    .map(({ id: patchId, kind, rect }) => ({
      id: kind === 'card' ? 'card' : `skin-${patchId}`,
      kind: kind === 'card' ? 'card' : 'skin',
      subjectId: kind === 'skin' ? patchId : undefined,
      rect: {
        x: Math.round((rect.x + rect.width * 0.1) * width),
        y: Math.round((rect.y + rect.height * 0.1) * height),
        width: Math.round(rect.width * 0.8 * width),
        height: Math.round(rect.height * 0.8 * height),
      },
    }));
};
