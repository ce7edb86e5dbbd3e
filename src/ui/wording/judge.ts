import type { Said } from './said.ts';

/** Labels and headings of the step Judge, its frame. */
export const words = {
  underTheVerdicts: 'Under the verdicts',
  frameMeter: (shows: Said, change: Said) =>
    `A meter of the whole frame reads ${shows} here: left to it, the camera would expose ${change}.`,
  pulls: (what: Said, share: Said, by: Said) =>
    `Pulled by ${what}: ${share} % of the frame move it by ${by}.`,
  nothingPulls: 'Nothing in the frame pulls it.',
  mute: 'Mute',
  verdict: 'Verdict',
  nothingToJudgeYet: 'Nothing to judge yet',
  unmuteAll: 'Unmute all',
  camera: 'Camera',
  scope: 'Scope',
} as const;
