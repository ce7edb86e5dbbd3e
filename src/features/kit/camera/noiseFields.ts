import { parseStops } from '#core/units.ts';
import { reading, type Field } from './field.ts';

export const noiseFields = {
  floor: {
    label: 'Usable floor at base, stops',
    span: 'anchor-half',
    print: (camera) => String(camera.floorStops),
    read: reading(
      'usable floor',
      'type the lowest clean stop under grey, such as −5',
      (text) => {
        const stops = parseStops(text);
        return stops !== undefined && stops < 0 ? stops : undefined;
      },
      (d, floorStops) => ({ ...d, floorStops }),
    ),
  },
} as const satisfies Record<string, Field>;
