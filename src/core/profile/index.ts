// What every screen needs of profiles. The ways into one, with their solver, stand in `making.ts`: they come later.
export type { Anchor, ProfileData, UncertaintyBand } from './types.ts';
export { compileProfile, stopsByCode, type Profile } from './compile.ts';
export { ARCHETYPES, ARCHETYPE_IDS, type ArchetypeId } from './archetypes.ts';
export { doubtAt, doubtSays, TOLD_DOUBT } from './doubt.ts';
export { EVIDENCE_KINDS, type EvidenceItem, type EvidenceKind } from './evidenceKinds.ts';
export { kindOf, type ProfileKind } from './kind.ts';
export type { ProfileSolution } from './solution.ts';
export { profileProblem, soundSolution } from './soundness.ts';
