import { SEEN_MIRED } from '../colour/balance.ts';
import { CARD_TOLERANCE } from '../exposure/zebraLevels.ts';
import { printStopsLength, toThird } from '../units.ts';
import type { VerdictRule } from './types.ts';
import { movesBy } from './verdictWords.ts';

/** Mean of the picture may move so far before it is more than what moves in it, stops. Our own. */
const MEAN_TOLERANCE = 0.5;

export const clipDrift = {
  id: 'drift',
  name: 'Drift within the clip',
  threshold: `The card within 1/6 stop (without one, the mean within 1/2) and ${SEEN_MIRED} mired from first to last.`,
  judge: ({ drift }) => {
    if (!drift) return undefined;
    const { stops, byCard, mired, worst, frames } = drift;
    const light = stops > (byCard ? CARD_TOLERANCE : MEAN_TOLERANCE);
    const colour = mired !== undefined && mired > SEEN_MIRED;
    const by = byCard ? 'card' : 'mean of the picture';
    const moved = toThird(stops) === 0 ? stops.toFixed(1) : printStopsLength(stops);
    const arithmetic = [
      { label: `${by}, highest less lowest`, value: `${stops.toFixed(2)} stops over ${frames} frames` },
      ...(mired === undefined ? [] : [{ label: 'warmest less coolest', value: `${mired.toFixed(1)} mired` }]),
      { label: 'furthest off the plan', value: `frame ${worst + 1}` },
    ];
    if (!light && !colour)
      return {
        state: 'holds',
        title: 'Holds over the clip',
        figure: `${stops.toFixed(2)} stop`,
        advice: movesBy(by, stops, mired),
        arithmetic,
      };
    return {
      state: colour ? 'lost' : 'watch',
      title: colour ? 'Balance drifts in shot' : 'Exposure drifts in shot',
      figure: colour ? `${mired.toFixed(0)} mired` : `${moved} stop`,
      advice: colour
        ? 'The hardest repair of all: lock the white balance and shoot again.'
        : `The ${by} moves ${moved} stop: automatic iris or ISO, or the light. Worst at frame ${worst + 1}.`,
      arithmetic,
    };
  },
} as const satisfies VerdictRule;
