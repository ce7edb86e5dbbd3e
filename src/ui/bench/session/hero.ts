import { failure } from '#core/result.ts';
import type { JudgeJobs } from '#workers/judge/protocol.ts';
import type { Client } from '#workers/rpc/client.ts';
import type { Access, MeasureTarget, Tell } from './state.ts';

/**
 * The hero: a picture that the worker keeps beside the one on the bench. Here stands only its number and what
 * was measured.
 */
export const createHero = (judge: Client<JudgeJobs>, { get, set }: Access, tell: Tell) => ({
  /** Keeps the picture on the bench as the hero, with what is measured of it at this moment. */
  hold: async (target: MeasureTarget): Promise<void> => {
    const { frame, patches, keyed } = get();
    if (!frame) return;
    const outcome = await judge.call('hold', { ...target, patches, keyed });
    if (outcome.state === 'failed') tell(frame.name, failure('hero', outcome.reason));
    if (outcome.state === 'done') set({ hero: { ...outcome.output, name: frame.name } });
  },
});
