import type { TonePresetId } from './toneScale.ts';

/** What each tone scale does to the picture. */
export const TONE_SAYS: Readonly<Record<TonePresetId, string>> = {
  plain: 'What the card and the verdicts are counted by',
  soft: 'Less contrast, shadows open',
  firm: 'More contrast',
  guarded: 'Highlights roll off from grey up, so that much light stays told apart',
  even: 'Straight as long as it can be: for measuring by eye',
  deep: 'Shadows held down, the rest as plain',
};
