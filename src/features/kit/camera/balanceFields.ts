import { parseNumber } from '#core/units.ts';
import { above0, pair, span, typedField, wholes } from './field.ts';

// What a plan can be set to.
const [LEAST_KELVIN, MOST_KELVIN] = [1000, 20_000];

export const balanceFields = {
  kelvin: typedField({
    label: 'White balance, K',
    span: 'anchor-half',
    print: (camera) => span(camera.kelvinRange),
    parse: (text) => {
      const span = wholes(text) ? pair(text) : undefined;
      return span && span[0] >= LEAST_KELVIN && span[1] <= MOST_KELVIN ? span : undefined;
    },
    says: `White balance: type the lowest and the highest Kelvin, from ${LEAST_KELVIN} to ${MOST_KELVIN}`,
    put: (camera, kelvinRange) => ({ ...camera, kelvinRange }),
  }),
  kelvinStep: typedField({
    label: 'in steps of, K',
    span: 'anchor-half',
    print: (camera) => String(camera.kelvinStep),
    parse: (text) => (Number.isInteger(parseNumber(text)) ? above0(text) : undefined),
    says: 'White balance: type the step of its Kelvin, a whole number such as 100',
    put: (camera, kelvinStep) => ({ ...camera, kelvinStep }),
  }),
  tint: typedField({
    label: 'Tint from, to (0 if none)',
    span: 'anchor-half',
    print: (camera) => (camera.tintRange[0] === camera.tintRange[1] ? '0' : span(camera.tintRange)),
    parse: (text): [number, number] | undefined => (parseNumber(text) === 0 ? [0, 0] : pair(text)),
    says: 'Tint: type the range of its tint, such as -9 to 9, or 0',
    put: (camera, tintRange) => ({ ...camera, tintRange }),
  }),
  tintStep: typedField({
    label: 'Tint in steps of',
    span: 'anchor-half',
    print: (camera) => String(camera.tintStep),
    parse: above0,
    says: 'Tint: type the step of its tint, such as 1',
    put: (camera, tintStep) => ({ ...camera, tintStep }),
  }),
} as const;
