import { printStops, printStopsDecimal } from '../units.ts';
import { distributionQuantile } from '../scopes/distribution.ts';
import type { VerdictRule } from './types.ts';
import { capital, printShare, where } from './wording.ts';
import { areaIsWhite, channelClips } from './verdictWords.ts';

/** Share of the picture from which an area is more than specular points. Our own choice. */
export const AREA_SHARE = 0.001;

const CHANNELS = ['r', 'g', 'b'] as const;
export const CHANNEL_NAMES = { r: 'red', g: 'green', b: 'blue' } as const;

const percents = (clipping: { r: number; g: number; b: number }) =>
  CHANNELS.map((c) => ({
    label: `${CHANNEL_NAMES[c]} at clip`,
    value: `${(100 * clipping[c]).toFixed(2)} % of pixels`,
  }));

export const clipAll = {
  id: 'clip-all',
  name: 'Clipping, all channels',
  threshold: 'Areas over 0.1 % of the picture; points may go.',
  judge: ({ measurement, numbers, distribution }) => {
    const { clipping } = measurement;
    const arithmetic = [
      {
        label: 'clip of this profile and ISO',
        value: `${printStopsDecimal(numbers.clipStops)} stops over grey`,
      },
      ...percents(clipping),
      { label: 'all three at clip', value: `${(100 * clipping.all).toFixed(2)} % of pixels` },
    ];
    const area = clipping.allRegions[0];
    if (clipping.all < AREA_SHARE || !area) {
      const room = numbers.clipStops - distributionQuantile(distribution, 0.9995);
      return {
        state: 'holds',
        title:
          clipping.all > 0
            ? 'Only points clip'
            : clipping.some < AREA_SHARE
              ? 'Nothing clips'
              : 'No white clips',
        figure: printShare(clipping.all),
        advice:
          clipping.all === 0
            ? `The brightest tones leave ${printStops(Math.max(0, room)).replace('+', '')} stops of room.`
            : 'Specular points may go. Leave it.',
        arithmetic,
      };
    }
    return {
      state: 'lost',
      title: 'Area clipped white',
      figure: printShare(clipping.all),
      advice: areaIsWhite(where(area.rect, measurement)),
      place: area.rect,
      arithmetic,
    };
  },
} as const satisfies VerdictRule;

export const clipChannel = {
  id: 'clip-channel',
  name: 'Clipping, single channel',
  threshold: 'One or two channels at clip in over 0.1 % of the picture.',
  judge: ({ measurement }) => {
    const { clipping } = measurement;
    if (clipping.some < AREA_SHARE) return undefined;
    const first = CHANNELS.reduce((a, c) => (clipping[c] > clipping[a] ? c : a));
    const area = clipping.channelRegions[0];
    return {
      state: 'watch',
      title: `${capital(CHANNEL_NAMES[first])} clips first`,
      figure: printShare(clipping.some),
      advice: channelClips(where(area?.rect, measurement)),
      place: area?.rect,
      arithmetic: [
        ...percents(clipping),
        { label: 'one or two, not all', value: `${(100 * clipping.some).toFixed(2)} % of pixels` },
      ],
    };
  },
} as const satisfies VerdictRule;
