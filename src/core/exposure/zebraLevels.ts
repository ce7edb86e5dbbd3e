import type { Coding } from '../signal/scale.ts';
import { toneZebra, warningZebra, type ZebraAbility, type ZebraSetting, type ZebraSignal } from './zebra.ts';

/** The tolerance of the card's verdict, and so the width of its zebra, in stops. */
export const CARD_TOLERANCE = 1 / 6;
/** A face is not one tone: the skin zebra takes in this much either side. Our own choice. */
export const SKIN_TOLERANCE = 1 / 3;

/** Patches of a chart that a zebra can be set by as well as by the grey card: reflectance 0.9 and 0.36. */
const PATCHES = [
  { name: 'white patch', offset: Math.log2(0.9 / 0.18), width: CARD_TOLERANCE },
  { name: 'light grey patch', offset: Math.log2(0.36 / 0.18), width: CARD_TOLERANCE },
];
const CARD = { name: 'card', offset: 0, width: CARD_TOLERANCE };

type Tone = { readonly name: string; readonly offset: number; readonly width: number };

/** What the zebras of one set-up lie on. */
export type ZebraTones = {
  /** Of the card, stops over grey in the recording. */
  readonly placement: number;
  readonly faces: readonly { readonly name: string; readonly skinOffset: number }[];
  readonly clipStops: number;
  /** The warning shows from so many stops under the clip. */
  readonly warningMargin: number;
};

export type ZebraLevels = {
  readonly card: ZebraSetting;
  readonly skin: readonly ZebraSetting[];
  readonly warning: ZebraSetting;
};

/** The highest level a camera has, where it warns no more than a stop earlier than was asked. */
const earlier = (warning: ZebraSetting, margin: number): ZebraSetting =>
  warning.reach === 'over' && warning.costStops > -1
    ? {
        ...warning,
        instead: {
          name: `${(margin - warning.costStops).toFixed(1)} under clip`,
          zebra: { ...warning, reach: 'within' },
        },
      }
    : warning;

/**
 * Card, faces and warning as the camera can show them; where one is out of its reach, the first other tone that
 * is not stands with it: the card, a patch of the chart, a face.
 */
export const zebraLevels = (
  { zebra, coding }: { readonly zebra: ZebraAbility; readonly coding: Coding },
  signal: ZebraSignal,
  { placement, faces, clipStops, warningMargin }: ZebraTones,
): ZebraLevels => {
  const warnFrom = clipStops - warningMargin;
  const on = ({ offset, width }: Tone) => toneZebra(zebra, signal, coding, placement + offset, width);
  const skin = faces.map(({ name, skinOffset }) => ({ name, offset: skinOffset, width: SKIN_TOLERANCE }));
  const shown = (tone: Tone): ZebraSetting => {
    const setting = on(tone);
    if (setting.reach === 'within') return setting;
    for (const other of [CARD, ...PATCHES, ...skin]) {
      const found = other === tone ? undefined : on(other);
      // A tone that clips reads alike whatever the exposure.
      const isBelowWarning = placement + other.offset < warnFrom;
      if (found?.reach === 'within' && isBelowWarning)
        return { ...setting, instead: { name: other.name, zebra: found } };
    }
    return setting;
  };
  const warning = warningZebra(zebra, signal, coding, warnFrom);
  return { card: shown(CARD), skin: skin.map(shown), warning: earlier(warning, warningMargin) };
};
