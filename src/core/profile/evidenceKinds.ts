import type { CurveEvidence } from './solution.ts';

/** Where evidence comes from, in the order in which its clip is believed; a further source is a row. */
export const EVIDENCE_KINDS = {
  bracket: { name: 'a filmed bracket' },
  anchors: { name: 'printed numbers' },
  table: { name: 'a table' },
  formula: { name: 'a formula' },
  takes: { name: 'takes' },
  card: { name: 'a card reading' },
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
