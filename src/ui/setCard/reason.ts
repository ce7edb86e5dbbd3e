import type { SetCardNumbers } from '#core/exposure/setCard.ts';
import type { Selection } from '#store/selection.ts';

/** Why a cell holds what it holds: one line, and the arithmetic with the values put in. */
export type Reason = {
  readonly why: string;
  readonly lines: readonly { readonly label: string; readonly value: string }[];
};

export type CellInput = {
  readonly selection: Selection;
  readonly numbers: SetCardNumbers;
  /** Name of a profile that is being solved and stands in for the plan's. */
  readonly draftName?: string;
};
