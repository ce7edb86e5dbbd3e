import { success } from '#core/result.ts';
import { printStopsDecimal } from '#core/units.ts';
import { gelSchema } from '#store/records/bag.ts';
import { miredField, numberField, signed, tintField, tintWords, type BagKind } from './bagKind.ts';
import { words } from '#ui/wording/kitBag.ts';

type GelValues = { readonly mired: number; readonly tint: number; readonly loss: number };

export const gels: BagKind<'gels', GelValues> = {
  table: 'gels',
  title: words.gels,
  one: 'gel',
  says: 'Mired shifts add up; each costs light.',
  fields: [
    miredField('shift, mired', gelSchema.shape.mired, 400),
    tintField,
    numberField(
      'loss',
      'loss, stops',
      '0',
      gelSchema.shape.lossStops,
      'Loss: type the stops it costs, 0 to 10',
    ),
  ],
  textsOf: ({ mired, tint, lossStops }) => ({
    mired: String(mired),
    tint: String(tint),
    loss: String(lossStops),
  }),
  make: ({ mired, tint, loss }) => success({ mired, tint, lossStops: loss }),
  // 10^6 / 3200 - 10^6 / 5600 = 134 mired, halves and quarters of it.
  common: [
    { name: 'Full to tungsten', mired: 134, tint: 0, lossStops: 0.7 },
    { name: 'Half to tungsten', mired: 67, tint: 0, lossStops: 0.4 },
    { name: 'Full to daylight', mired: -134, tint: 0, lossStops: 1.5 },
    { name: 'Half to daylight', mired: -67, tint: 0, lossStops: 1 },
  ],
  line: ({ mired, tint, lossStops }) => {
    // Shown on the light it is made for: warm ones on daylight, cool ones on tungsten.
    const on = mired < 0 ? 3200 : 5600;
    const turned = Math.round(1e5 / (1e6 / on + mired)) * 10;
    const loss = printStopsDecimal(lossStops).replace('+', '');
    const becomes = mired === 0 ? '' : `; ${on}\u00a0K becomes ${turned}\u00a0K`;
    return `${signed(mired)} mired${tintWords(tint)}, costs ${loss} stop${becomes}`;
  },
};
