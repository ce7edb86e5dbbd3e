import type { SetCardNumbers } from '#core/exposure/setCard.ts';
import { zebraSignal } from '#core/exposure/setCard.ts';
import type { ZebraAbility, ZebraSetting } from '#core/exposure/zebra.ts';
import { CARD_TOLERANCE } from '#core/exposure/zebraLevels.ts';
import { zebraBand, type CodeBand } from '#core/scopes/zebra.ts';
import { maxCode, SCALES, signalToCode, type Coding } from '#core/signal/scale.ts';

const NO_CODE: CodeBand = { from: 1, to: 0 };

/**
 * The codes of a frame that this camera's own zebra would stripe, after its rounding and on the signal it reads.
 * A zebra behind the display LUT is followed back through the LUT along the neutral axis. Where the camera has no
 * such level, the tone it can show instead, or nothing.
 */
export const cardBands = (
  numbers: SetCardNumbers,
  ability: ZebraAbility,
  camera: Coding,
  frame: Coding,
): {
  readonly ranges: readonly CodeBand[];
  readonly skin: readonly CodeBand[];
  readonly warning: CodeBand;
} => {
  const seen = zebraSignal(numbers.profile, ability, numbers.monitor ?? numbers.pullStops);
  const toCode = (level: number) => {
    const signal = SCALES[ability.scale].toSignal(level, camera);
    const recorded = ability.reads === 'log' ? signal : numbers.profile.signalAt(seen.stopsAt(signal));
    return signalToCode(recorded, frame);
  };
  const band = (setting: ZebraSetting) => {
    const dialled = setting.reach === 'within' ? setting : setting.instead?.zebra;
    return dialled ? zebraBand(dialled, toCode, maxCode(frame.bitDepth)) : NO_CODE;
  };
  return {
    ranges: [band(numbers.card)],
    skin: numbers.skin.map(({ zebra }) => band(zebra)),
    warning: band(numbers.warning),
  };
};

/** The same tones without the camera's rounding: the card within its tolerance, and everything from the warning up. */
export const exactBands = (
  { profile, clipStops }: Pick<SetCardNumbers, 'profile' | 'clipStops'>,
  { placement, warningMargin }: { readonly placement: number; readonly warningMargin: number },
  frame: Coding,
): { readonly ranges: readonly CodeBand[]; readonly warning: CodeBand } => {
  const code = (stops: number) => signalToCode(profile.signalAt(stops), frame);
  return {
    ranges: [
      {
        from: Math.ceil(code(placement - CARD_TOLERANCE)),
        to: Math.floor(code(placement + CARD_TOLERANCE)),
      },
    ],
    warning: { from: Math.ceil(code(clipStops - warningMargin)), to: maxCode(frame.bitDepth) },
  };
};
