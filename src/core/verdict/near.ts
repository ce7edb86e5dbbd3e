import { printStopsDecimal } from '../units.ts';
import { AREA_SHARE } from './clipping.ts';
import type { VerdictRule } from './types.ts';
import { capital, printShare, where } from './wording.ts';

export const nearClip = {
  id: 'near',
  name: 'Near clip',
  threshold: 'Over 0.1 % of the picture with a channel within 1/3 stop under clip.',
  judge: ({ measurement, numbers }) => {
    const { share, region } = measurement.near;
    if (share < AREA_SHARE) return undefined;
    return {
      state: 'watch',
      title: 'Close under clip',
      figure: printShare(share),
      advice: `${capital(where(region, measurement))}: within 1/3 stop. A cloud that parts, and it is gone.`,
      place: region,
      correction: { kind: 'exposure', stops: -1 / 3 },
      arithmetic: [
        { label: 'clip of this profile and ISO', value: `${printStopsDecimal(numbers.clipStops)} stops` },
        { label: 'counted from', value: `${printStopsDecimal(numbers.clipStops - 1 / 3)} stops up to clip` },
        { label: 'pixels in between', value: `${(100 * share).toFixed(2)} %` },
      ],
    };
  },
} as const satisfies VerdictRule;
