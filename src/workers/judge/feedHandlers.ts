import { success } from '#core/result.ts';
import type { Handlers } from '../rpc/serve.ts';
import { createFeed, ENDED, type Feed } from './feed.ts';
import type { Holder } from './holder.ts';
import type { JudgeJobs } from './protocol.ts';
import type { SourceHolder } from './source.ts';

/** A device's pictures: the first one opens it, each further one takes its place. */
export const feedHandlers = (
  holder: Holder,
  source: SourceHolder,
  now: () => number,
): Pick<Handlers<JudgeJobs>, 'feed' | 'feedNext' | 'feedStop'> => {
  /** A feed whose first picture has not come yet. */
  let coming: Feed | undefined;

  const endComing = async () => {
    const was = coming;
    coming = undefined;
    await was?.stop();
  };

  return {
    feed: async ({ frames, name, range }, { step, outside }) => {
      const feed = createFeed(frames, name, now);
      const before = coming;
      coming = feed;
      try {
        await before?.stop();
        await step('Waiting for the first picture', 0.2);
        await outside(feed.wait, { freesLane: true });
        // A feed that was given up meanwhile has ended.
        const first = await feed.next({ range });
        if (!first.ok) return { output: first };
        const { opened, ...when } = first.value;
        coming = undefined;
        const info = source.open({ kind: 'feed', feed, seconds: when.seconds }, { range }, opened);
        return { output: success({ info, ...when }) };
      } finally {
        if (coming === feed) coming = undefined;
        const here = source.get();
        if (!(here?.kind === 'feed' && here.feed === feed)) await feed.stop();
      }
    },

    feedNext: async (_input, { outside }) => {
      const from = source.get();
      if (from?.kind !== 'feed') return { output: ENDED };
      await outside(from.feed.wait, { freesLane: true });
      const here = source.get();
      if (here?.kind !== 'feed' || here.feed !== from.feed) return { output: ENDED };
      const next = await here.feed.next(here.options, holder.place);
      if (!next.ok) return { output: next };
      const { opened, ...when } = next.value;
      return { output: success({ info: source.next(opened, { seconds: when.seconds }), ...when }) };
    },

    feedStop: async () => {
      await endComing();
      await source.rest();
      return { output: undefined };
    },
  };
};
