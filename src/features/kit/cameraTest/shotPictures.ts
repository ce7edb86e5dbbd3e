import type { FoundIn } from '#core/cameraTest/find/foundIn.ts';
import { toBase64 } from '#store/base64.ts';
import { PICTURE_START } from '#store/records/cameraTest.ts';
import type { SmallPicture } from '#workers/cameraTest/protocol.ts';

const QUALITY = 0.8;

const asJpeg = async ({ rgba, width, height }: SmallPicture): Promise<string> => {
  const canvas = new OffscreenCanvas(width, height);
  canvas.getContext('2d')!.putImageData(new ImageData(rgba, width, height), 0, 0);
  const blob = await canvas.convertToBlob({ type: 'image/jpeg', quality: QUALITY });
  return `${PICTURE_START}${toBase64(new Uint8Array(await blob.arrayBuffer()))}`;
};

/** A small picture of each hold that is a shot of the list, by the hold's id. */
export const shotPictures = async (
  found: readonly FoundIn[],
  pictureAt: (clip: string, at: number) => Promise<SmallPicture | undefined>,
): Promise<ReadonlyMap<string, string>> => {
  const pictures = new Map<string, string>();
  for (const { id, clip, from, to, shotId } of found) {
    const picture = shotId === undefined ? undefined : await pictureAt(clip, (from + to) / 2);
    if (picture) pictures.set(id, await asJpeg(picture));
  }
  return pictures;
};
