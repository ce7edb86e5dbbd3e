import {
  bestWay,
  clothOf,
  clothOfLight,
  contrastOf,
  hexOf,
  leavesCast,
  partingOf,
  patternOf,
  shownOnMonitor,
  type Contrast,
  type Parting,
  type PatternState,
  type Shown,
} from '#core/sensor/wardrobe.ts';
import type { SetCardNumbers } from '#core/exposure/setCard.ts';
import type { FrameMeasurement } from '#core/scopes/measureFrame.ts';
import { patchLight } from '#core/verdict/patchStops.ts';
import type { BookRecords } from '#store/book.ts';
import { imagerOf, lensUseOf } from '#store/records/lens.ts';
import { wardrobeOf, type Thing } from '#store/records/wardrobe.ts';
import type { Selection } from '#store/selection.ts';
import { dialledLight, setupLight } from '#ui/bench/benchModel.ts';
import { words } from '#ui/wording/planColours.ts';
import { USUAL_LENS } from '../lensModel.ts';

export type Coloured = { readonly id: string; readonly name: string; readonly shown: Shown };
export type Pair = {
  readonly one: Coloured;
  readonly other: Coloured;
  readonly contrast: Contrast;
  readonly parting: Parting;
};
export type Advice = { readonly thing: Coloured; readonly way: string; readonly gains: number };
export type Patterned = { readonly thing: Thing; readonly photosites: number; readonly state: PatternState };

/** Everything worn against everything behind and against skins; backgrounds against skins. Closest first. */
export const coloursOf = (selection: Selection, records: Pick<BookRecords, 'lights'>) => {
  const { plan, profile, subjects, setup, camera } = selection;
  const { things, leaves } = wardrobeOf(setup);
  const light = setupLight(selection, records);
  const shown = shownOnMonitor({
    profile: profile.data,
    placement: plan.placement,
    light,
    dialled: dialledLight(selection),
  });
  const coloured = things.flatMap((thing) => {
    const cloth = clothOf(thing.hex);
    return cloth ? [{ id: thing.id, name: thing.name, where: thing.where, shown: shown.cloth(cloth) }] : [];
  });
  const skins = subjects.map(({ id, name, skinOffset }) => ({
    id: `skin ${id}`,
    name: words.skinOf(name),
    shown: shown.skin(skinOffset),
  }));
  const worn = coloured.filter(({ where }) => where === 'worn');
  const behind = coloured.filter(({ where }) => where === 'behind');
  const pairs = [
    ...worn.flatMap((one) => [...behind, ...skins].map((other) => ({ one, other }))),
    ...behind.flatMap((one) => skins.map((other) => ({ one, other }))),
  ]
    .map(({ one, other }): Pair => {
      const contrast = contrastOf(one.shown.lab, other.shown.lab);
      return { one, other, contrast, parting: partingOf(contrast) };
    })
    .toSorted((a, b) => a.contrast.deltaE - b.contrast.deltaE);
  const advice = worn.flatMap((thing): Advice[] => {
    const others = [...behind, ...skins].map((other) => other.shown.lab);
    const isClose = pairs.some(({ one, parting }) => one.id === thing.id && parting !== 'parts');
    const best = isClose ? bestWay(thing.shown.lab, others) : undefined;
    return best ? [{ thing, way: best.name, gains: best.gains }] : [];
  });
  const imager = imagerOf(camera);
  const use = lensUseOf(plan) ?? USUAL_LENS;
  const patterns = things.flatMap((thing): Patterned[] =>
    thing.repeat === undefined || !imager ? [] : [{ thing, ...patternOf(use, thing.repeat, imager) }],
  );
  return { coloured, pairs, advice, patterns, leaves, cast: leavesCast(light, leaves) };
};

/** Patches marked neutral in Judge, as things behind. */
export const thingsOfFrame = (
  { plan, profile }: Selection,
  numbers: SetCardNumbers,
  { patches, coding }: FrameMeasurement,
): Thing[] =>
  patches
    .filter(({ patch }) => patch.kind === 'neutral')
    .map((reading, i) => ({
      id: `frame-${reading.patch.id}`,
      name: words.patchName(i + 1),
      where: 'behind',
      hex: hexOf(clothOfLight(patchLight(reading, coding, numbers.profile), profile.data, plan.placement)),
    }));
