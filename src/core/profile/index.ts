export type { Anchor, ProfileData, UncertaintyBand } from './types.ts';
export { compileProfile, stopsByCode, type Profile } from './compile.ts';
export { ARCHETYPES, ARCHETYPE_IDS, type ArchetypeId } from './archetypes.ts';
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
  EVIDENCE_KINDS,
  evidenceEffects,
  profileFromEvidence,
  takesAgainstCurve,
  takesEvidence,
  type EvidenceItem,
  type EvidenceKind,
  type TakeReading,
} from './evidence.ts';
export { doubtAt, doubtSays, TOLD_DOUBT } from './doubt.ts';
export { kindOf, type ProfileKind } from './kind.ts';
export type { ProfileSolution } from './solution.ts';
export { solveCurve } from './solve/solveCurve.ts';
export { profileProblem, soundSolution } from './soundness.ts';
