import { parseNumber } from '#core/units.ts';
import { above0, pair, span, typedField, wholes } from './field.ts';
import { words } from '#ui/wording/kitCamera.ts';

// What a plan can be set to.
const [LEAST_KELVIN, MOST_KELVIN] = [1000, 20_000];

export const balanceFields = {
  kelvin: typedField({
    label: words.whiteBalanceK,
    span: 'anchor-half',
    print: (camera) => span(camera.kelvinRange),
    parse: (text) => {
      const span = wholes(text) ? pair(text) : undefined;
      return span && span[0] >= LEAST_KELVIN && span[1] <= MOST_KELVIN ? span : undefined;
    },
    says: words.whiteBalanceTypeThe(LEAST_KELVIN, MOST_KELVIN),
    put: (camera, kelvinRange) => ({ ...camera, kelvinRange }),
  }),
  kelvinStep: typedField({
    label: words.inStepsOfK,
    span: 'anchor-half',
    print: (camera) => String(camera.kelvinStep),
    parse: (text) => (Number.isInteger(parseNumber(text)) ? above0(text) : undefined),
    says: words.whiteBalanceTypeTheStep,
    put: (camera, kelvinStep) => ({ ...camera, kelvinStep }),
  }),
  tint: typedField({
    label: words.tintFromTo0,
    span: 'anchor-half',
    print: (camera) => (camera.tintRange[0] === camera.tintRange[1] ? '0' : span(camera.tintRange)),
    parse: (text): [number, number] | undefined => (parseNumber(text) === 0 ? [0, 0] : pair(text)),
    says: words.tintTypeTheRange,
    put: (camera, tintRange) => ({ ...camera, tintRange }),
  }),
  tintStep: typedField({
    label: words.tintInStepsOf,
    span: 'anchor-half',
    print: (camera) => String(camera.tintStep),
    parse: above0,
    says: words.tintTypeTheStep,
    put: (camera, tintStep) => ({ ...camera, tintStep }),
  }),
} as const;
