import type { WeatherKey } from '#core/scene/truth.ts';
import type { Model } from '../render/model.ts';
import type { Window } from '../render/samples.ts';
import { bench } from './bench.ts';
import { dunes } from './dunes.ts';
import { furnace } from './furnace.ts';
import { hallSpeaker, hallWide } from './hall.ts';
import { quay } from './quay.ts';
import { slipway } from './slipway.ts';
import { walkWindow, yard } from './yard.ts';

export type SceneModel = {
  readonly model: () => Model;
  /** Paths a pixel. */
  readonly samples: number;
  /** Luminance of the grey card, cd/m2: the whole scene is scaled to it. */
  readonly card: number;
  /** Names of the layers of light. */
  readonly layers: readonly string[];
  /** Sun to cloud and back. */
  readonly weather?: readonly WeatherKey[];
};

/** A cloud before the sun: the sky takes over, a little brighter than it was. Seconds. */
const CLOUD: readonly WeatherKey[] = [
  { at: 0, weights: [1, 1] },
  { at: 2, weights: [1, 1] },
  { at: 4, weights: [0.03, 1.35] },
  { at: 6, weights: [0.03, 1.35] },
  { at: 8, weights: [1, 1] },
];

/** The layers of the hall, and how it stands: every lamp on, the curtains drawn. */
const HALL = {
  layers: ['lamps', 'key spot', 'windows'],
  weather: [{ at: 0, weights: [1, 1, 0] }],
} as const;

/** Scenes that can be rendered. A further one is a file and a row. */
export const SCENE_MODELS = {
  'furnace-mouth': { model: furnace, samples: 27, card: 12.5, layers: ['all'] },
  'bench-interview': { model: bench, samples: 18, card: 20, layers: ['all'] },
  'packing-yard': { model: () => yard(), samples: 21, card: 4000, layers: ['sun', 'sky'], weather: CLOUD },
  dunes: { model: dunes, samples: 15, card: 1600, layers: ['sun', 'sky'], weather: CLOUD },
  slipway: { model: slipway, samples: 28, card: 12.5, layers: ['all'] },
  'hall-wide': { model: hallWide, samples: 21, card: 12.5, ...HALL },
  'hall-speaker': { model: hallSpeaker, samples: 18, card: 12.5, ...HALL },
  'lantern-quay': { model: quay, samples: 33, card: 1.56, layers: ['all'] },
} as const satisfies Record<string, SceneModel>;
export type SceneModelId = keyof typeof SCENE_MODELS;

type Walk = {
  /** The scene with somebody that far on the way, 0..1; without anybody. */
  readonly model: (at: number | undefined) => Model;
  readonly samples: number;
  readonly card: number;
  readonly fps: number;
  readonly frames: number;
  /** Window of the picture that the walker and the shadow stay in. */
  readonly windowAt: (at: number, size: { width: number; height: number }) => Window;
};

/** Sequences in which somebody walks. */
export const WALKS = {
  'yard-walk': {
    model: (at) => yard(at ?? 'empty'),
    samples: 12,
    card: 4000,
    fps: 12.5,
    frames: 40,
    windowAt: walkWindow,
  },
} as const satisfies Record<string, Walk>;
export type WalkId = keyof typeof WALKS;
