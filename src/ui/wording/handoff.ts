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
  match: 'Match',
  cameraTo: (camera: Said, hero: Said) => `${camera} to ${hero}:`,
  solvedIn: (lights: Said) => `Solved in light of ${lights}.`,
  noMatchKept: (camera: Said) => `${camera} keeps no match yet: solve one in Match and keep it.`,
  clipCdls: (count: Said) => `CDLs of ${count} clips`,
  noneAccepted: 'No correction of a clip is accepted yet: do it in Match, under Clips.',
  cdlsSay: 'One .ccc, each clip by its name, on the recording’s own codes before any LUT.',
  cdlWithin: (codes: Said, depth: Said) =>
    `Within ${codes} codes of ${depth} bit from 3 stops under grey up.`,
} as const;
