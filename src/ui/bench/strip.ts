import { createStore } from 'zustand/vanilla';

/** One picture of a feed, or one frame of a clip, in the numbers that drift. */
export type StripSample = {
  /** Seconds of the feed, or frame of the clip. */
  readonly at: number;
  /** Card over grey, stops; where no card is marked the mean of the picture. */
  readonly stops: number;
  readonly byCard: boolean;
  /** Cast of a neutral, mired: warm +. */
  readonly mired?: number;
  /** Share of the picture in which all channels clip. */
  readonly clipped: number;
};

/** Seconds that are kept. */
export const STRIP_SECONDS = 60;
/** The most pictures of them: a minute at 60 a second. */
const MOST = 60 * STRIP_SECONDS;

/** The last minute of a feed. A store of its own: it grows with every picture. */
export const createStrip = () => {
  const store = createStore<{ readonly samples: readonly StripSample[] }>(() => ({ samples: [] }));
  let kept: StripSample[] = [];
  return Object.assign(store, {
    add: (sample: StripSample) => {
      kept.push(sample);
      const from = kept.findIndex(({ at }) => at > sample.at - STRIP_SECONDS);
      if (from > 0 || kept.length > MOST) kept = kept.slice(Math.max(from, kept.length - MOST));
    },
    /** Shows what was added to those who draw it. */
    tell: () => store.setState({ samples: kept.slice() }),
    clear: () => {
      kept = [];
      store.setState({ samples: [] });
    },
  });
};

export type Strip = ReturnType<typeof createStrip>;
