import { createStore } from 'zustand/vanilla';
import type { PlanRecord } from '#store/records/plan.ts';
import type { Selection } from '#store/selection.ts';

/**
 * A task of practice stands in the place of the set-up: card and ladder show it, and what is changed on them goes to
 * it.
 */
export type Room = {
  readonly selection: Selection;
  /** The selection that comes back afterwards. */
  readonly home: Selection;
  readonly edit: (fields: Partial<PlanRecord>) => void;
};

export const room = createStore<{ readonly room?: Room }>(() => ({}));
