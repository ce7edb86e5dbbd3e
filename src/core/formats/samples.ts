import { detectReading, SAMPLE_READINGS } from '../frame/codes.ts';
import { makeFrame } from '../frame/frame.ts';
import { plainly, type OpenedFrame, type ReadingOptions } from './opened.ts';

/** Interleaved samples of a still: grey or R'G'B', with alpha or without. */
export type Samples = {
  readonly width: number;
  readonly height: number;
  /** 1 to 4. */
  readonly channels: number;
  readonly data: Uint8Array | Uint8ClampedArray | Uint16Array;
};

const planes = (data: ArrayLike<number>, channels: number, pixels: number, toCode: (v: number) => number) => {
  const grey = channels < 3;
  const pick = (offset: number) => {
    const plane = new Uint16Array(pixels);
    for (let i = 0, at = offset; i < pixels; i += 1, at += channels) plane[i] = toCode(data[at]);
    return plane;
  };
  const r = pick(0);
  return { r, g: grey ? r : pick(1), b: grey ? r : pick(2) };
};

/** Samples as code values; 10-bit codes inside 16-bit samples are recognised, alpha is left out. */
export const frameOfSamples = (
  { width, height, channels, data }: Samples,
  options: ReadingOptions,
  container: string,
): OpenedFrame => {
  const pixels = width * height;
  const base = { width, height, range: options.range };
  if (!(data instanceof Uint16Array)) {
    const frame = makeFrame({ ...base, bitDepth: 8, ...planes(data, channels, pixels, (v) => v) });
    return plainly({ frame, reading: 'codes8', evidence: '8-bit samples are the codes', container }, options);
  }
  const detected = detectReading(data, channels);
  const reading = options.reading ?? detected;
  const { toCode, bitDepth, says } = SAMPLE_READINGS[reading];
  const top = 2 ** bitDepth - 1;
  const frame = makeFrame({
    ...base,
    bitDepth,
    ...planes(data, channels, pixels, (v) => Math.min(top, toCode(v))),
  });
  const evidence = options.reading === undefined || options.reading === detected ? says : 'set by hand';
  return plainly({ frame, reading, evidence, container }, options);
};
