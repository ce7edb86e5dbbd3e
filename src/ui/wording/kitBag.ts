import type { Said } from './said.ts';

/** Labels and headings of the bag in Kit. */
export const words = {
  save: 'Save',
  addNamed: (one: Said) => `Add ${one}`,
  leaveAsItWas: 'Leave as it was',
  noneYet: 'None yet.',
  changeNamed: (name: Said) => `Change ${name}`,
  duplicateNamed: (name: Said) => `Duplicate ${name}`,
  duplicate: 'Duplicate',
  takeOutNamed: (name: Said) => `Take ${name} out`,
  name: 'Name',
  commonNamed: (title: Said) => `Common ${title}`,
  outOfTheBag: (name: Said) => `${name} out of the bag`,
  gels: 'Gels',
  lights: 'Lights',
  monitors: 'Monitors',
  shows: 'Shows',
  nd: 'ND',
  kind: 'Kind',
  writtenIn: 'Written in',
  valuesOrLeastAnd: 'Values, or least and most',
  goesOn: 'Goes on',
  subjects: 'Subjects',
  offsetStops: 'offset, stops',
  orCardReads: 'or card reads, %',
  andTheFace: 'and the face, %',
} as const;
