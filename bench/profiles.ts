// Random log curves solved from every kind of evidence: what the bands cover, how wide and how exact they are.
import { runTrial, TRIALS } from '#core/profile/fixtures/evidenceTrials.ts';

export const profileFigures = () =>
  TRIALS.map((trial) => ({ trial, figures: runTrial(trial, 300, () => performance.now()) }));
