import type { FromWorker, Jobs, ToWorker } from './protocol.ts';

/** Thrown by `step` when the call was cancelled; the server answers for it. */
class Cancelled extends Error {}

export type JobContext = {
  /** Reports progress, lets messages in, and stops here if the call was cancelled meanwhile. */
  readonly step: (phase: string, fraction: number) => Promise<void>;
};

export type Served<T> = { readonly output: T; readonly transfer?: readonly ArrayBufferLike[] };

export type Handlers<J extends Jobs> = {
  readonly [K in keyof J]: (input: J[K]['input'], context: JobContext) => Promise<Served<J[K]['output']>>;
};

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

/** Answers calls on a port. One at a time, in order; a cancelled call stops at its next step. */
export const serve = <J extends Jobs>(port: Port, ready: Handlers<J> | Promise<Handlers<J>>): void => {
  const cancelled = new Set<number>();
  let queue: Promise<void> = Promise.resolve();
  const run = async (id: number, job: string, input: unknown) => {
    const context: JobContext = {
      step: async (phase, fraction) => {
        port.postMessage({ kind: 'progress', id, progress: { phase, fraction } }, []);
        await breathe();
        if (cancelled.has(id)) throw new Cancelled();
      },
    };
    try {
      await breathe();
      if (cancelled.has(id)) throw new Cancelled();
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
      cancelled.delete(id);
    }
  };
  port.addEventListener('message', ({ data }) => {
    if (data.kind === 'cancel') cancelled.add(data.id);
    else queue = queue.then(() => run(data.id, data.job, data.input));
  });
};
