import type { SetCardNumbers } from '#core/exposure/setCard.ts';
import { displayLight, HDR_WHITE } from '#core/lut/loss.ts';
import { outputOf, type OutputId } from '#core/lut/outputs.ts';
import type { LadderMark } from '#ui/ladder/ladderModel.ts';
import { ladderMarks } from '#ui/ladder/ladderModel.ts';
import { words } from '#ui/wording/luts.ts';

export type LandingRow = {
  readonly id: string;
  readonly name: string;
  readonly stops: number;
  /** Signal fractions. */
  readonly in: number;
  readonly out: number;
  /** cd/m2 on an HDR display. */
  readonly light?: number;
};

/** Tones of the card, in the order of light: clip, white, faces, card, grey, floor. */
export const tonesOf = (
  numbers: SetCardNumbers,
  placement: number,
): readonly Pick<LadderMark, 'id' | 'label' | 'stops'>[] => [
  { id: 'clip', label: words.clip, stops: numbers.clipStops },
  ...ladderMarks(numbers, placement, 0)
    .filter(({ kind }) => kind !== 'warning')
    .toSorted((a, b) => b.stops - a.stops),
  { id: 'floor', label: words.floor, stops: numbers.floorStops },
];

/** Where tones of the recording land behind a LUT: in and out, in signal. */
export const landingsOf = (
  numbers: SetCardNumbers,
  placement: number,
  neutral: (signal: number) => number,
  output: OutputId,
): LandingRow[] => {
  const light = displayLight(output);
  return tonesOf(numbers, placement).map(({ id, label, stops }) => {
    const signal = numbers.profile.signalAt(stops);
    const out = neutral(signal);
    return {
      id,
      name: label,
      stops,
      in: signal,
      out,
      ...(outputOf(output).range === 'HDR' ? { light: HDR_WHITE * light([out, out, out])[1] } : {}),
    };
  });
};
