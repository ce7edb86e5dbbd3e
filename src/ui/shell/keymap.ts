import { STEPS } from './steps.ts';

const steps = STEPS.map(({ key }) => key);

/** A sign goes by what the key types: it lies elsewhere on other keyboards, with or without Shift and AltGr. */
const sign = (typed: string) => `[Shift]+[Alt]+[Control]+(\\${typed})`;

/** Every key of the app, as it is pressed and shown; what each does stands in ui/help/keyWords.ts. */
export const KEYMAP = {
  step: { presses: steps.map((key) => `Digit${key}`), shown: steps.join(', ') },
  log: { presses: ['KeyL'], shown: 'L' },
  brighter: { presses: [sign(']')], shown: ']' },
  darker: { presses: [sign('[')], shown: '[' },
  undo: { presses: ['$mod+KeyZ'], shown: 'Ctrl Z' },
  redo: { presses: ['$mod+Shift+KeyZ'], shown: 'Ctrl Shift Z' },
  card: { presses: ['KeyK'], shown: 'K' },
  surround: { presses: ['KeyB'], shown: 'B' },
  help: { presses: [sign('?')], shown: '?' },
  open: { presses: ['KeyO'], shown: 'O' },
  view: { presses: ['KeyV'], shown: 'V' },
  contours: { presses: ['KeyC'], shown: 'C' },
  zebra: { presses: ['KeyZ'], shown: 'Z' },
  clips: { presses: ['KeyX'], shown: 'X' },
  play: { presses: ['KeyP'], shown: 'P' },
  back: { presses: ['Comma'], shown: ',' },
  on: { presses: ['Period'], shown: '.' },
  next: { presses: ['KeyN'], shown: 'N' },
  previous: { presses: ['Shift+KeyN'], shown: 'Shift N' },
  circleClip: { presses: ['KeyR'], shown: 'R' },
  noteClip: { presses: ['KeyE'], shown: 'E' },
  hero: { presses: ['KeyH'], shown: 'H' },
  seen: { presses: ['KeyA'], shown: 'A' },
  glass: { presses: ['KeyM'], shown: 'M' },
  ladder: { presses: [], shown: '↑ ↓' },
  patch: { presses: [], shown: '← ↑ → ↓' },
} as const satisfies Record<string, { presses: readonly string[]; shown: string }>;

export type KeyId = keyof typeof KEYMAP;
