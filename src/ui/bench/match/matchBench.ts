import { createStore } from 'zustand/vanilla';
import { BOARDS, type BoardId } from '#core/match/boards.ts';
import { boardPatches, FIRST_CORNERS, type Corners } from '#core/match/board.ts';
import type { MatchKind } from '#core/match/patches.ts';
import type { ReadingOptions } from '#core/formats/opened.ts';
import { failure, type Result } from '#core/result.ts';
import type { SceneTruth } from '#core/scene/truth.ts';
import { sceneFiles, standingName, type StageSceneId } from '#store/demo/scenes.ts';
import type { ExposeInput, FrameCoding } from '#workers/judge/protocol.ts';
import type { MatchJobs, MatchMark, OpenedSide, Share, Side } from '#workers/match/protocol.ts';
import type { Client } from '#workers/rpc/client.ts';
import type { Outcome } from '#workers/rpc/protocol.ts';
import { fetchBytes, wordsOf } from '../session/files.ts';

/** What lies on one side. */
export type SideOnBench = {
  readonly name: string;
  /** Filmed by the simulated camera, or a file. */
  readonly file?: File;
  readonly coding: FrameCoding;
  readonly clip?: OpenedSide['clip'];
};

export type MatchBenchState = {
  readonly sides: { readonly [S in Side]?: SideOnBench };
  readonly marks: readonly MatchMark[];
  /** Corners of a board on both, while its patches are laid by them. */
  readonly board?: { readonly id: BoardId; readonly corners: { readonly [S in Side]: Corners } };
  /** Whole pictures instead of marks. */
  readonly whole: boolean;
  /** What is being brought. */
  readonly busy?: string;
  readonly problem?: string;
  /** Goes up with every picture that comes. */
  readonly serial: number;
  /** For which scene and cameras both sides were filmed. */
  readonly filmed?: string;
};

const EMPTY: MatchBenchState = { sides: {}, marks: [], whole: false, serial: 0 };

/** An outcome of a worker with what it refuses as a failure. */
const unwrapped = <T>(outcome: Outcome<Result<T>>): Outcome<T> => {
  if (outcome.state !== 'done') return outcome;
  return outcome.output.ok
    ? { state: 'done', output: outcome.output.value }
    : { state: 'failed', reason: outcome.output.reason };
};

const KINDS: Partial<Record<SceneTruth['objects'][number]['kind'], MatchKind>> = {
  card: 'card',
  white: 'white',
  wedge: 'neutral',
  patch: 'colour',
  skin: 'skin',
};

/** What both cameras see alike in a scene of the stage. */
export const marksOfTruth = ({ objects }: SceneTruth): readonly MatchMark[] =>
  objects.flatMap(({ kind, name, rect }) => {
    const is = KINDS[kind];
    return is ? [{ name, kind: is, camera: rect, hero: rect }] : [];
  });

const marksOfBoard = ({ id, corners }: NonNullable<MatchBenchState['board']>): readonly MatchMark[] => {
  const { layout } = BOARDS[id];
  const hero = boardPatches(corners.hero, layout);
  const camera = boardPatches(corners.camera, layout);
  return hero.flatMap(({ name, kind, rect }, i) =>
    camera[i] ? [{ name, kind, hero: rect, camera: camera[i].rect }] : [],
  );
};

/** The names of marks are told apart. */
const freeName = (marks: readonly MatchMark[], wanted: string): string => {
  const taken = new Set(marks.map(({ name }) => name));
  let name = wanted;
  for (let n = 2; taken.has(name); n += 1) name = `${wanted} ${n}`;
  return name;
};

/** What the worker is asked once it has the pictures. */
const asksOf = (worker: () => Client<MatchJobs>) => ({
  solve: async (input: MatchJobs['solve']['input'], signal: AbortSignal) =>
    unwrapped(await worker().call('solve', input, { signal })),
  solvePatches: async (input: MatchJobs['solvePatches']['input'], signal: AbortSignal) =>
    unwrapped(await worker().call('solvePatches', input, { signal })),
  clips: (input: MatchJobs['clips']['input'], signal: AbortSignal) =>
    worker().call('clips', input, { signal }),
  learn: async (input: MatchJobs['learn']['input']) => unwrapped(await worker().call('learn', input)),
  turns: async (input: MatchJobs['turns']['input'], signal: AbortSignal) =>
    unwrapped(await worker().call('turns', input, { signal })),
  preview: async (input: MatchJobs['preview']['input'], signal: AbortSignal) =>
    unwrapped(await worker().call('preview', input, { signal })),
  picture: async (input: MatchJobs['picture']['input'], signal: AbortSignal) =>
    unwrapped(await worker().call('picture', input, { signal })),
});

