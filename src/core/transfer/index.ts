import type { TransferDefinition } from './types.ts';
import { acescc } from './acescc.ts';
import { acescct } from './acescct.ts';
import { bt1886 } from './bt1886.ts';
import { bt709 } from './bt709.ts';
import { hlg } from './hlg.ts';
import { linear } from './linear.ts';
import { pq } from './pq.ts';
import { srgb } from './srgb.ts';

/** The open standards, keyed by id. A further one is a file and a row. */
export const TRANSFERS = { linear, bt709, bt1886, srgb, hlg, pq, acescct, acescc } as const satisfies Record<
  string,
  TransferDefinition
>;

export type TransferId = keyof typeof TRANSFERS;

export type { TransferDefinition, TransferFunction } from './types.ts';
export { bt1886For } from './bt1886.ts';
export { HLG_DIFFUSE_WHITE_SIGNAL, hlgOotf, hlgOotfNeutral } from './hlg.ts';
export { logContinuity, logTransfer, tangentLog, type LogCoefficients } from './log.ts';
export { powerContinuity, powerTransfer, type PowerCoefficients } from './power.ts';
export { withLift } from './lift.ts';
export { kneeWidthThrough, withKnee, type Knee } from './knee.ts';
export { DARKEST_ROW, firstNonMonotoneRow, tableTransfer, type TableRow } from './table.ts';
