import { indexForPlacement, placementOfIndex } from '#core/exposure/iso.ts';
import { setCardNumbers, type SetCardNumbers } from '#core/exposure/setCard.ts';
import { codeToSignal } from '#core/signal/scale.ts';
import { stopsDistribution, type Distribution } from '#core/scopes/distribution.ts';
import type { FrameMeasurement } from '#core/scopes/measureFrame.ts';
import { balancedLight, TINT_STEP } from '#core/colour/lean.ts';
import type { Temperature } from '#core/colour/temperature.ts';
import type { ProfileData } from '#core/profile/index.ts';
import type { BookRecords } from '#store/book.ts';
import type { PlanRecord } from '#store/records/plan.ts';
import { monitorPicture } from '#store/monitorPicture.ts';
import type { Selection } from '#store/selection.ts';

/** The card's numbers for a selection; `draft` stands in for its profile while one is being solved. */
export const cardNumbersOf = (selection: Selection, draft?: ProfileData): SetCardNumbers =>
  setCardNumbers(
    draft ?? selection.profile.data,
    selection.camera,
    selection.plan,
    selection.subjects,
    selection.setup.fps,
    monitorPicture(selection, draft ?? selection.profile.data),
  );

/** The open frame on the ladder: its luma histogram through the profile of the card. */
export const distributionOf = (measurement: FrameMeasurement, numbers: SetCardNumbers): Distribution => {
  const { coding, histogram } = measurement;
  const perLevel = 2 ** coding.bitDepth / histogram.length;
  return stopsDistribution(histogram, (level) =>
    numbers.profile.stopsAt(codeToSignal(level * perLevel, coding)),
  );
};

/** The light that a camera renders neutral as it is dialled; `kelvin` and `tint` where they are turned off the plan. */
export const dialledLight = (
  { plan, camera }: Pick<Selection, 'plan' | 'camera'>,
  { kelvin = plan.kelvin, tint = plan.tint }: { readonly kelvin?: number; readonly tint?: number } = {},
): Temperature => balancedLight({ kelvin, tint }, camera.lean);

/** Colour of the set-up's light: the first of the bag that plays there, else what the card is balanced to. */
export const setupLight = (selection: Selection, { lights }: Pick<BookRecords, 'lights'>): Temperature => {
  const first = lights.get(selection.setup.lightIds[0] ?? '');
  return first ? { kelvin: first.kelvin, duv: TINT_STEP * first.tint } : dialledLight(selection);
};

/**
 * Changes of a plan with what they bring along: where the dial is an exposure index, it and the placement are one
 * decision, so that one follows the other.
 */
export const linkedFields = (
  { camera, plan }: Selection,
  fields: Partial<PlanRecord>,
): Partial<PlanRecord> => {
  if (camera.sensitivity !== 'ei') return fields;
  if (fields.iso !== undefined)
    return { ...fields, placement: placementOfIndex(fields.iso, camera.baseIsos) };
  if (fields.placement === undefined) return fields;
  return { ...fields, iso: indexForPlacement(fields.placement, plan.iso, camera.baseIsos, camera.isos) };
};
