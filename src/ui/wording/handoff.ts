import type { Said } from './said.ts';

/** Labels and headings of the step Hand-off. */
export const words = {
  take: 'Take',
  camera: 'Camera',
  planned: 'Planned',
  found: 'Found',
  undoInPost: 'Undo in post',
  theLog: 'The log',
  monitoringLut: 'Monitoring LUT',
  pull: 'Pull',
  setCard: 'Set card',
  setCardForPrint: 'Set card for print',
  cardZebra: 'Card zebra',
  warning: 'Warning',
  codeOfThisCard: 'Code of this card: a phone’s camera reads it as text, without a network',
  noTakeYet: 'no take yet',
  takesOfStopsFrom: (count: Said, name: Said) => `${count} takes of ${name}, stops from grey`,
  toBt1886For: (name: Said) => `${name} to BT.1886, for monitors and post alike`,
  noPull: 'no pull',
  forThePocketA: 'for the pocket, A6',
} as const;
