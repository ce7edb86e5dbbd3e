'use client';

import type { Correction } from '#core/correction/operations.ts';
import type { ProfileData } from '#core/profile/index.ts';
import { clipPictureIds } from '#store/records/clip.ts';
import type { ClipLine } from '#ui/bench/clips/clipLines.ts';
import { useRecords } from '#ui/bench/hooks.ts';
import { useClipPreview } from '#ui/bench/match/useClipPreview.ts';
import { Thumbnail } from '#ui/parts/Thumbnail.tsx';
import { words } from '#ui/wording/clips.ts';

type Corrected = {
  readonly name: string;
  readonly pictureId: string;
  readonly correction: Correction;
  readonly profile: ProfileData;
  readonly pullStops: number;
};

const Preview = ({ name, pictureId, correction, profile, pullStops }: Corrected) => {
  const { canvas } = useClipPreview(pictureId, correction, profile, pullStops);
  return <canvas ref={canvas} className="thumb" role="img" aria-label={words.correctedPicture(name)} />;
};

/** A clip's middle picture, as shot or with its correction on it. */
export const SheetPicture = ({ line, isCorrected }: { line: ClipLine; isCorrected: boolean }) => {
  const { clip, planned = 0 } = line;
  const profile = useRecords(({ profiles }) => profiles.get(clip.found?.profileId ?? ''));
  const ids = clipPictureIds(clip);
  const pictureId = ids[ids.length >> 1] ?? '';
  const { correction, onPurpose } = clip;
  if (!isCorrected || !correction || !profile || onPurpose) return <Thumbnail takeId={pictureId} alt="" />;
  return (
    <Preview
      name={clip.file.name}
      pictureId={pictureId}
      correction={correction.correction}
      profile={profile.data}
      pullStops={planned}
    />
  );
};
