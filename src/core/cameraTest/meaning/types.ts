import type { Figure } from '../tell/types.ts';

export type Meaning = {
  readonly id: string;
  readonly text: string;
  /** Ids of the figures it opens to. */
  readonly figures: readonly string[];
  /** Something to do or to mind, not only to know. */
  readonly minds?: boolean;
};

/** Figures of a test by their ids. */
export type Numbers = ReadonlyMap<string, Figure>;
