import { splitOf } from '#core/colour/balance.ts';
import type { SetCardNumbers } from '#core/exposure/setCard.ts';
import type { Survey } from '#core/exposure/survey.ts';
import { compileProfile } from '#core/profile/index.ts';
import {
  asBrightAsItHolds,
  coarserThanNoise,
  firstFull,
  isWorthRaw,
  rawChannels,
  rawIsos,
  rawReasons,
} from '#core/sensor/raw.ts';
import { sensorAt, specOf } from '#core/sensor/spec.ts';
import type { BookRecords } from '#store/book.ts';
import { rawKindOf, type RawKind } from '#store/records/raw.ts';
import type { Selection } from '#store/selection.ts';
import { sensorOf } from '#ui/bench/sensorOf.ts';
import { PIXELS, recordingAt } from '../adviceModel.ts';

/** Raw holds about so many bits a pixel, compressed lightly. Common practice: shown as an example until typed. */
const RAW_BITS = 4;

/** What is taken for a camera's raw until it was said: its bases are real gain. */
const usualRaw = ({ camera, setup }: Selection): RawKind => ({
  mbps: Math.round((RAW_BITS * PIXELS.width * PIXELS.height * setup.fps) / 1e6),
  realIsos: camera.baseIsos,
});

const toThirdUnder = (stops: number): number => Math.floor(3 * stops + 1e-6) / 3;

/** Everything of raw in a set-up. */
export const rawOfSetup = (
  selection: Selection,
  numbers: SetCardNumbers,
  records: BookRecords,
  survey: Survey | undefined,
) => {
  const { camera, plan, setup, profile } = selection;
  const kind = rawKindOf(camera) ?? usualRaw(selection);
  const base = Math.min(...kind.realIsos);
  const clips = camera.profileIds.flatMap((id) => records.profiles.get(id)?.data.clipStops ?? []);
  const full = Math.max(...clips, profile.data.clipStops);
  const spec = specOf(sensorOf(camera), { baseIsos: kind.realIsos, sensitivity: 'gain' }, full);
  const light = { kelvin: plan.kelvin, tint: plan.tint };
  const channelsAt = (gain: number) => {
    const { electronsAtGrey, readElectrons, wellElectrons } = sensorAt(spec, gain);
    const fullAt = Math.log2(wellElectrons / electronsAtGrey);
    return rawChannels({ electronsAtGrey, readElectrons }, fullAt, light, camera.lean);
  };
  const isos = rawIsos(camera.isos, kind.realIsos, channelsAt);
  const own = isos.find(({ iso }) => iso === plan.iso);
  const channels = channelsAt(own?.gain ?? base);
  const first = firstFull(channels);
  const brightest = survey && setup.spots.length > 0 ? survey.keep[1] : undefined;
  const placement =
    brightest === undefined
      ? undefined
      : toThirdUnder(asBrightAsItHolds(channels, brightest, plan.warningMargin));
  const worth = {
    profileName: profile.name,
    holdsMore: first.clipStops - numbers.clipStops,
    coarse: coarserThanNoise(compileProfile(profile.data), camera.coding, sensorOf(camera)),
    splitMired: splitOf(setup.lightIds.flatMap((id) => records.lights.get(id) ?? [])),
    isGraded: setup.brief.graded,
    minutesPerClip: setup.brief.minutesPerClip,
    mbps: kind.mbps,
    logMbps: recordingAt(camera, setup.fps)?.mbps,
  };
  const reasons = rawReasons(worth);
  return { kind, isos, channels, first, placement, reasons, isWorth: isWorthRaw(reasons, worth) };
};

/** ISOs as they were typed, where all of them are on the dial. */
export const isosOf = (text: string, dial: readonly number[]): readonly number[] | undefined => {
  const typed = text.split(/[\s,;]+/).filter((part) => part !== '');
  const isos = [...new Set(typed.map(Number))];
  return isos.length > 0 && isos.every((iso) => dial.includes(iso)) ? isos.sort((a, b) => a - b) : undefined;
};
