import { createStore } from 'zustand/vanilla';
import type { ClockReading } from '#core/clips/types.ts';
import {
  clipOfFile,
  clipsOfShoot,
  MOST_CLIPS,
  waitingClip,
  writeSurvey,
  type FileSeen,
} from '#store/clips.ts';
import type { Database } from '#store/database.ts';
import { cameraClockId, type ClipRecord } from '#store/records/clip.ts';
import type { TakeRecord } from '#store/records/take.ts';
import { failureWords } from '#store/words.ts';
import type { Remembered } from '#core/scopes/looks.ts';
import type { Client } from '#workers/rpc/client.ts';
import type { SurveyJobs } from '#workers/survey/protocol.ts';
import { createCardPairing, type CardOf, type OneCamera } from './cardPairing.ts';
import type { SurveyCard } from './clipFound.ts';
import { createLook, type Waiting } from './lookAtClip.ts';
import { createSecondLooks } from './secondLook.ts';
import { takenWords } from './surveyWords.ts';

/** Clips looked at side by side. */
const AT_ONCE = 2;

export type CardSurveyState = {
  /** Clips that wait, in their order. */
  readonly waiting: readonly Waiting[];
  /** Share of each clip that is being looked at, by its id. */
  readonly running: Readonly<Record<string, number>>;
  /** Since the queue was last empty. */
  readonly done: number;
  readonly failed: number;
  /** When the first of them began, ms; undefined while nothing runs. */
  readonly since?: number;
  readonly isPaused: boolean;
  /** Files that were chosen in this window, by the ids of their clips. */
  readonly files: ReadonlyMap<string, File>;
  /** What was left out of what was taken in, in a sentence. */
  readonly note?: string;
  /** How each camera's clock was read last, by shoot and camera. */
  readonly clocks: Readonly<Record<string, readonly ClockReading[]>>;
};

const NOTHING: CardSurveyState = {
  waiting: [],
  running: {},
  done: 0,
  failed: 0,
  isPaused: false,
  files: new Map(),
  clocks: {},
};

type Parts = {
  readonly database: Database;
  readonly start: () => Client<SurveyJobs>;
  /** The card that a clip is measured by, its take's where it has one; undefined where camera or shoot is gone. */
  readonly cardOf: (of: CardOf, take?: TakeRecord) => SurveyCard | undefined;
  readonly newId: () => string;
  readonly now: () => number;
};

/** Endings of files that hold clips. */
const CLIP_NAME = /\.(mov|mp4|m4v|mkv|webm|mxf|avi|mts|m2ts|mpg|mpeg|ts|y4m)$/i;

const seen = ({ name, size, lastModified }: File): FileSeen => ({
  name: name.slice(0, 400),
  bytes: size,
  writtenAt: new Date(lastModified).toISOString(),
});

/** Clips whose files are at hand, to be looked at. */
const withFiles = (
  clips: readonly ClipRecord[],
  files: ReadonlyMap<string, File>,
  how: Pick<Waiting, 'setupId' | 'remembered'>,
): readonly Waiting[] =>
  clips.flatMap(({ id, shootId, cameraId }) => {
    const file = files.get(id);
    return file ? [{ ...how, id, file, shootId, cameraId }] : [];
  });

/** Chosen files against the clips that are known: what is new, what is to be looked at, what was looked at already. */
const sortedOut = (
  chosen: readonly File[],
  known: readonly ClipRecord[],
  {
    of,
    isAsked,
    newId,
  }: { readonly of: CardOf; readonly isAsked: (id: string) => boolean; readonly newId: () => string },
) => {
  const clips = chosen.filter(({ name }) => CLIP_NAME.test(name));
  const fresh: ClipRecord[] = [];
  const [wanted, there]: [Waiting[], Waiting[]] = [[], []];
  let over = 0;
  for (const file of clips) {
    const held = clipOfFile(known, seen(file)) ?? clipOfFile(fresh, seen(file));
    if (!held && known.length + fresh.length >= MOST_CLIPS) {
      over += 1;
      continue;
    }
    const clip = held ?? waitingClip(newId(), of, seen(file));
    if (!held) fresh.push(clip);
    const isThrough = clip.state === 'surveyed' || isAsked(clip.id) || fresh.includes(held as ClipRecord);
    (isThrough ? there : wanted).push({ ...of, id: clip.id, file, cameraId: clip.cameraId });
  }
  const others = chosen.length - clips.length;
  const words = takenWords({ others, there: there.length, over, wanted: wanted.length });
  return { fresh, wanted, there, words };
};

/**
 * Surveys the clips of cameras' cards in the background, two at a time; what is found is written as it comes. The
 * files stay where they are: after a reload the same folder is chosen again, and only what is missing is looked at.
 */
