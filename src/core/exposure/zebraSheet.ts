import { compileProfile, type Profile, type ProfileData } from '../profile/index.ts';
import { SCALES } from '../signal/scale.ts';
import { isoStanding } from './iso.ts';
import { zebraSignal, type CardCamera, type CardSubject, type MonitorPicture } from './setCard.ts';
import { toneZebra, type ZebraAbility, type ZebraSetting } from './zebra.ts';
import { CARD_TOLERANCE, zebraLevels, type ZebraLevels } from './zebraLevels.ts';
import { isNoTrap, isTrap } from './zebraWords.ts';

/** Placements of the sheet: -1 to +3 by thirds. */
export const SHEET_PLACEMENTS: readonly number[] = Array.from({ length: 13 }, (_, i) => -1 + i / 3);

/** Levels of one placement on one of the two pictures a zebra may read. */
export type ZebraRow = ZebraLevels & {
  readonly placement: number;
  /** Where the clip reads, on the camera's scale, not rounded. */
  readonly clip: number;
};

export type ZebraSheet = { readonly log: readonly ZebraRow[]; readonly lut: readonly ZebraRow[] };

/** What the sheet is for, beyond camera and profile. */
export type ZebraSheetOptions = { readonly iso: number; readonly warningMargin: number };

const rowsOf = (
  profile: Profile,
  camera: CardCamera,
  subjects: readonly CardSubject[],
  options: ZebraSheetOptions,
  reads: ZebraAbility['reads'],
): ZebraRow[] => {
  const clipStops =
    profile.clipStops - isoStanding(options.iso, camera.baseIsos, camera.sensitivity).clipLoss;
  const { zebra, coding } = camera;
  return SHEET_PLACEMENTS.map((placement) => {
    const signal = zebraSignal(profile, { ...zebra, reads }, placement);
    return {
      placement,
      ...zebraLevels(camera, signal, {
        placement,
        faces: subjects,
        clipStops,
        warningMargin: options.warningMargin,
      }),
      clip: SCALES[zebra.scale].fromSignal(signal.signalAt(clipStops), coding),
    };
  });
};

/**
 * Zebra levels by thirds of placement, as the camera can set them: on the recorded signal, and behind the monitoring
 * transform with each placement's pull. Levels are on the camera's scale; costs in stops.
 */
export const zebraSheet = (
  data: ProfileData,
  camera: CardCamera,
  subjects: readonly CardSubject[],
  options: ZebraSheetOptions,
): ZebraSheet => {
  const profile = compileProfile(data);
  return {
    log: rowsOf(profile, camera, subjects, options, 'log'),
    lut: rowsOf(profile, camera, subjects, options, 'lut'),
  };
};

/**
 * The placement of the sheet nearest to this one at which the camera can show the card, and its zebra there;
 * undefined where there is none. Of two as near, the lower.
 */
export const nearestShown = (
  profile: Profile,
  { zebra, coding }: Pick<CardCamera, 'zebra' | 'coding'>,
  placement: number,
  monitor?: MonitorPicture,
): { readonly placement: number; readonly zebra: ZebraSetting } | undefined =>
  SHEET_PLACEMENTS.toSorted((a, b) => Math.abs(a - placement) - Math.abs(b - placement) || a - b)
    .map((at) => ({
      placement: at,
      zebra: toneZebra(zebra, zebraSignal(profile, zebra, monitor ?? at), coding, at, CARD_TOLERANCE),
    }))
    .find(({ zebra: { reach } }) => reach === 'within');

/** The display-level number people remember for skin, % of signal. Common practice, no source. */
const REMEMBERED_SKIN = 70;

/** What becomes of the remembered display-level number on this recording. */
export type ZebraTrap = {
  /** Stops over grey at which the recording reads it; the clip when it never does. */
  readonly stops: number;
  /** A face at that level would be pushed this far over where a display picture has it. */
  readonly over: number;
  readonly worth: 'holds' | 'watch';
  readonly says: string;
};

/** Further over display level than this is a fault worth a warning, stops. Our own choice. */
const TRAP_STOPS = 2 / 3;

/** The trap in words: the common display-level number set on the raw recording. */
export const zebraTrap = (data: ProfileData): ZebraTrap => {
  const profile = compileProfile(data);
  const stops = profile.stopsAt(REMEMBERED_SKIN / 100);
  const behind = zebraSignal(profile, { reads: 'lut' }, 0);
  const meant = behind.stopsAt(REMEMBERED_SKIN / 100);
  const over = stops - meant;
  const room = profile.clipStops - stops;
  return {
    stops,
    over,
    worth: over > TRAP_STOPS ? 'watch' : 'holds',
    says:
      over > TRAP_STOPS
        ? isTrap(REMEMBERED_SKIN, { stops, meant, room })
        : isNoTrap(REMEMBERED_SKIN, stops, meant),
  };
};
