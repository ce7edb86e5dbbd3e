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

/** How much of the frame a spot stands for, in words, and as a share of it. Our own choice. */
export const SPOT_SHARES = {
  none: { name: 'nothing: held up to be read', share: 0 },
  glint: { name: 'a glint', share: 0.003 },
  small: { name: 'a small part', share: 0.03 },
  part: { name: 'a part', share: 0.15 },
  most: { name: 'most of it', share: 0.5 },
} as const;
export type SpotShare = keyof typeof SPOT_SHARES;
export const SPOT_SHARE_IDS = Object.keys(SPOT_SHARES) as SpotShare[];

/** What is taken where nobody has said: a card is held up and taken away again, a lamp is a glint. Our own choice. */
const USUAL_SHARE: Readonly<Record<SpotRole, SpotShare>> = {
  card: 'none',
  skin: 'small',
  keep: 'part',
  mayLose: 'part',
  light: 'glint',
};

/** How much of the frame a spot stands for. */
export const shareOf = ({ role, share }: Pick<Spot, 'role' | 'share'>): SpotShare =>
  share ?? USUAL_SHARE[role];

/** Where in the frame a spot lies, for meters that weigh the middle more. */
export const SPOT_PLACES = {
  any: { name: 'anywhere, or all over' },
  middle: { name: 'in the middle' },
  edge: { name: 'towards the edges' },
} as const;
export type SpotPlace = keyof typeof SPOT_PLACES;
export const SPOT_PLACE_IDS = Object.keys(SPOT_PLACES) as SpotPlace[];

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
  /** How much of the frame it stands for; without it what is usual for its role. */
  readonly share?: SpotShare;
  /** Where in the frame it lies; without it anywhere. */
  readonly place?: SpotPlace;
  /** Whose face; role skin. */
  readonly subjectId?: string;
};
