/** What a spot is for. */
export const SPOT_ROLES = {
  card: { name: 'grey card', says: 'An 18 % card in the light on the subject.' },
  skin: { name: 'key side of a face', says: 'Measured where the key falls; its own offset is known.' },
  keep: { name: 'must keep', says: 'Has to stay between clip and floor.' },
  mayLose: { name: 'may lose', says: 'Nice to have; may clip or go black.' },
  light: {
    name: 'light in frame',
    says: 'A lamp, the sun, a window: it may clip and must not fool the meter.',
  },
} as const;
export type SpotRole = keyof typeof SPOT_ROLES;

/** Units a reading may be in; what each means is in survey.ts. */
export const SPOT_UNIT_IDS = ['stops', 'ev', 'luminance', 'lux', 'incident', 'fNumber', 'meter'] as const;
export type SpotUnit = (typeof SPOT_UNIT_IDS)[number];

/** A reading of one place, in the unit it was taken in. */
export type Spot = {
  readonly id: string;
  readonly name: string;
  readonly role: SpotRole;
  readonly unit: SpotUnit;
  readonly value: number;
  /** Of the surface, 0..1; illuminance only. Without it 0.18. */
  readonly reflectance?: number;
  /** Settings the reading was taken at; meter and f-number only. */
  readonly at?: {
    readonly iso: number;
    readonly iris: number;
    readonly seconds: number;
    readonly ndStops: number;
  };
  /** Whose face; role skin. */
  readonly subjectId?: string;
};
