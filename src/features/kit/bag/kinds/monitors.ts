import * as z from 'zod/mini';
import { success } from '#core/result.ts';
import { monitorSchema, type MonitorRecord } from '#store/records/bag.ts';
import { numberField, type BagKind } from './bagKind.ts';
import { words } from '#ui/wording/kitBag.ts';

type MonitorValues = {
  readonly points: number;
  readonly inches: number;
  readonly peak: number;
  readonly range: MonitorRecord['range'];
};

const { lutPoints, inches, peak } = monitorSchema.shape;

export const monitors: BagKind<'monitors', MonitorValues> = {
  table: 'monitors',
  title: words.monitors,
  one: 'monitor',
  says: 'What can show the picture, and how large a LUT each one loads.',
  fields: [
    numberField(
      'points',
      'LUT points a side',
      '33',
      // One point is no table.
      lutPoints.check(z.refine((points) => points !== 1)),
      'LUT points: type 2 to 129, such as 33, or 0 for none',
      '0: loads none',
    ),
    numberField('inches', 'size, inches', '7', inches, 'Size: type its diagonal in inches, such as 7'),
    numberField('peak', 'peak, cd/m²', '300', peak, 'Peak: type its peak in cd/m², such as 300'),
    {
      id: 'range',
      label: words.shows,
      empty: 'SDR',
      options: [
        ['SDR', 'SDR'],
        ['HDR', 'HDR'],
      ],
    },
  ],
  textsOf: (monitor) => ({
    points: String(monitor.lutPoints),
    inches: String(monitor.inches),
    peak: String(monitor.peak),
    range: monitor.range,
  }),
  make: ({ points, ...rest }) => success({ lutPoints: points, ...rest }),
  common: [
    { name: 'On-camera monitor', lutPoints: 33, inches: 7, peak: 1000, range: 'SDR' },
    { name: 'Director’s monitor', lutPoints: 33, inches: 17, peak: 350, range: 'SDR' },
  ],
  line: (monitor) => {
    const points = monitor.lutPoints;
    const loads = points === 0 ? 'no LUT: shows the recording as it is' : `${points}-point LUT`;
    return `${loads}, ${monitor.inches} in, ${monitor.peak} cd/m² ${monitor.range}`;
  },
};
