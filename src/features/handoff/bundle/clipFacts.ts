import { parseTimecode, type Timecode } from '#core/formats/timecode.ts';
import { correctionCdl, type CorrectionCdl } from '#core/match/asCdl.ts';
import type { NamedCdl } from '#core/formats/cdl.ts';
import { safeName, uniqueNames } from '#core/formats/safeName.ts';
import type { BookRecords } from '#store/book.ts';
import type { ProfileRecord } from '#store/records/profile.ts';
import type { ClipRecord } from '#store/records/clip.ts';
import { correctionWords } from '#ui/bench/match/correctionWords.ts';
import { words } from '#ui/wording/bundle.ts';
import type { ClipsOf } from './parts.ts';

/** A clip as a bundle knows it. */
export type BundledClip = {
  readonly clip: ClipRecord;
  /** Its file's name without ending, told apart from all others of the bundle. */
  readonly name: string;
  readonly camera: string;
  readonly setup: string;
  readonly setupId?: string;
  readonly takeNumber?: number;
  readonly placement?: number;
  /** The correction that was accepted, as a CDL on the recording's codes. */
  readonly correction?: CorrectionCdl & { readonly named: NamedCdl };
  /** Why the correction that was accepted is not there. */
  readonly problem?: string;
};

/** The profile that a clip was read by, else the first of its camera. */
export const profileOfClip = (
  { cameras, profiles }: Pick<BookRecords, 'cameras' | 'profiles'>,
  { found, cameraId }: ClipRecord,
): ProfileRecord | undefined => profiles.get(found?.profileId ?? cameras.get(cameraId)?.profileIds[0] ?? '');

/** The correction that was accepted for a clip, under a name; nothing where none was, a sentence where it is lost. */
const acceptedCdl = (
  clip: ClipRecord,
  name: string,
  { cameras, profiles }: Pick<BookRecords, 'cameras' | 'profiles'>,
): Pick<BundledClip, 'correction' | 'problem'> => {
  const { correction } = clip;
  if (!correction?.accepted) return {};
  const camera = cameras.get(clip.cameraId);
  const profile = profileOfClip({ cameras, profiles }, clip);
  if (!camera || !profile) return { problem: words.correctionLost(clip.file.name) };
  const found = correctionCdl(correction.correction, profile.data, 'code', camera.coding);
  const says = words.carries(found.worstCodes.toFixed(1), camera.coding.bitDepth);
  const done = correctionWords(correction.correction).join(', ');
  const named = { id: name, cdl: found.cdl, descriptions: [`${profile.name}: ${done}. ${says}`] };
  return { correction: { ...found, named } };
};

/** The clips of a shoot in their order, each with its take and its correction. */
export const bundledClips = (of: ClipsOf): readonly BundledClip[] => {
  const unique = uniqueNames();
  const takes = new Map(of.takes.map((take) => [take.id, take]));
  return of.clips
    .filter(({ state }) => state === 'surveyed')
    .map((clip): BundledClip => {
      const name = unique(safeName(clip.file.name.replace(/\.[^.]+$/, '')));
      const take = takes.get(clip.take?.id ?? '');
      return {
        clip,
        name,
        camera: of.records.cameras.get(clip.cameraId)?.name ?? clip.cameraId,
        setup: take?.card.setupName ?? '',
        ...(take ? { setupId: take.setupId, takeNumber: take.number, placement: take.card.placement } : {}),
        ...acceptedCdl(clip, name, of.records),
      };
    });
};

/** Frames that a second of a clip's timecode counts: 30 at 29.97. */
export const timecodeRate = ({ facts }: ClipRecord): number => Math.max(1, Math.round(facts?.rate ?? 25));

/** Where a clip begins; at nought where its file has no timecode, or one that is none. */
export const startOf = (clip: ClipRecord): { readonly start: Timecode; readonly isKnown: boolean } => {
  const perSecond = timecodeRate(clip);
  const read = parseTimecode(clip.facts?.timecode ?? '', perSecond);
  return read.ok
    ? { start: read.value, isKnown: true }
    : { start: { frames: 0, perSecond, isDropFrame: false }, isKnown: false };
};
