import type { Figure, TestGround, Told } from './types.ts';

const SUBJECTS = { card: 'grey card', white: 'white paper', black: 'black cloth' } as const;
/** A needle at 0 is set to a third of a stop at best; by the eye, to half of that. Our own choice. */
const NEEDLE = 0.08;

/** What the camera's meter shows too much, by mode and by what fills the picture. */
export const meterOf = ({ filmed, curve, camera, have }: TestGround): Told => {
  const shots = filmed.filter(({ shot }) => shot.kind === 'meter');
  if (camera.meterModes.length === 0) return { figures: [] };
  if (shots.length === 0)
    return { figures: [], missing: [{ what: 'whether the camera’s meter is to be trusted', shot: 'meter' }] };
  if (have.exposureBy === 'camera')
    return {
      figures: [],
      missing: [
        { what: 'what the camera’s meter shows too much: nothing else told the light', shot: 'meter' },
      ],
    };
  return {
    figures: shots.flatMap(({ shot, hold }): Figure[] => {
      const place = curve.stopsAt(hold.card.signal);
      if (!Number.isFinite(place)) return [];
      const mode = shot.settings.meterMode ?? '';
      const subject = SUBJECTS[shot.view as keyof typeof SUBJECTS];
      return [
        {
          id: `meter.${mode}.${shot.view}`,
          name: `meter, ${mode}, on ${subject}: shows too much`,
          // At 0 by the meter it lies at grey; higher, and the meter has shown too little.
          value: -place || 0,
          unit: 'stops',
          plusMinus: Math.hypot(NEEDLE, curve.doubt(place)),
          from: [shot.id],
        },
      ];
    }),
  };
};
