import { typed } from '../ways/way.ts';
import { above0, pair, reading, span, wholes, type Field } from './field.ts';

export const balanceFields = {
  kelvin: {
    label: 'White balance, K',
    span: 'anchor-half',
    print: (camera) => span(camera.kelvinRange),
    read: reading(
      'white balance',
      'type the lowest and the highest Kelvin, such as 2500 to 9900',
      (text) => (wholes(text) ? pair(text) : undefined),
      (d, kelvinRange) => ({ ...d, kelvinRange }),
    ),
  },
  kelvinStep: {
    label: 'by',
    span: 'anchor-half',
    print: (camera) => String(camera.kelvinStep),
    read: reading(
      'white balance',
      'type the step of its Kelvin, a whole number such as 100',
      (text) => (Number.isInteger(typed(text)) ? above0(text) : undefined),
      (d, kelvinStep) => ({ ...d, kelvinStep }),
    ),
  },
  tint: {
    label: 'Tint from, to (0 if none)',
    span: 'anchor-half',
    print: (camera) => (camera.tintRange[0] === camera.tintRange[1] ? '0' : span(camera.tintRange)),
    read: reading(
      'tint',
      'type the range of its tint, such as -9 to 9, or 0',
      (text) => (typed(text) === 0 ? ([0, 0] as [number, number]) : pair(text)),
      (d, tintRange) => ({ ...d, tintRange }),
    ),
  },
  tintStep: {
    label: 'by',
    span: 'anchor-half',
    print: (camera) => String(camera.tintStep),
    read: reading('tint', 'type the step of its tint, such as 1', above0, (d, tintStep) => ({
      ...d,
      tintStep,
    })),
  },
} as const satisfies Record<string, Field>;
