import { MatroskaInputFormat, type Input, type InputVideoTrack } from 'mediabunny';
import { mkvStartedAt } from '#core/formats/mkvFacts.ts';
import { movFacts, type ContainerFacts } from '#core/formats/movFacts.ts';
import type { ClipFacts } from './protocol.ts';

/** Bytes at the head of a Matroska that hold its date. */
const HEAD = 65_536;

const readAt = (file: Blob) => async (at: number, length: number) =>
  new Uint8Array(await file.slice(at, at + length).arrayBuffer());

/** A tag by its name, however it is written; text alone, and not too much of it. */
const tagOf = (raw: Readonly<Record<string, unknown>>, name: string): string | undefined => {
  const found = Object.entries(raw).find(([key]) => key.toUpperCase() === name)?.[1];
  return typeof found === 'string' && found !== '' ? found.slice(0, 80) : undefined;
};

const ofMatroska = async (file: Blob, input: Input): Promise<ContainerFacts> => {
  const raw = (await input.getMetadataTags()).raw ?? {};
  return {
    startedAt: mkvStartedAt(await readAt(file)(0, HEAD)),
    timecode: tagOf(raw, 'TIMECODE'),
    reel: tagOf(raw, 'REEL_NAME'),
  };
};

/** Start, timecode, reel and turn of a clip. What cannot be read is left out: the pictures matter more. */
export const clipFacts = async (file: Blob, input: Input, track: InputVideoTrack): Promise<ClipFacts> => {
  try {
    const isMatroska = (await input.getFormat()) instanceof MatroskaInputFormat;
    const told = isMatroska ? await ofMatroska(file, input) : await movFacts(readAt(file), file.size);
    const rotation = await track.getRotation();
    return { ...told, ...(rotation === 0 ? {} : { rotation }) };
  } catch {
    return {};
  }
};
