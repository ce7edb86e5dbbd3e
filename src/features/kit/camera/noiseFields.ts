import { parseStops } from '#core/units.ts';
import { typedField } from './field.ts';

export const noiseFields = {
  floor: typedField({
    label: 'Usable floor at base, stops',
    span: 'anchor-half',
    print: (camera) => String(camera.floorStops),
    parse: (text) => {
      const stops = parseStops(text);
      return stops !== undefined && stops < 0 ? stops : undefined;
    },
    says: 'Usable floor: type the lowest clean stop under grey, such as −5',
    put: (camera, floorStops) => ({ ...camera, floorStops }),
  }),
} as const;
