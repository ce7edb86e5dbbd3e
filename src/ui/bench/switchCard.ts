import type { PlanRecord } from '#store/records/plan.ts';
import { switched } from '#store/records/otherCard.ts';
import { words } from '#ui/wording/planTwoCards.ts';

/** Dials in the second card of a plan and puts the first aside; nothing where there is none. */
export const switchCard = (
  plan: PlanRecord,
  editPlan: (label: string, fields: Partial<PlanRecord>) => void,
): void => {
  const fields = switched(plan);
  if (fields) editPlan(words.switchedTo(fields.other.own), fields);
};
