import type { CurveEvidence } from './solution.ts';

/** Where evidence comes from; a further source is a row. */
export const EVIDENCE_KINDS = {
  anchors: { name: 'printed numbers' },
  formula: { name: 'a formula' },
  table: { name: 'a table' },
  bracket: { name: 'a filmed bracket' },
  card: { name: 'a card reading' },
  takes: { name: 'takes' },
} as const;
export type EvidenceKind = keyof typeof EVIDENCE_KINDS;

/** Readings of one source, as they are kept on a profile. */
export type EvidenceItem = CurveEvidence & {
  readonly id: string;
  readonly kind: EvidenceKind;
  /** What the user reads: `Printed numbers, 30 Nov`. */
  readonly source: string;
  /** Left out of the curve for now. */
  readonly muted?: boolean;
};
