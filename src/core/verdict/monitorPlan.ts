import { CARD_TOLERANCE } from '../exposure/zebraLevels.ts';
import { printStopsDecimal, toThird } from '../units.ts';
import type { VerdictRule } from './types.ts';
import { screenOnPlan } from './verdictWords.ts';

export const monitorPlan = {
  id: 'monitorPlan',
  name: 'Monitor’s LUT against the plan',
  threshold: 'The pull of the LUT on the monitor within 1/6 stop of the placement.',
  judge: ({ numbers: { monitor, pullStops }, placement }) => {
    if (!monitor) return undefined;
    const off = pullStops - placement;
    if (Math.abs(off) <= CARD_TOLERANCE) return undefined;
    return {
      state: 'watch',
      title: 'LUT with another pull',
      figure: printStopsDecimal(off),
      advice: screenOnPlan(pullStops, placement),
      correction: { kind: 'placement', to: toThird(pullStops) },
      arithmetic: [
        { label: 'pull of the LUT on this profile', value: `${printStopsDecimal(-pullStops, 2)} stops` },
        { label: 'placement', value: `${printStopsDecimal(placement, 2)} stops` },
        { label: 'the planned card on the screen', value: `${printStopsDecimal(-off, 2)} from grey` },
      ],
    };
  },
} as const satisfies VerdictRule;
