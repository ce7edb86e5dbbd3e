import type { JudgeJobs } from '#workers/judge/protocol.ts';
import type { CallOptions, Client } from '#workers/rpc/client.ts';
import type { Outcome } from '#workers/rpc/protocol.ts';

/** Questions about the picture on the bench that change nothing. */
export const createLook = (judge: Client<JudgeJobs>) => {
  const ask =
    <K extends keyof JudgeJobs>(job: K) =>
    (input: JudgeJobs[K]['input'], options?: CallOptions): Promise<Outcome<JudgeJobs[K]['output']>> =>
      judge.call(job, input, options);
  return {
    picture: ask('picture'),
    scope: ask('scope'),
    codes: ask('codes'),
    reference: ask('reference'),
    order: ask('order'),
    gradeStart: ask('gradeStart'),
    gradeRead: ask('gradeRead'),
    gradePick: ask('gradePick'),
    gradeStill: ask('gradeStill'),
    gradeLight: ask('gradeLight'),
  };
};
