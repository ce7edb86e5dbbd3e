import type { Change, Edit } from '#store/edits.ts';
import type { LutRecord } from '#store/records/lut.ts';
import { planChange } from '#store/records/plan.ts';
import type { Selection } from '#store/selection.ts';
import { words } from '#ui/wording/luts.ts';

/** Puts a LUT into the kit, with the text of its file where it is one. */
export const keepEdit = (lut: LutRecord, text?: string): Edit => ({
  label: words.keepNamed(lut.name),
  changes: [
    { table: 'luts', id: lut.id, after: lut },
    ...(text === undefined ? [] : [{ table: 'lutTexts', id: lut.id, after: { id: lut.id, text } } as Change]),
  ],
});

/** Puts a LUT on a monitor for this set-up and camera; an empty id takes off what is there. */
export const attachEdit = (
  { plan, setup, camera }: Selection,
  monitorId: string,
  lutId: string,
  first: readonly Change[] = [],
): Edit => {
  const { [monitorId]: _off, ...others } = plan.monitorLuts ?? {};
  const monitorLuts = lutId === '' ? others : { ...others, [monitorId]: lutId };
  return {
    label:
      lutId === '' ? words.computedPictureOnThe(setup.name) : words.lutOnAMonitor(setup.name, camera.name),
    changes: [...first, planChange(plan, { monitorLuts })],
  };
};
