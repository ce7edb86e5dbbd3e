import { compileProfile, type ProfileData } from '#core/profile/index.ts';
import { SCALES, type Coding, type ScaleId } from '#core/signal/scale.ts';
import type { SetCardNumbers } from '#core/exposure/setCard.ts';
import { printStops } from '#core/units.ts';
import { words } from '#ui/wording/ladder.ts';

export const LADDER_RANGE = [-8, 8] as const;

export type Rung = {
  readonly stops: number;
  readonly label: string;
  /** Reading on the camera's zebra scale; undefined above the clip. */
  readonly reading?: string;
};

export type LadderMark = {
  readonly id: string;
  readonly label: string;
  readonly stops: number;
  readonly kind: 'card' | 'skin' | 'white' | 'warning';
};

/** White, 90 % reflectance, over grey. */
const WHITE_STOPS = Math.log2(0.9 / 0.18);

/** A solved clip of 5.99 still reads at +6. */
const CLIP_SLACK = 0.05;

const rungReading = (numbers: SetCardNumbers, scale: ScaleId, coding: Coding, stops: number) =>
  stops > numbers.clipStops + CLIP_SLACK
    ? undefined
    : SCALES[scale].fromSignal(numbers.profile.signalAt(stops), coding).toFixed(0);

/** What another profile reads at a rung, at its own base; undefined above its clip. */
export const comparedReading = (data: ProfileData, scale: ScaleId, coding: Coding, stops: number) =>
  stops > data.clipStops + CLIP_SLACK
    ? undefined
    : SCALES[scale].fromSignal(compileProfile(data).signalAt(stops), coding).toFixed(0);

/** A rung a stop, with what the profile reads there. */
export const ladderRungs = (numbers: SetCardNumbers, scale: ScaleId, coding: Coding): Rung[] =>
  Array.from({ length: LADDER_RANGE[1] - LADDER_RANGE[0] + 1 }, (_, i) => LADDER_RANGE[1] - i).map(
    (stops) => ({
      stops,
      label: printStops(stops),
      reading: rungReading(numbers, scale, coding, stops),
    }),
  );

/** Arrows of the ladder, from the plan: card, each subject's skin, white, warning. */
export const ladderMarks = (
  numbers: SetCardNumbers,
  placement: number,
  warningMargin: number,
): LadderMark[] => [
  { id: 'warning', label: words.warn, stops: numbers.clipStops - warningMargin, kind: 'warning' },
  { id: 'white', label: words.white, stops: placement + WHITE_STOPS, kind: 'white' },
  ...numbers.skin.map(({ subject, stops }): LadderMark => ({
    id: `skin-${subject.id}`,
    label: subject.name,
    stops,
    kind: 'skin',
  })),
  { id: 'card', label: words.card, stops: placement, kind: 'card' },
];

/** Label heights pushed apart so that none covers another; in and out in pixels, same order. */
export const spreadLabels = (wanted: readonly number[], gap: number): number[] => {
  const order = wanted.map((_, i) => i).sort((a, b) => wanted[a] - wanted[b]);
  const placed = [...wanted];
  for (let n = 1; n < order.length; n += 1) {
    const [above, here] = [order[n - 1], order[n]];
    if (placed[here] - placed[above] < gap) placed[here] = placed[above] + gap;
  }
  return placed;
};

/** Placement is held to thirds and to what a plan can mean. */
export const PLACEMENT_RANGE = [-3, 3] as const;
export const nudged = (placement: number, thirds: number): number =>
  Math.min(PLACEMENT_RANGE[1], Math.max(PLACEMENT_RANGE[0], Math.round(placement * 3 + thirds) / 3)) || 0;
