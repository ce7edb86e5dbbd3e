import { choosing, reading, type Draft, type Field } from './field.ts';
import { typed } from '../ways/way.ts';

const RECORDING = /^\s*(\d+(?:[.,]\d+)?)\s*(?:fps)?\s+(.+?)\s+(\d+(?:[.,]\d+)?)\s*(?:Mb\/s)?\s*$/i;
const recordings = (text: string): Draft['recordings'] | undefined => {
  const lines = text.split(/\n|;/).filter((line) => line.trim() !== '');
  const read = lines.map((line) => RECORDING.exec(line));
  if (read.some((match) => !match)) return undefined;
  return read.map((match) => ({ upToFps: typed(match![1]), codec: match![2], mbps: typed(match![3]) }));
};

export const recordingFields = {
  name: {
    label: 'Name',
    span: 'anchor-half',
    print: (camera) => camera.name,
    read: reading(
      'name',
      'give the camera a name',
      (text) => text.trim() || undefined,
      (d, name) => ({ ...d, name }),
    ),
  },
  job: {
    label: 'Job',
    span: 'anchor-half',
    print: (camera) => camera.job,
    read: choosing((d, job) => ({ ...d, job: job.trim() })),
  },
  bitDepth: {
    label: 'Bits',
    span: 'anchor-quarter',
    options: ['8', '10', '12'].map((bits) => [bits, bits]),
    print: (camera) => String(camera.coding.bitDepth),
    read: choosing((d, bits) => ({
      ...d,
      coding: { ...d.coding, bitDepth: Number(bits) as Draft['coding']['bitDepth'] },
    })),
  },
  chroma: {
    label: 'Chroma',
    span: 'anchor-quarter',
    options: ['4:2:0', '4:2:2', '4:4:4'].map((chroma) => [chroma, chroma]),
    print: (camera) => camera.chroma,
    read: choosing((d, chroma) => ({ ...d, chroma: chroma as Draft['chroma'] })),
  },
  range: {
    label: 'Range',
    span: 'anchor-half',
    options: [
      ['legal', 'legal'],
      ['full', 'full'],
    ],
    print: (camera) => camera.coding.range,
    read: choosing((d, range) => ({
      ...d,
      coding: { ...d.coding, range: range as Draft['coding']['range'] },
    })),
  },
  recordings: {
    label: 'Up to fps, codec, Mb/s: one a line',
    span: 'anchor-wide',
    lines: 2,
    print: (camera) => camera.recordings.map((r) => `${r.upToFps} ${r.codec} ${r.mbps}`).join('\n'),
    read: reading(
      'recording',
      'a line is frame rate, codec and Mb/s, such as 30 intra 500',
      recordings,
      (d, list) => ({
        ...d,
        recordings: list,
      }),
    ),
  },
} as const satisfies Record<string, Field>;
