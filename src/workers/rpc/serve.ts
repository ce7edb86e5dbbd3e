import { createLanes } from './lanes.ts';
import type { FromWorker, Jobs, ToWorker } from './protocol.ts';

/** Thrown inside a job that was cancelled; the server answers for it. */
export class Cancelled extends Error {}

export type JobContext = {
  /** Aborted when the call is cancelled. */
  readonly signal: AbortSignal;
  /** Reports progress. */
  readonly tell: (phase: string, fraction: number) => void;
  /**
   * Reports progress, lets messages in and more urgent jobs go first, and stops here if the call was
   * cancelled meanwhile.
   */
  readonly step: (phase: string, fraction: number) => Promise<void>;
  /**
   * Waits for something that is not worked out here (a decoder, a file, a device) while other jobs go on;
   * with `freesLane` those of its own lane too, so that what it found before must be looked at again. Stops
   * if the call was cancelled meanwhile.
   */
  readonly outside: <T>(wait: () => Promise<T>, options?: { readonly freesLane: boolean }) => Promise<T>;
};

export type Served<T> = { readonly output: T; readonly transfer?: readonly ArrayBufferLike[] };

export type Handlers<J extends Jobs> = {
  readonly [K in keyof J]: (input: J[K]['input'], context: JobContext) => Promise<Served<J[K]['output']>>;
};

/** The lane of each job: 0 is the most urgent. */
export type LaneOf<J extends Jobs> = { readonly [K in keyof J]: number };

/** The side of a worker, or of a test's message port. */
export type Port = {
  postMessage: (message: FromWorker, transfer: ArrayBuffer[]) => void;
  addEventListener: (type: 'message', listener: (event: { readonly data: ToWorker }) => void) => void;
};

const breathe = () =>
  new Promise<void>((resolve) => {
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = () => {
      port1.close();
      resolve();
    };
    port2.postMessage(null);
  });

/**
 * Holds a lock for as long as this worker lives: whoever gets it then knows that it has ended. Resolves once
 * it is held.
 */
const holdLock = (lock: string): Promise<void> => {
  const locks = globalThis.navigator?.locks;
  if (!locks) return Promise.resolve();
  return new Promise((held) => {
    const forEver = () => {
      held();
      return new Promise<never>(() => undefined);
    };
    // Without the lock nobody learns of this worker's end; its work goes on all the same.
    locks.request(lock, forEver).catch(() => held());
  });
};

/**
 * Answers calls on a port: jobs of one lane in order, urgent lanes before others; a cancelled call stops at
 * its next step.
 */
export const serve = <J extends Jobs>(
  port: Port,
  ready: Handlers<J> | Promise<Handlers<J>>,
  laneOf?: LaneOf<J>,
): void => {
  /** Calls that wait or run, by id. */
  const going = new Map<number, AbortController>();
  const lanes = createLanes();
  /** No job begins before it can be noticed that this worker ends. */
  let watched = Promise.resolve();

  const run = async (id: number, job: string, input: unknown) => {
    const task = {};
    const lane = laneOf?.[job] ?? 0;
    const mine = new AbortController();
    const { signal } = mine;
    going.set(id, mine);
    const check = () => {
      if (signal.aborted) throw new Cancelled();
    };
    const aborted = new Promise<never>((_resolve, reject) =>
      signal.addEventListener('abort', () => reject(new Cancelled()), { once: true }),
    );
    // Only who waits outside hears of it; nobody else has to.
    aborted.catch(() => undefined);
    const letOthers = async () => {
      await breathe();
      await lanes.yield(task, lane);
      check();
    };
    const tell: JobContext['tell'] = (phase, fraction) =>
      port.postMessage({ kind: 'progress', id, progress: { phase, fraction } }, []);
    const context: JobContext = {
      signal,
      tell,
      step: async (phase, fraction) => {
        tell(phase, fraction);
        await letOthers();
      },
      outside: async (wait, options = { freesLane: false }) => {
        lanes.rest(task, lane, options);
        try {
          return await Promise.race([wait(), aborted]);
        } finally {
          await lanes.yield(task, lane);
          check();
        }
      },
    };
    try {
      await watched;
      await lanes.enter(task, lane);
      await letOthers();
      const handlers = await ready;
      const handler = handlers[job as keyof J];
      if (!handler) throw new TypeError(`no job named ${job}`);
      const { output, transfer } = await handler(input as J[keyof J]['input'], context);
      port.postMessage({ kind: 'done', id, output }, [...(transfer ?? [])] as ArrayBuffer[]);
    } catch (error) {
      if (error instanceof Cancelled) port.postMessage({ kind: 'cancelled', id }, []);
      else
        port.postMessage(
          { kind: 'failed', id, message: error instanceof Error ? error.message : String(error) },
          [],
        );
    } finally {
      going.delete(id);
      lanes.leave(task, lane);
    }
  };
  port.addEventListener('message', ({ data }) => {
    if (data.kind === 'cancel') going.get(data.id)?.abort();
    else if (data.kind === 'hold') {
      const { lock } = data;
      watched = holdLock(lock);
      void watched.then(() => port.postMessage({ kind: 'holds', lock }, []));
    } else void run(data.id, data.job, data.input);
  });
};
