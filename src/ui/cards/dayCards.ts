import { CAUTION_CLOSE, CAUTIONS } from '#core/cautions.ts';
import { printFNumber } from '#core/exposure/aperture.ts';
import { setCardNumbers } from '#core/exposure/setCard.ts';
import { printShutter } from '#core/exposure/shutter.ts';
import type { ZebraSetting } from '#core/exposure/zebra.ts';
import { printStops } from '#core/units.ts';
import { monitorPicture } from '#store/monitorPicture.ts';
import type { BookRecords } from '#store/book.ts';
import { resolveSelection, setupsOf, type Selection } from '#store/selection.ts';
import { meterOn, printMeter } from '#core/exposure/cameraMeter.ts';
import { printKelvin, printNd, printPull, printTint } from '../format.ts';

/** One set-up of one camera, as it stands on paper. */
export type DayCard = {
  readonly id: string;
  readonly place: number;
  readonly name: string;
  /** The levels, large. */
  readonly zebras: readonly (readonly [string, ZebraSetting])[];
  readonly lines: readonly (readonly [string, string])[];
  readonly caution: string;
};

/** Most that stand on one page at arm's length: eight, two to a folded quarter. */
export const CARDS_A_PAGE = 8;

/** A set-up of one camera as it stands on paper. @param place Its number in the order of the day, from 1 */
export const dayCardOf = (selection: Selection, place: number): DayCard => {
  const { setup, plan, camera, profile, subjects } = selection;
  const numbers = setCardNumbers(
    profile.data,
    camera,
    plan,
    subjects,
    setup.fps,
    monitorPicture(selection, profile.data),
  );
  return {
    id: setup.id,
    place,
    name: setup.name,
    zebras: [
      ['Card', numbers.card],
      ...numbers.skin.map(({ subject, zebra }) => [subject.name, zebra] as const),
      ['Warning', numbers.warning],
    ],
    lines: [
      ['Profile', profile.name],
      ['ISO', String(plan.iso)],
      ['White bal.', `${printKelvin(plan.kelvin)}${printTint(plan.tint)}`],
      ['Shutter', printShutter(plan.shutter)],
      ['Iris', printFNumber(plan.iris)],
      ['ND', printNd(plan.ndStops)],
      ['Placement', printStops(plan.placement)],
      ['Meter on card', printMeter(meterOn(camera.meter, 'card', plan.placement), camera.meter)],
      ['Monitor', [selection.monitors[0]?.lut.name, printPull(numbers.pullStops)].filter(Boolean).join(', ')],
    ],
    caution:
      setup.cautions.length === 0
        ? ''
        : `${setup.cautions.map((id) => CAUTIONS[id]).join(' ')} ${CAUTION_CLOSE}`,
  };
};

/** The day of one camera: every set-up it plays in, in order. */
export const dayCards = (records: BookRecords, shootId: string, cameraId: string): DayCard[] =>
  setupsOf(records, shootId).flatMap((setup, i): DayCard[] => {
    if (!setup.cameraIds.includes(cameraId)) return [];
    const selection = resolveSelection(records, { shoot: shootId, setup: setup.id, camera: cameraId });
    return selection ? [dayCardOf(selection, i + 1)] : [];
  });
