export type { Anchor, CurveSpec, ProfileData, UncertaintyBand } from './types.ts';
export { compileCurve, compileProfile, stopsByCode, type Profile } from './compile.ts';
export { ARCHETYPES, ARCHETYPE_IDS, type ArchetypeId } from './archetypes.ts';
export { ANCHOR_NAMES, readAnchors, type AnchorPoint } from './anchors.ts';
export { profileFromAnchors, type AnchorSolution } from './fromAnchors.ts';
export { solveLog, type LogSolution } from './solveLog.ts';
