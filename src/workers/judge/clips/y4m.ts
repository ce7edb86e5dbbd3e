import { unconverted } from '#core/frame/ofYcbcr.ts';
import { EXACT } from '#core/frame/tags.ts';
import { matrixFor, rangeFor, type ReadingOptions } from '#core/formats/opened.ts';
import { readY4mHead, y4mFrameFrom, Y4M_HEAD_BYTES } from '#core/formats/y4mRead.ts';
import { failure, success, type Result } from '#core/result.ts';
import { steady, type ClipSource } from './source.ts';

const WORD = 'FRAME\n';

const bytesOf = async (part: Blob) => new Uint8Array(await part.arrayBuffer());

/** A Y4M clip read frame by frame off the file: its frames all have one size, so that each lies at a known byte. */
export const openY4mClip = async (file: Blob): Promise<Result<ClipSource>> => {
  const head = readY4mHead(await bytesOf(file.slice(0, Y4M_HEAD_BYTES)));
  if (!head.ok) return head;
  const { width, height, bitDepth, chroma, range: told, matrix, rate, start, frameBytes } = head.value;
  const tags = { range: told, matrix };
  const pitch = WORD.length + frameBytes;
  const asTold = (options: ReadingOptions) => ({
    range: rangeFor(options, told),
    matrix: matrixFor(options, tags),
  });
  const frames = Math.floor((file.size - start) / pitch);
  const rest = file.size - start - frames * pitch;
  if (frames === 0)
    return failure(`byte ${file.size}`, 'The clip is cut short within its first frame: copy it again.');
  const fps = rate[0] / rate[1] || 25;
  return success({
    info: {
      times: steady(frames, fps),
      seconds: frames / fps,
      rate: fps,
      variable: false,
      ...(rest > 0 ? { note: `cut short within frame ${frames + 1}` } : {}),
    },
    frameAt: async (n, options) => {
      const at = start + n * pitch;
      const bytes = await bytesOf(file.slice(at, at + pitch));
      // A frame may carry words of its own after FRAME; then the clip is not evenly laid out.
      if (bytes.length < pitch || new TextDecoder().decode(bytes.subarray(0, WORD.length)) !== WORD)
        return failure(`byte ${at}`, `Frame ${n + 1} does not begin where it should: copy the clip again.`);
      const shape = { width, height, bitDepth, chroma };
      return success({
        frame: y4mFrameFrom(bytes.subarray(WORD.length), shape, asTold(options), unconverted),
        reading: bitDepth === 8 ? 'codes8' : 'codes10',
        evidence: `${bitDepth}-bit ${chroma}`,
        container: 'Y4M',
        tags,
        referred: options.referred ?? 'recorded',
        exactness: EXACT,
      });
    },
    close: () => undefined,
  });
};
