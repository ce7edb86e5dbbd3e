import { parseStops } from '#core/units.ts';
import { typedField } from './field.ts';
import { words } from '#ui/wording/kitCamera.ts';

export const noiseFields = {
  floor: typedField({
    label: words.usableFloorAtBase,
    span: 'anchor-half',
    print: (camera) => String(camera.floorStops),
    parse: (text) => {
      const stops = parseStops(text);
      return stops !== undefined && stops < 0 ? stops : undefined;
    },
    says: words.usableFloorTypeThe,
    put: (camera, floorStops) => ({ ...camera, floorStops }),
  }),
} as const;
