import { monitorPicture } from '#store/monitorPicture.ts';
import { setCardNumbers } from '#core/exposure/setCard.ts';
import type { ZebraSetting } from '#core/exposure/zebra.ts';
import type { Selection } from '#store/selection.ts';

/** One placement and what it comes to, on this camera with this profile. */
export type PlacementRow = {
  readonly placement: number;
  readonly card: ZebraSetting;
  readonly skin: readonly ZebraSetting[];
  /** Worst rounding of card and skin zebra, in stops. */
  readonly cost: number;
  /** Tones that the camera’s zebra cannot show there, by name. */
  readonly outOfReach: readonly string[];
  readonly roomAbove: number;
  readonly usableBelow: number;
};

const PLACEMENTS = Array.from({ length: 13 }, (_, i) => -1 + i / 3);

const settings = (card: ZebraSetting, skin: readonly { readonly zebra: ZebraSetting }[]) => [
  card,
  ...skin.map(({ zebra }) => zebra),
];

/** What one placement comes to. */
export const placementRow = (selection: Selection, exact: number): PlacementRow => {
  const placement = Math.round(exact * 3) / 3 || 0;
  const numbers = setCardNumbers(
    selection.profile.data,
    selection.camera,
    { ...selection.plan, placement },
    selection.subjects,
    selection.setup.fps,
    monitorPicture(selection, selection.profile.data),
  );
  const all = settings(numbers.card, numbers.skin);
  return {
    placement,
    card: numbers.card,
    skin: numbers.skin.map(({ zebra }) => zebra),
    cost: all.reduce(
      (worst, { costStops }) => (Math.abs(costStops) > Math.abs(worst) ? costStops : worst),
      0,
    ),
    outOfReach: ['card', ...selection.subjects.map(({ name }) => name)].filter(
      (_, i) => all[i].reach !== 'within',
    ),
    roomAbove: numbers.clipStops - placement,
    usableBelow: numbers.floorStops - placement,
  };
};

/** Placements -1 .. +3 by thirds, brightest last. */
export const placementRows = (selection: Selection): PlacementRow[] =>
  PLACEMENTS.map((exact) => placementRow(selection, exact));
