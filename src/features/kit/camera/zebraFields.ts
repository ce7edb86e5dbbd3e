import { SCALE_IDS, SCALES } from '#core/signal/scale.ts';
import type { CameraRecord } from '#store/records/camera.ts';
import { above0, field, pair, rising, span, typedField } from './field.ts';
import { words } from '#ui/wording/kitCamera.ts';

type Zebra = CameraRecord['zebra'];

const PICTURES = [
  ['log', 'the recording'],
  ['lut', 'the LUT’s output'],
] as const;
const inZebra = (camera: CameraRecord, part: Partial<Zebra>): CameraRecord => ({
  ...camera,
  zebra: { ...camera.zebra, ...part },
});
const inRange = (camera: CameraRecord, part: Partial<Zebra['range']>) =>
  inZebra(camera, { range: { ...camera.zebra.range, ...part } });
const inLimit = (camera: CameraRecord, part: Partial<Zebra['lowerLimit']>) =>
  inZebra(camera, { lowerLimit: { ...camera.zebra.lowerLimit, ...part } });

export const zebraFields = {
  zebraScale: field<Zebra['scale']>({
    label: words.zebraIsSetIn,
    span: 'anchor-half',
    options: SCALE_IDS.map((id) => [id, SCALES[id].name]),
    print: (camera) => camera.zebra.scale,
    put: (camera, scale) => inZebra(camera, { scale }),
  }),
  zebraReads: field<Zebra['reads']>({
    label: words.zebraReads,
    span: 'anchor-half',
    options: PICTURES,
    print: (camera) => camera.zebra.reads,
    put: (camera, reads) => inZebra(camera, { reads }),
  }),
  waveformReads: field<CameraRecord['waveformReads']>({
    label: words.waveformReads,
    span: 'anchor-half',
    options: PICTURES,
    print: (camera) => camera.waveformReads,
    put: (camera, waveformReads) => ({ ...camera, waveformReads }),
  }),
  zebraFollows: field<string>({
    label: words.itsViewAssistFollows,
    span: 'anchor-wide',
    options: [
      ['', 'don’t know: film the card once at +1 and look'],
      ['yes', 'yes, the card looks as at 0'],
      ['no', 'no, the card looks brighter'],
    ],
    print: ({ zebra }) => zebra.follows ?? '',
    put: (camera, picked) => {
      const { follows: _was, ...zebra } = camera.zebra;
      return { ...camera, zebra: picked === '' ? zebra : { ...zebra, follows: picked as 'yes' | 'no' } };
    },
  }),
  zebraKinds: field<string>({
    label: words.kinds,
    span: 'anchor-quarter',
    options: [
      ['range lowerLimit', 'both'],
      ['range', 'range'],
      ['lowerLimit', 'limit'],
    ],
    print: (camera) => [...camera.zebra.kinds].sort().reverse().join(' '),
    put: (camera, kinds) => inZebra(camera, { kinds: kinds.split(' ') as Zebra['kinds'] }),
  }),
  zebraSlots: field<string>({
    label: words.zebrasAtOnce,
    span: 'anchor-quarter',
    options: ['1', '2', '3', '4'].map((n) => [n, n]),
    print: (camera) => String(camera.zebra.slots),
    put: (camera, slots) => inZebra(camera, { slots: Number(slots) }),
  }),
  zebraRange: typedField({
    label: words.zebraLevels,
    span: 'anchor-half',
    print: ({ zebra }) => span([zebra.range.min, zebra.range.max]),
    parse: pair,
    says: words.zebraLevelsRunFrom,
    put: (camera, [min, max]) => inRange(camera, { min, max }),
  }),
  zebraStep: typedField({
    label: words.zebraInStepsOf,
    span: 'anchor-quarter',
    print: ({ zebra }) => String(zebra.range.step),
    parse: above0,
    says: words.zebraLevelsNeedA,
    put: (camera, step) => inRange(camera, { step }),
  }),
  tolerances: typedField({
    label: words.offered,
    span: 'anchor-quarter',
    print: ({ zebra }) => zebra.range.tolerances.join(' '),
    parse: rising,
    says: words.tolerancesTypeWhatThe,
    put: (camera, tolerances) => inRange(camera, { tolerances }),
  }),
  warningRange: typedField({
    label: words.warningLevels,
    span: 'anchor-half',
    print: ({ zebra }) => span([zebra.lowerLimit.min, zebra.lowerLimit.max]),
    parse: pair,
    says: words.warningLevelsRunFrom,
    put: (camera, [min, max]) => inLimit(camera, { min, max }),
  }),
  warningStep: typedField({
    label: words.warningInStepsOf,
    span: 'anchor-half',
    print: ({ zebra }) => String(zebra.lowerLimit.step),
    parse: above0,
    says: words.warningLevelsNeedA,
    put: (camera, step) => inLimit(camera, { step }),
  }),
} as const;
