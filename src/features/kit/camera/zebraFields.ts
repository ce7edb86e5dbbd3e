import { SCALE_IDS, SCALES } from '#core/signal/scale.ts';
import { above0, choosing, pair, reading, rising, span, type Draft, type Field } from './field.ts';

const PICTURES = [
  ['log', 'the recording'],
  ['lut', 'the LUT’s output'],
] as const;
const inZebra = (draft: Draft, part: Partial<Draft['zebra']>): Draft => ({
  ...draft,
  zebra: { ...draft.zebra, ...part },
});
const inRange = (draft: Draft, part: Partial<Draft['zebra']['range']>) =>
  inZebra(draft, { range: { ...draft.zebra.range, ...part } });
const inLimit = (draft: Draft, part: Partial<Draft['zebra']['lowerLimit']>) =>
  inZebra(draft, { lowerLimit: { ...draft.zebra.lowerLimit, ...part } });

export const zebraFields = {
  zebraScale: {
    label: 'Zebra speaks',
    span: 'anchor-half',
    options: SCALE_IDS.map((id) => [id, SCALES[id].name]),
    print: (camera) => camera.zebra.scale,
    read: choosing((d, value) => inZebra(d, { scale: value as Draft['zebra']['scale'] })),
  },
  zebraReads: {
    label: 'Zebra reads',
    span: 'anchor-half',
    options: PICTURES,
    print: (camera) => camera.zebra.reads,
    read: choosing((d, value) => inZebra(d, { reads: value as Draft['zebra']['reads'] })),
  },
  waveformReads: {
    label: 'Waveform reads',
    span: 'anchor-half',
    options: PICTURES,
    print: (camera) => camera.waveformReads,
    read: choosing((d, value) => ({ ...d, waveformReads: value as Draft['waveformReads'] })),
  },
  zebraKinds: {
    label: 'Kinds',
    span: 'anchor-quarter',
    options: [
      ['range lowerLimit', 'both'],
      ['range', 'range'],
      ['lowerLimit', 'limit'],
    ],
    print: (camera) => [...camera.zebra.kinds].sort().reverse().join(' '),
    read: choosing((d, value) => inZebra(d, { kinds: value.split(' ') as Draft['zebra']['kinds'] })),
  },
  zebraSlots: {
    label: 'at once',
    span: 'anchor-quarter',
    options: ['1', '2', '3', '4'].map((n) => [n, n]),
    print: (camera) => String(camera.zebra.slots),
    read: choosing((d, value) => inZebra(d, { slots: Number(value) })),
  },
  zebraRange: {
    label: 'Zebra levels',
    span: 'anchor-half',
    print: ({ zebra }) => span([zebra.range.min, zebra.range.max]),
    read: reading('zebra', 'levels run from lowest to highest, such as 30 to 100', pair, (d, [min, max]) =>
      inRange(d, { min, max }),
    ),
  },
  zebraStep: {
    label: 'by',
    span: 'anchor-quarter',
    print: ({ zebra }) => String(zebra.range.step),
    read: reading('zebra', 'levels need a step, such as 5', above0, (d, step) => inRange(d, { step })),
  },
  tolerances: {
    label: '± offered',
    span: 'anchor-quarter',
    print: ({ zebra }) => zebra.range.tolerances.join(' '),
    read: reading('tolerances', 'type what ± the zebra offers, such as 2 5 10', rising, (d, tolerances) =>
      inRange(d, { tolerances }),
    ),
  },
  warningRange: {
    label: 'Warning levels',
    span: 'anchor-half',
    print: ({ zebra }) => span([zebra.lowerLimit.min, zebra.lowerLimit.max]),
    read: reading('warning', 'levels run from lowest to highest, such as 70 to 100', pair, (d, [min, max]) =>
      inLimit(d, { min, max }),
    ),
  },
  warningStep: {
    label: 'by',
    span: 'anchor-half',
    print: ({ zebra }) => String(zebra.lowerLimit.step),
    read: reading('warning', 'levels need a step, such as 5', above0, (d, step) => inLimit(d, { step })),
  },
} as const satisfies Record<string, Field>;
