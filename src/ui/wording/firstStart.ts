import type { Said } from './said.ts';

/** Labels and headings of the first start and the walk. */
export const words = {
  walkRoundTheDemo: 'Walk round the demo',
  leaveTheWalk: 'Leave the walk',
  back: 'Back',
  done: 'Done',
  next: 'Next',
  firstTimeHere: 'First time here',
  firstTimeHereQuestion: 'First time here?',
  whatYouSeeIs: 'What you see is an invented shoot.',
  goOnWithThe: (reached: Said) => `Go on with the walk, stop ${reached}`,
  lookRoundTheDemo: 'Look round the demo',
  eightStopsOverThe: 'Eight stops over the real screens, three minutes',
  setUpMyOwn: 'Set up my own camera',
  aFewQuestionsThen: 'A few questions, then its set card stands above',
  practise: 'Practise',
  practiseSays: 'Drills on a simulated camera, before the first job',
  notNow: 'Not now',
} as const;
