/** How 16-bit samples carry the camera's codes. */
export type SampleReading = 'codes10' | 'shifted10' | 'repeated10' | 'scaled10' | 'full16';

type ReadingDefinition = {
  readonly name: string;
  readonly bitDepth: number;
  /** Sample to code. */
  readonly toCode: (sample: number) => number;
  /** Code back to the sample it is written as. */
  readonly toSample: (code: number) => number;
  readonly says: string;
};

// Narrowest first: the first one that explains every sample of the picture is taken.
export const SAMPLE_READINGS = {
  codes10: {
    name: '10-bit codes',
    bitDepth: 10,
    toCode: (v) => v,
    toSample: (c) => c,
    says: 'no sample is above 1023: taken as 10-bit codes written as they are',
  },
  shifted10: {
    name: '10-bit, shifted',
    bitDepth: 10,
    toCode: (v) => v >> 6,
    toSample: (c) => c << 6,
    says: 'the lowest six bits are zero in every sample: 10-bit codes in the upper bits',
  },
  repeated10: {
    name: '10-bit, repeated',
    bitDepth: 10,
    toCode: (v) => v >> 6,
    toSample: (c) => (c << 6) | (c >> 4),
    says: 'the lowest six bits repeat the highest in every sample: 10-bit codes spread to 16',
  },
  scaled10: {
    name: '10-bit, scaled',
    bitDepth: 10,
    toCode: (v) => Math.round((v * 1023) / 65535),
    toSample: (c) => Math.round((c * 65535) / 1023),
    says: 'every sample is a 10-bit code times 65535/1023',
  },
  full16: {
    name: '16-bit',
    bitDepth: 16,
    toCode: (v) => v,
    toSample: (v) => v,
    says: 'samples fill all 16 bits',
  },
} as const satisfies Record<SampleReading, ReadingDefinition>;

export const SAMPLE_READING_IDS = Object.keys(SAMPLE_READINGS) as SampleReading[];

const explains = (
  { toCode, toSample, bitDepth }: ReadingDefinition,
  samples: Uint16Array,
  channels: number,
): boolean => {
  const top = 2 ** bitDepth - 1;
  const seen = channels % 2 === 0 ? channels - 1 : channels;
  for (let at = 0; at < samples.length; at += channels)
    for (let i = at; i < at + seen; i += 1) {
      const code = toCode(samples[i]);
      if (code > top || toSample(code) !== samples[i]) return false;
    }
  return true;
};

/**
 * What 16-bit samples hold, inferred from all of them but alpha, which is the last of 2 or 4 channels; it can
 * be wrong for a nearly black 16-bit picture.
 */
export const detectReading = (samples: Uint16Array, channels = 1): SampleReading =>
  SAMPLE_READING_IDS.find((id) => explains(SAMPLE_READINGS[id], samples, channels)) ?? 'full16';
