import { parseNumber } from '#core/units.ts';
import type { CameraRecord } from '#store/records/camera.ts';
import { field, typedField } from './field.ts';
import { words } from '#ui/wording/kitCamera.ts';

const RECORDING = /^\s*(\d+(?:[.,]\d+)?)\s*(?:fps)?\s+(.+?)\s+(\d+(?:[.,]\d+)?)\s*(?:Mb\/s)?\s*$/i;
const recordings = (text: string): CameraRecord['recordings'] | undefined => {
  const lines = text.split(/\n|;/).filter((line) => line.trim() !== '');
  const read = lines.map((line) => RECORDING.exec(line));
  if (read.some((match) => !match)) return undefined;
  return read.map((match) => ({
    upToFps: parseNumber(match![1]),
    codec: match![2],
    mbps: parseNumber(match![3]),
  }));
};

export const recordingFields = {
  name: typedField({
    label: words.name,
    span: 'anchor-half',
    isWords: true,
    print: (camera) => camera.name,
    parse: (text) => text.trim() || undefined,
    says: words.nameGiveTheCamera,
    put: (camera, name) => ({ ...camera, name }),
  }),
  job: field<string>({
    label: words.job,
    span: 'anchor-half',
    isWords: true,
    print: (camera) => camera.job,
    put: (camera, job) => ({ ...camera, job: job.trim() }),
  }),
  bitDepth: field<string>({
    label: words.bits,
    span: 'anchor-quarter',
    options: ['8', '10', '12'].map((bits) => [bits, bits]),
    print: (camera) => String(camera.coding.bitDepth),
    put: (camera, bits) => ({
      ...camera,
      coding: { ...camera.coding, bitDepth: Number(bits) as CameraRecord['coding']['bitDepth'] },
    }),
  }),
  chroma: field<CameraRecord['chroma']>({
    label: words.chroma,
    span: 'anchor-quarter',
    options: ['4:2:0', '4:2:2', '4:4:4'].map((chroma) => [chroma, chroma]),
    print: (camera) => camera.chroma,
    put: (camera, chroma) => ({ ...camera, chroma }),
  }),
  range: field<CameraRecord['coding']['range']>({
    label: words.range,
    span: 'anchor-half',
    options: [
      ['legal', 'legal'],
      ['full', 'full'],
    ],
    print: (camera) => camera.coding.range,
    put: (camera, range) => ({ ...camera, coding: { ...camera.coding, range } }),
  }),
  recordings: typedField({
    label: words.upToFpsCodec,
    span: 'anchor-wide',
    lines: 2,
    print: (camera) => camera.recordings.map((r) => `${r.upToFps} ${r.codec} ${r.mbps}`).join('\n'),
    parse: recordings,
    says: words.recordingALineIs,
    put: (camera, list) => ({ ...camera, recordings: list }),
  }),
} as const;
