import type { Shutter } from '../exposure/shutter.ts';
import type { Sensitivity } from '../exposure/iso.ts';

/** How thorough a test is: three minutes, ten, twenty-five. */
export const TEST_LENGTHS = {
  short: { name: 'short', minutes: 3 },
  usual: { name: 'usual', minutes: 10 },
  thorough: { name: 'thorough', minutes: 25 },
} as const;
export type TestLength = keyof typeof TEST_LENGTHS;
export const TEST_LENGTH_IDS = Object.keys(TEST_LENGTHS) as TestLength[];

/** Reflectance of what is filmed for a card: a grey one, or plain white copy paper. */
export const CARDS = {
  // Common practice, no source: plain paper reflects 80 to 90 % of the light.
  grey: { name: 'grey card', reflectance: 0.18, placeSd: 0 },
  paper: { name: 'sheet of white paper', reflectance: 0.86, placeSd: 0.07 },
} as const;
export type CardKind = keyof typeof CARDS;

/** What says how much light there is, so that grey has a place. */
export const EXPOSURE_BY = {
  meter: { name: 'a light meter of your own' },
  profile: { name: 'the profile: its grey is known' },
  camera: { name: 'only the camera’s own meter' },
} as const;
export type ExposureBy = keyof typeof EXPOSURE_BY;

/** What lights the card. */
export const TEST_LIGHTS = {
  lamp: { name: 'one lamp' },
  window: { name: 'a window' },
} as const;
export type TestLight = keyof typeof TEST_LIGHTS;

/** What somebody has at hand for a test. */
export type TestHave = {
  readonly card: CardKind;
  /** A window’s light moves: then even a short test looks at the card once more. */
  readonly light: TestLight;
  /** Kelvin of the light on the card where it is known: a lamp that states it, a colour meter. */
  readonly kelvin?: number;
  /** The iris can be set while the shutter is not. */
  readonly ring: boolean;
  readonly tripod: boolean;
  /** Three sheets of colour, or a chart. */
  readonly colours: boolean;
  /** A dark chip stands beside the card. */
  readonly chip: boolean;
  readonly exposureBy: ExposureBy;
};

/** What most have, to begin with. */
export const USUAL_HAVE: TestHave = {
  card: 'grey',
  light: 'lamp',
  kelvin: 5600,
  ring: true,
  tripod: true,
  colours: true,
  chip: false,
  exposureBy: 'meter',
};

/** What of a camera's menu a list is made from. */
export type TestedCamera = {
  readonly baseIsos: readonly number[];
  readonly isos: readonly number[];
  readonly sensitivity: Sensitivity;
  readonly shutters: readonly Shutter[];
  readonly fps: number;
  readonly kelvinStep: number;
  readonly kelvinRange: readonly [number, number];
  readonly tintStep: number;
  readonly tintRange: readonly [number, number];
  /** Empty where its meter was never described. */
  readonly meterModes: readonly string[];
};

/** Detail and noise reduction as the menu has them from new, or as low as they go. */
export type Processing = 'lowest' | 'default';

/** How a shot is set. */
export type ShotSettings = {
  readonly shutter: Shutter;
  readonly iso: number;
  readonly kelvin: number;
  readonly tint: number;
  readonly processing: Processing;
  /** Where a grey card lies by the marks of shutter, light and ISO: stops over grey. */
  readonly stops: number;
  /** Stops of light more than at first, by iris or lamp. */
  readonly moreLight: number;
  readonly meterMode?: string;
};

/** What fills the picture. */
export type View = 'cap' | 'card' | 'white' | 'black' | 'sheets' | 'edge' | 'wall';

/** A shot of the list. */
export type Shot = {
  readonly id: string;
  readonly kind: ShotKindId;
  readonly view: View;
  /** How long it is held, seconds. */
  readonly seconds: number;
  readonly settings: ShotSettings;
};

export const SHOT_KIND_IDS = [
  'cap',
  'first',
  'iso',
  'balance',
  'tint',
  'meter',
  'bracket',
  'back',
  'sheets',
  'edge',
  'wall',
  'again',
] as const;
export type ShotKindId = (typeof SHOT_KIND_IDS)[number];

/** What a list is made from. */
export type ListBasis = {
  readonly camera: TestedCamera;
  readonly have: TestHave;
  readonly length: TestLength;
};

/** Kinds of shots: what they are, what they tell, which shots they come to. */
export type ShotKind = {
  readonly name: string;
  readonly view: View;
  /** What it tells, in a few words. */
  readonly tells: string;
  /** What is done, once for all shots of the kind. */
  readonly how: string;
  readonly shots: (basis: ListBasis) => readonly Shot[];
};
