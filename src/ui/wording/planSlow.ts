import { said } from '#core/said.ts';
import type { Said } from './said.ts';

/** Labels of slow motion and of lamps that flicker, in Plan. */
export const words = {
  codec: (codec: Said, mbps: Said) => `${codec}, ${mbps} Mb/s`,
  against: (fps: Said) => `Against ${fps} fps`,
  againstSays: 'Bits a pixel left of those at the rate of the set-up',
  light: 'Light, stops',
  lightSays: 'Light that is missing at the same shutter angle',
  noise: 'Noise',
  noiseSays: 'Noise at grey where ISO makes up for the light',
  match: said(
    'To cut with normal speed: the same profile, placement and white balance; the same angle, not the same time.',
    'Fewer bits take fine detail and saturated edges first, then the noise that hides banding.',
  ),
  flicker: 'Lamps at this rate and shutter',
  flickerNote: (fps: Said, shutter: Said, mains: Said) => `${fps} fps, ${shutter}, ${mains} Hz mains`,
  lamp: 'Lamp',
  swing: 'Swing',
  swingSays: 'Of the light, up and down about its mean',
  beats: 'Beats a second',
  beatsSays:
    'How often the level goes up and down; at 0 it stands still, and bands may stand across the picture',
  atMost: (swing: Said) => `up to ${swing}`,
  unknown: 'unknown',
  test: said(
    'Film a white wall under the lamps at this rate and shutter before the take, dimmed as they will be.',
    'Depths are those of usual lamps, from practice.',
  ),
} as const;
