import { said } from '#core/said.ts';
import type { Said } from './said.ts';

/** Labels of slow motion and of lamps that flicker, in Plan. */
export const words = {
  codec: (codec: Said, mbps: Said) => `${codec}, ${mbps} Mb/s`,
  pixelBits: (bits: Said, share: Said | undefined) =>
    share === undefined ? `${bits}` : `${bits}, ${share} %`,
  againstSays: (fps: Said) => `And bits of a frame left of those at ${fps} fps, the rate of the set-up`,
  light: 'Light',
  lightSays: 'Light that is missing at the same shutter angle, stops',
  noise: 'Noise',
  noiseSays: 'Noise at grey where ISO makes up for the light',
  fps: 'fps',
  bitsAPixel: 'Bits a pixel',
  slowMotionByThe: (name: Said) => `${name}, slow motion by the frame, not by Mb/s`,
  size: (width: Said, height: Said) =>
    `Of a ${width} × ${height} picture; as fast as the camera’s list reaches.`,
  coding: 'Rounded off',
  codingSays: said(
    'How many times as much the codec rounds off, 6 dB a bit and sample (rate-distortion of a Gaussian source):',
    'fine detail and saturated edges first, then the noise that hides banding. Same kind of codec.',
  ),
  match:
    'To cut with normal speed: the same profile, placement and white balance; the same angle, not the same time.',
  matched: 'Matching both rates, as measured',
  measure: 'What this body loses at a high rate two frames tell: Kit, Picture menu, High frame rate.',
  ramp: (fps: Said, times: Said) =>
    said(
      `Played at normal speed, ${fps} fps leaves each frame 1/${times} of the motion blur:`,
      `blend ${times} frames, or add it.`,
    ),
  flicker: 'Lamps at this rate and shutter',
  flickerNote: (fps: Said, shutter: Said, mains: Said) => `${fps} fps, ${shutter}, ${mains} Hz mains`,
  isHere: (lamp: Said) => `Here: ${lamp}`,
  lamps: 'lamps of the set-up',
  tick: 'Tick the lamps that light this set-up: then the answer stands here and on the checklist.',
  lamp: 'Lamp, ticked where it is here',
  swing: 'Swing',
  swingSays: 'Of the light, up and down about its mean',
  beats: 'Beats',
  beatsSays:
    'How often a second the level goes up and down; at 0 it stands still, and bands may stand across the picture',
  unknown: 'unknown',
  test: said(
    'Film a white wall under the lamps at this rate and shutter before the take, dimmed as they will be.',
    'Depths are those of usual lamps, from practice.',
  ),
} as const;
