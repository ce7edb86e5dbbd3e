import {
  ALL_FORMATS,
  BlobSource,
  EncodedPacketSink,
  Input,
  type InputVideoTrack,
  type VideoSample,
} from 'mediabunny';
import type { Exactness, SourceTags } from '#core/frame/tags.ts';
import { VIDEO_LAYOUTS } from '#core/frame/videoFormats.ts';
import { MAX_PIXELS } from '#core/formats/opened.ts';
import { tagsOfColour, type DecodedPicture } from '#core/formats/video.ts';
import { ownEntry } from '#core/ownEntry.ts';
import { failure, success, type Result } from '#core/result.ts';
import { clipFacts } from './facts.ts';
import { notDecoded, samplesOf } from './samples.ts';
import type { ClipFacts, FrameTimes, Undecodable } from './protocol.ts';

/** The most frames whose times are kept: ten hours at 60 a second. */
const MOST_FRAMES = 2_200_000;

/** Depth that a codec string states (RFC 6381 with the codec's own fields), 8 where it says nothing else. */
const depthOfCodec = (codec: string): number => {
  const parts = codec.split('.');
  if (parts[0] === 'vp09' || parts[0] === 'av01') return Number(parts[3]) || 8;
  if (/^avc[13]$/.test(parts[0])) {
    const profile = parseInt(parts[1]?.slice(0, 2) ?? '', 16);
    // High 10, High 4:2:2 and High 4:4:4 Predictive (H.264 annex A): 10 bit is what cameras use them for.
    return [110, 122, 244].includes(profile) ? 10 : 8;
  }
  if (/^hev1|^hvc1/.test(parts[0])) return parts[1] === '2' ? 10 : 8;
  return 8;
};

const exactnessOf = (format: string, told: number, depth: number): Exactness => {
  if (ownEntry(VIDEO_LAYOUTS, format)?.kind === 'rgb')
    return { exact: false, why: 'the browser gives this picture only as RGB it made itself' };
  if (told > depth) return { exact: false, why: `the file holds ${told} bit, the browser gives ${depth}` };
  return { exact: true };
};

/** The samples of a decoded picture as the codec has them. */
const pictureOf = async (
  sample: VideoSample,
  container: string,
  told: number,
  tags: SourceTags,
): Promise<Result<DecodedPicture>> => {
  const layout = ownEntry(VIDEO_LAYOUTS, sample.format ?? '');
  if (!layout)
    return failure(
      'picture',
      `The browser gives pictures as ${sample.format ?? 'textures'}, which hold no codes.`,
    );
  const { width, height } = sample.visibleRect;
  const bytes = new Uint8Array(sample.allocationSize());
  await sample.copyTo(bytes);
  const exactness = exactnessOf(sample.format ?? '', told, layout.bitDepth);
  return success({ width, height, layout, bytes, container, tags, exactness });
};

/** A container by its short name: one is called by its maker's, and known by its ending. */
const shortName = (name: string): string => (name.endsWith(' File Format') ? 'MOV' : name);

/** Says at most this often that it gets on, ms. */
const SAY_EVERY_MS = 200;

/** Says that reading gets on: at bytes further into the file than any before, and at frames found. */
const progressOf = (getsOn: () => void) => {
  let [furthest, said] = [0, -Infinity];
  const say = () => {
    const now = performance.now();
    if (now - said < SAY_EVERY_MS) return;
    said = now;
    getsOn();
  };
  return {
    frame: say,
    read: (_from: number, to: number) => {
      if (to <= furthest) return;
      furthest = to;
      say();
    },
  };
};

const timesOf = async (track: InputVideoTrack, onFrame: () => void): Promise<FrameTimes> => {
  const sink = new EncodedPacketSink(track);
  const found: number[] = [];
  let last = 0;
  let latest = -Infinity;
  for await (const packet of sink.packets(undefined, undefined, { metadataOnly: true })) {
    found.push(packet.timestamp);
    onFrame();
    if (packet.timestamp > latest) [latest, last] = [packet.timestamp, packet.duration];
    if (found.length >= MOST_FRAMES) break;
  }
  return { times: Float64Array.from(found).sort(), last };
};

/** A clip whose container is open. */
export type Container = {
  readonly times: FrameTimes;
  readonly facts: ClipFacts;
  /** Frames that will be asked for next, rising. */
  readonly expect: (frames: readonly number[]) => Promise<void>;
  readonly frameAt: (n: number) => Promise<Result<DecodedPicture>>;
};

/**
 * A clip in MP4, MOV, MKV or WebM through WebCodecs; 10-bit planes stay 10 bit. Frames that follow each other
 * are decoded on; a jump begins at the key frame before it. `undecodable` when only the decoder is missing.
 * @param getsOn Called from time to time as the container is read further.
 */
export const openContainer = async (
  file: Blob,
  getsOn: () => void,
): Promise<Result<Container> | { readonly ok: false; readonly undecodable: Undecodable }> => {
  const progress = progressOf(getsOn);
  const source = new BlobSource(file);
  source.onread = progress.read;
  const input = new Input({ source, formats: ALL_FORMATS });
  let track: InputVideoTrack | null;
  let container: string;
  let sound: boolean;
  try {
    container = shortName((await input.getFormat()).name);
    track = await input.getPrimaryVideoTrack();
    sound = (await input.getPrimaryAudioTrack()) !== null;
  } catch {
    input.dispose();
    return failure(
      'byte 0',
      'No format that is read here begins like this: open a PNG, TIFF, DPX, JPEG, Y4M, MP4, MOV, MKV or WebM.',
    );
  }
  const shut = <T>(result: T): T => {
    input.dispose();
    return result;
  };
  if (!track && !sound)
    return shut(
      failure(
        'tracks',
        `The ${container} holds no tracks: it is cut short, or was never closed. Copy it again.`,
      ),
    );
  if (!track)
    return shut(
      failure('tracks', `The ${container} holds sound but no picture: open the clip of the camera.`),
    );
  try {
    const codec =
      (await track.getCodecParameterString()) ?? (await track.getInternalCodecId())?.toString() ?? 'unknown';
    if (!(await track.canDecode())) return shut({ ok: false, undecodable: { codec } });
    const [width, height] = [await track.getCodedWidth(), await track.getCodedHeight()];
    if (width * height > MAX_PIXELS)
      return shut(
        failure(
          'track',
          `The clip is ${width} x ${height}; up to ${MAX_PIXELS / 1e6} million pixels are read.`,
        ),
      );
    const told = depthOfCodec(codec);
    const tags = tagsOfColour(await track.getColorSpace());
    const found = await timesOf(track, progress.frame);
    const { times } = found;
    if (times.length === 0)
      return shut(failure('track', 'The clip has a picture track without a frame in it: copy it again.'));
    const facts = await clipFacts(file, input, track);
    const name = `${container}, ${codec}`;
    const { sampleAt, expect } = samplesOf(track, times, progress.frame);
    return success({
      times: found,
      facts,
      expect,
      frameAt: async (n) => {
        const sample = await sampleAt(n);
        if (!sample.ok) return sample;
        try {
          return await pictureOf(sample.value, name, told, tags);
        } catch (error) {
          return notDecoded(n, error);
        } finally {
          sample.value.close();
        }
      },
    });
  } catch (error) {
    const detail = error instanceof Error ? error.message : String(error);
    return shut(
      failure(
        'container',
        `The ${container} is damaged or cut short (${detail.slice(0, 90)}): copy it from the card again.`,
      ),
    );
  }
};
