/** Labels and headings of the step Judge, its frame. */
export const words = {
  underTheVerdicts: 'Under the verdicts',
  mute: 'Mute',
  verdict: 'Verdict',
  nothingToJudgeYet: 'Nothing to judge yet',
  unmuteAll: 'Unmute all',
  camera: 'Camera',
  scope: 'Scope',
} as const;
