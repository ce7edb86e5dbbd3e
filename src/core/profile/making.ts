// Ways into a profile: from numbers, formulae, tables, brackets, and all of them together.
export { ANCHOR_NAMES, PRINTED_SIGMA, readAnchors } from './anchors.ts';
export { profileFromAnchors } from './fromAnchors.ts';
export { profileFromBracket, type BracketReading } from './fromBracket.ts';
export { editsOf, profileWithEdits } from './edits.ts';
export { LOG_BASES, profileFromFormula, type Formula, type LogBase, type LogFormula } from './fromFormula.ts';
export { guessDirection, profileFromCurve, type CurveMeaning } from './fromCurve.ts';
export { profileFromTable, type TableColumns } from './fromTable.ts';
export {
  cardEvidence,
  curveAsEvidence,
  evidenceEffects,
  profileFromEvidence,
  takesAgainstCurve,
  takesEvidence,
  type EvidenceEffect,
  type TakeReading,
} from './evidence.ts';
export { solveCurve } from './solve/solveCurve.ts';
