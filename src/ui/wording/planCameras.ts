import type { Said } from './said.ts';

/** Labels of several cameras side by side, in Plan. */
export const words = {
  title: 'Cameras of this set-up',
  note: (name: Said) => `held against ${name}, the one at hand`,
  setting: 'Setting',
  one: 'One camera plays here: add another to the set-up in Kit, and they stand side by side.',
  allEqual: 'What must be equal is equal.',
  differ: (count: Said, what: Said) => `${count} settings that must be equal differ: ${what}.`,
  differsOne: (what: Said) => `One setting that must be equal differs: ${what}.`,
  forAll: 'One number for all',
  setForAll: (what: Said, value: Said) => `${what} ${value} for all`,
  isForAll: (what: Said) => `${what} is one for all`,
  howBalance: 'The dials may then differ: each has its body’s lean in it.',
  zebra: 'zebra',
  monitor: 'Monitor',
  meter: 'Meter on card',
  mayDiffer: 'What it reads may differ: each zebra, meter and monitor stands for its own profile.',
} as const;
