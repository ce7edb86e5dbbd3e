import { miredShift } from '#core/colour/balance.ts';
import { success } from '#core/result.ts';
import { lightSchema } from '#store/records/bag.ts';
import { numberField, signed, tintField, tintWords, type BagKind } from './bagKind.ts';
import { words } from '#ui/wording/kitBag.ts';

export const lights: BagKind<'lights', { readonly kelvin: number; readonly tint: number }> = {
  table: 'lights',
  title: words.lights,
  one: 'light',
  says: 'Lamps and skies, measured or off the box; the split is against the dial of this plan.',
  fields: [
    numberField(
      'kelvin',
      'Kelvin',
      '5600',
      lightSchema.shape.kelvin,
      'Kelvin: type 1000 to 25000, such as 5600',
    ),
    tintField,
  ],
  textsOf: ({ kelvin, tint }) => ({ kelvin: String(kelvin), tint: String(tint) }),
  make: success,
  common: [
    { name: 'Tungsten', kelvin: 3200, tint: 0 },
    { name: 'Daylight lamp', kelvin: 5600, tint: 0 },
    { name: 'Noon sun', kelvin: 5500, tint: 0 },
    { name: 'Overcast sky', kelvin: 6500, tint: 0 },
  ],
  line: ({ kelvin, tint }, { plan }) => {
    const off = Math.round(miredShift(kelvin, plan.kelvin));
    return `${kelvin}\u00a0K, ${(1e6 / kelvin).toFixed(0)} mired${tintWords(tint)}; ${signed(off)} mired off the dial`;
  },
};
