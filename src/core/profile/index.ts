export type { Anchor, CurveReading, CurveSpec, ProfileData, UncertaintyBand } from './types.ts';
export { compileCurve, compileProfile, stopsByCode, type Profile } from './compile.ts';
export { ARCHETYPES, ARCHETYPE_IDS, type ArchetypeId } from './archetypes.ts';
export { ANCHOR_NAMES, anchorName, PRINTED_SIGMA, readAnchors, type AnchorPoint } from './anchors.ts';
export { profileFromAnchors } from './fromAnchors.ts';
export { profileFromBracket, type BracketReading } from './fromBracket.ts';
export { editsOf, profileWithEdits, type ProfileEdits } from './edits.ts';
export {
  LOG_BASES,
  profileFromFormula,
  type Formula,
  type LogBase,
  type LogFormula,
  type PowerFormula,
} from './fromFormula.ts';
export { guessDirection, profileFromCurve, type CurveMeaning } from './fromCurve.ts';
export { profileFromTable, type TableColumns } from './fromTable.ts';
export { kindOf, type ProfileKind } from './kind.ts';
export { narrowestReading, type Narrowing } from './narrowing.ts';
export type { ProfileSolution } from './solution.ts';
export { solveLog, type LogSolution } from './solveLog.ts';
