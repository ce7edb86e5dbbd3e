import { createStore } from 'zustand/vanilla';
import type { Temperature } from '#core/colour/temperature.ts';
import { castOf } from '#core/verdict/cast.ts';
import { cardReading } from '#core/verdict/index.ts';
import type { SetCardNumbers } from '#core/exposure/setCard.ts';
import { codeToSignal } from '#core/signal/scale.ts';
import type { FrameMeasurement } from '#core/scopes/measureFrame.ts';

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

/** Mean of the picture's luma as stops: of the signal, as a whole-frame meter behind the curve would see it. */
const meanStops = ({ histogram, coding }: FrameMeasurement, { profile }: SetCardNumbers): number => {
  const perLevel = 2 ** coding.bitDepth / histogram.length;
  let [sum, count] = [0, 0];
  histogram.forEach((n, level) => {
    sum += n * level * perLevel;
    count += n;
  });
  return profile.stopsAt(codeToSignal(count > 0 ? sum / count : 0, coding));
};

export const stripSample = (
  at: number,
  measurement: FrameMeasurement,
  numbers: SetCardNumbers,
  /** The light that the camera renders neutral as it is dialled: the cast is counted from it, as the verdict does. */
  light?: Temperature,
): StripSample => {
  const card = cardReading({ measurement, numbers, placement: 0 });
  return {
    at,
    stops: card?.stops ?? meanStops(measurement, numbers),
    byCard: card !== undefined,
    mired: castOf(measurement, numbers, light)?.mired,
    clipped: measurement.clipping.all,
  };
};

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
