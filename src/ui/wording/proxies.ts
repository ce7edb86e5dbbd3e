import type { Said } from './said.ts';

/** What stands on proxies that are made here. */
export const words = {
  proxies: 'Proxies',
  proxiesSay: 'What was seen on set, burned in',
  noFfmpeg: 'ffmpeg is not on this machine: the bundle holds scripts that make proxies where it is.',
  codec: 'How proxies are coded',
  clips: 'Clips that proxies are made of',
  makeNow: 'Make them now',
  stop: 'Stop the proxies',
  progressOf: (clip: Said) => `Proxy of ${clip}`,
  states: { waiting: 'waits', copying: 'is copied to the helper', made: 'made and saved' },
  made: (made: Said, all: Said) =>
    `${made} of ${all} made. Their LUT is burned in: grade from the clips themselves.`,
  strangers: (names: Said) => `No surveyed clip of this shoot by name and length: ${names}.`,
  refuses: (status: Said) => `The helper refuses this clip (${status}): load the page again.`,
  noAnswer: 'The helper does not answer: is Candelum still running? Make it again.',
  stopped: 'It was stopped.',
} as const;