export const createCardSurvey = ({ database, start, cardOf, newId, now }: Parts) => {
  const store = createStore<CardSurveyState>(() => NOTHING);
  const { getState: get, setState: set } = store;
  /** Workers that have nothing to do. */
  let free: Client<SurveyJobs>[] = [];
  const stops = new Map<string, AbortController>();
  const look = createLook({ database, cardOf });
  const secondLooks = createSecondLooks({ database, cardOf, hasFile: (id) => get().files.has(id) });
  const isAsked = (id: string) => id in get().running || get().waiting.some((one) => one.id === id);

  const settle = (id: string, how: 'done' | 'failed' | 'stopped') => {
    stops.delete(id);
    set(({ running: { [id]: _gone, ...running }, done, failed }) => ({
      running,
      done: done + (how === 'done' ? 1 : 0),
      failed: failed + (how === 'failed' ? 1 : 0),
    }));
  };

  const leaveOut = async (id: string, problem: string) => {
    await writeSurvey(database, id, { state: 'leftOut', problem: problem.slice(0, 400) }, []);
    settle(id, 'failed');
  };

  const survey = async (asked: Waiting, client: Client<SurveyJobs>) => {
    const { id } = asked;
    const stop = new AbortController();
    stops.set(id, stop);
    const onProgress = ({ fraction }: { readonly fraction: number }) =>
      set(({ running }) => ({ running: { ...running, [id]: fraction } }));
    const outcome = await look(asked, client, { signal: stop.signal, onProgress });
    if (outcome.state === 'leftOut') await leaveOut(id, outcome.problem);
    else settle(id, outcome.state);
  };

  const queue = (more: readonly Waiting[]) => {
    set(({ waiting }) => ({ waiting: [...waiting, ...more] }));
    go();
  };

  /** Clips that were paired with takes that know more are looked at once more, by those. */
  const lookAgain = async (of: OneCamera): Promise<void> => {
    const free = async () =>
      (await clipsOfShoot(database, of.shootId)).clips.filter(({ id }) => !isAsked(id));
    const wanted = await secondLooks.wanted(of, await free());
    if (wanted.length === 0) return;
    // The set-up is that of its take.
    const more = withFiles(wanted, get().files, { setupId: '' });
    set(({ waiting }) => ({ waiting: [...waiting, ...more] }));
    go();
  };

  const pairing = createCardPairing({ database, start });
  /** Pairs what a camera has; by itself when its clips are through, and when it is asked for. */
  const pair = async (of: OneCamera): Promise<void> => {
    try {
      const clock = await pairing.pair(of);
      if (!clock) return;
      set(({ clocks }) => ({ clocks: { ...clocks, [cameraClockId(of.shootId, of.cameraId)]: clock } }));
      await lookAgain(of);
    } catch (error) {
      set({ note: `Clips and takes could not be paired: ${failureWords(error)}.` });
    }
  };

  const touched = new Map<string, CardOf>();
  /** All that was asked for is through: workers end, for they hold the memory of the largest picture they saw. */
  const rest = () => {
    free.forEach((client) => client.end());
    free = [];
    set({ since: undefined });
    const through = [...touched.values()];
    touched.clear();
    through.forEach((of) => void pair(of));
  };

  const go = (): void => {
    const { waiting, isPaused, running } = get();
    const busy = Object.keys(running).length;
    if (waiting.length === 0 && busy === 0) return rest();
    const [first, ...others] = waiting;
    if (isPaused || !first || busy >= AT_ONCE) return;
    const client = free.pop() ?? start();
    set((before) => ({
      waiting: others,
      running: { ...before.running, [first.id]: 0 },
      ...(before.since === undefined ? { since: now(), done: 0, failed: 0 } : {}),
    }));
    touched.set(cameraClockId(first.shootId, first.cameraId), first);
    void survey(first, client)
      .catch((error: unknown) => leaveOut(first.id, `It could not be surveyed: ${failureWords(error)}.`))
      .catch(() => settle(first.id, 'failed'))
      .finally(() => {
        free.push(client);
        go();
      });
    go();
  };

  return Object.assign(store, {
    /** Takes files in: new ones become clips, known ones that still wait or were left out are looked at again. */
    take: async (chosen: readonly File[], of: CardOf): Promise<void> => {
      const { clips: known } = await clipsOfShoot(database, of.shootId);
      const { fresh, wanted, there, words } = sortedOut(chosen, known, { of, isAsked, newId });
      const files = new Map([
        ...get().files,
        ...[...there, ...wanted].map(({ id, file }) => [id, file] as const),
      ]);
      await database.rows('clips').bulkAdd(fresh);
      set({ note: words, files });
      queue(wanted);
    },
    /** Looks for marks in clips whose files are known here; how many those are is given back. */
    findMarks: (remembered: readonly Remembered[], clips: readonly ClipRecord[], setupId: string): number => {
      const free = clips.filter(({ id }) => !isAsked(id));
      const wanted = withFiles(free, get().files, { setupId, remembered });
      set({ note: undefined });
      queue(wanted);
      return wanted.length;
    },
    pause: () => set({ isPaused: true }),
    goOn: () => {
      set({ isPaused: false });
      go();
    },
    /** Gives up what waits and what runs; the clips stay, and wait. */
    cancel: () => {
      set({ waiting: [], isPaused: false, note: undefined });
      stops.forEach((stop) => stop.abort());
    },
    pair,
  });
};

export type CardSurvey = ReturnType<typeof createCardSurvey>;