/** The two pictures of a match, what is marked on them, and the worker that knows them. */
export const createMatchBench = (start: () => Client<MatchJobs>) => {
  const store = createStore<MatchBenchState>(() => EMPTY);
  const { getState: get, setState: set } = store;
  let client: Client<MatchJobs> | undefined;
  const worker = (): Client<MatchJobs> => {
    if (client) return client;
    client = start();
    // Its frames go with it: what it held is said to be gone.
    client.onEnded((problem) => set({ ...EMPTY, problem, serial: get().serial + 1 }));
    return client;
  };
  const came = (next: Partial<MatchBenchState>) =>
    set(({ serial }) => ({ ...next, busy: undefined, problem: undefined, serial: serial + 1 }));
  const told = (problem: string) => set({ busy: undefined, problem });

  return {
    ...store,
    /** A scene of the stage through both cameras; `key` says for what, so that it is not filmed twice. */
    film: async (
      id: StageSceneId,
      sides: { readonly [S in Side]: ExposeInput },
      key: string,
    ): Promise<void> => {
      if (get().filmed === key) return;
      set({ filmed: key, busy: standingName(id), problem: undefined });
      const files = sceneFiles(id);
      const outcome = await Promise.all([
        fetchBytes(files.truth),
        fetchBytes(files.mask),
        files.walk === undefined ? undefined : fetchBytes(files.walk),
        ...files.light.map(fetchBytes),
      ])
        .then(([truth, mask, walk, ...light]) =>
          worker().call(
            'film',
            {
              truth: new TextDecoder().decode(truth),
              mask: mask!,
              walk,
              light: light as ArrayBuffer[],
              sides,
            },
            { latest: 'film' },
          ),
        )
        .catch((error: unknown) => ({
          state: 'failed' as const,
          reason: `The scene could not be opened (${wordsOf(error)}): try again.`,
        }));
      if (get().filmed !== key || outcome.state === 'cancelled') return;
      const found = outcome.state === 'done' ? outcome.output : failure('scene', outcome.reason);
      if (!found.ok) {
        told(found.reason);
        return;
      }
      const { truth, sides: codings } = found.value;
      const name = standingName(id);
      came({
        sides: { camera: { name, coding: codings.camera }, hero: { name, coding: codings.hero } },
        marks: marksOfTruth(truth),
        board: undefined,
        whole: false,
      });
    },
    /** A file on one side; the marks stay where they were. */
    open: async (side: Side, file: File, options: ReadingOptions, at = 0.5): Promise<void> => {
      set({ busy: file.name, problem: undefined });
      const outcome = await worker().call('open', { ...options, side, file, at }, { latest: `open ${side}` });
      if (outcome.state === 'cancelled') return;
      const found = unwrapped(outcome);
      if (found.state === 'failed') told(`${file.name}: ${found.reason}`);
      if (found.state !== 'done') return;
      const { coding, clip } = found.output;
      const before = get().sides;
      // A filmed picture beside a file is none of the same thing.
      const other = side === 'camera' ? 'hero' : 'camera';
      const kept = before[other]?.file ? { [other]: before[other] } : {};
      const isFirst = before[side]?.file?.name !== file.name;
      came({
        sides: { ...kept, [side]: { name: file.name, file, coding, ...(clip ? { clip } : {}) } },
        ...(isFirst ? { filmed: 'files', marks: [], board: undefined } : {}),
      });
    },
    /** Leaves the files and lets the scene of the set-up be filmed again. */
    clear: () => set(({ serial }) => ({ ...EMPTY, serial: serial + 1 })),
    setWhole: (whole: boolean) => set({ whole }),
    /** A new mark, at the same place on both until it is moved. */
    addMark: (wanted: string, kind: MatchKind, place: Share) =>
      set(({ marks }) => ({
        board: undefined,
        whole: false,
        marks: [...marks, { name: freeName(marks, wanted), kind, camera: place, hero: place }],
      })),
    moveMark: (name: string, side: Side, place: Share) =>
      set(({ marks }) => ({
        marks: marks.map((mark) => (mark.name === name ? { ...mark, [side]: place } : mark)),
      })),
    changeMark: (name: string, fields: Partial<Pick<MatchMark, 'kind'>>) =>
      set(({ marks }) => ({
        marks: marks.map((mark) => (mark.name === name ? { ...mark, ...fields } : mark)),
      })),
    removeMark: (name: string) => set(({ marks }) => ({ marks: marks.filter((mark) => mark.name !== name) })),
    clearMarks: () => set({ marks: [], board: undefined }),
    /** Lays the board: its corners are dragged, its patches follow. */
    layBoard: (id: BoardId) => {
      // Another board on the corners that are there, where it is the other that hangs between them.
      const corners = get().board?.corners ?? { camera: FIRST_CORNERS, hero: FIRST_CORNERS };
      const board = { id, corners };
      set({ board, marks: marksOfBoard(board), whole: false });
    },
    moveCorner: (side: Side, corner: number, to: Corners[number]) =>
      set(({ board }) => {
        if (!board) return {};
        const own = board.corners[side].map((point, i) => (i === corner ? to : point)) as unknown as Corners;
        const next = { ...board, corners: { ...board.corners, [side]: own } };
        return { board: next, marks: marksOfBoard(next) };
      }),
    ...asksOf(worker),
  };
};

export type MatchBench = ReturnType<typeof createMatchBench>;
