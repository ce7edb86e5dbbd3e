import type { CdlChange } from '#core/match/cdlChange.ts';

/** Light under this was not moved, stops. Half a third, as everywhere. */
export const MOVED = 1 / 6;

/** What was changed on the clips of one camera on one set-up. */
export type ReturnedRow = {
  readonly setup: string;
  /** Undefined where its clips have no take. */
  readonly setupId?: string;
  readonly camera: string;
  readonly cameraId: string;
  readonly clips: number;
  /** Median over the clips. */
  readonly change: CdlChange;
  /** Clips that were moved the same way as the median, by a sixth of a stop or more. */
  readonly moved: number;
  /** What the next placement would be, stops; undefined where most clips were left as they were. */
  readonly placement?: number;
};
