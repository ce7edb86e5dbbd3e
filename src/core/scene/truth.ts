import { failure, success, type Result } from '../result.ts';

const THING_KINDS = ['card', 'white', 'trap', 'wedge', 'patch', 'skin', 'light', 'thing'] as const;
type ThingKind = (typeof THING_KINDS)[number];

/** What is known of one thing in a scene. Colours are linear BT.2020. */
export type TruthObject = {
  /** Its number in the mask. */
  readonly mask: number;
  readonly name: string;
  readonly kind: ThingKind;
  readonly subjectId?: string;
  /** Mean reflectance; none for what gives light. */
  readonly reflectance?: readonly [number, number, number];
  /** Mean light that comes from it, cd/m2. */
  readonly light: readonly [number, number, number];
  readonly luminance: number;
  /** Luminance where it is read: the key side of a face, the middle of a patch. */
  readonly keyLuminance: number;
  /** The light that falls on it. */
  readonly illuminant?: { readonly kelvin: number; readonly duv: number };
  readonly pixels: number;
  /** Where it is read, in fractions of the picture. */
  readonly rect: { readonly x: number; readonly y: number; readonly width: number; readonly height: number };
};

/** How bright each layer of light is at a moment of a sequence. */
export type WeatherKey = { readonly at: number; readonly weights: readonly number[] };

export type SceneTruth = {
  readonly id: string;
  readonly width: number;
  readonly height: number;
  /** Luminance of the grey card, cd/m2; light is kept against it. */
  readonly card: number;
  /** Layers of light, one file each. */
  readonly layers: readonly string[];
  /** Sun to cloud: what the layers do over some seconds. */
  readonly weather?: readonly WeatherKey[];
  /** A walk: so many pictures a second, each a window laid over the still. */
  readonly walk?: {
    readonly fps: number;
    readonly windows: readonly { x: number; y: number; width: number; height: number }[];
  };
  readonly objects: readonly TruthObject[];
};

const VERSION = 1;
const MAX_TEXT = 2_000_000;
const MAX_SIDE = 8192;

const isObject = (v: unknown): v is Record<string, unknown> => typeof v === 'object' && v !== null;
const isNumber = (v: unknown): v is number => typeof v === 'number' && Number.isFinite(v);
const isText = (v: unknown): v is string => typeof v === 'string' && v.length > 0 && v.length <= 120;
const isTriple = (v: unknown) => Array.isArray(v) && v.length === 3 && v.every((n) => isNumber(n) && n >= 0);
const isWindow = (v: unknown) =>
  isObject(v) && ['x', 'y', 'width', 'height'].every((key) => isNumber(v[key]) && v[key] >= 0);

const OBJECT_RULES: readonly (readonly [string, (v: unknown) => boolean])[] = [
  ['mask', (v) => isNumber(v) && Number.isInteger(v) && v >= 1 && v <= 255],
  ['name', isText],
  ['kind', (v) => THING_KINDS.includes(v as ThingKind)],
  ['light', isTriple],
  ['luminance', (v) => isNumber(v) && v >= 0],
  ['keyLuminance', (v) => isNumber(v) && v >= 0],
  ['pixels', (v) => isNumber(v) && v >= 1],
  ['rect', isWindow],
  ['reflectance', (v) => v === undefined || isTriple(v)],
  ['illuminant', (v) => v === undefined || (isObject(v) && isNumber(v.kelvin) && isNumber(v.duv))],
];

const SCENE_RULES: readonly (readonly [string, (v: unknown) => boolean])[] = [
  ['id', isText],
  ['width', (v) => isNumber(v) && Number.isInteger(v) && v >= 1 && v <= MAX_SIDE],
  ['height', (v) => isNumber(v) && Number.isInteger(v) && v >= 1 && v <= MAX_SIDE],
  ['card', (v) => isNumber(v) && v > 0],
  ['layers', (v) => Array.isArray(v) && v.length >= 1 && v.length <= 8 && v.every(isText)],
  ['objects', (v) => Array.isArray(v) && v.length <= 255],
];

const wrongIn = (value: Record<string, unknown>, rules: typeof OBJECT_RULES) =>
  rules.find(([key, holds]) => !holds(value[key]))?.[0];

/** Reads a truth file; a failure names the field that does not fit. */
export const readTruth = (text: string): Result<SceneTruth> => {
  if (text.length > MAX_TEXT) return failure('file', 'The truth file is over 2 MB: it is none of a scene.');
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return failure('file', 'The truth file is no JSON, or was cut short: render the scene again.');
  }
  if (!isObject(value) || value.candelum !== 'scene')
    return failure('candelum', 'This is no truth file of a scene.');
  if (value.version !== VERSION)
    return failure(
      'version',
      `The truth file has version ${String(value.version)}; version ${VERSION} is read.`,
    );
  const wrong = wrongIn(value, SCENE_RULES);
  if (wrong) return failure(wrong, `The truth file does not fit: ${wrong}.`);
  const truth = value as unknown as SceneTruth;
  for (const [i, object] of truth.objects.entries()) {
    const field = isObject(object) ? wrongIn(object, OBJECT_RULES) : 'object';
    if (field)
      return failure(`objects[${i}].${field}`, `The truth file does not fit: object ${i + 1}, ${field}.`);
  }
  const layers = truth.layers.length;
  if (truth.weather?.some(({ at, weights }) => !isNumber(at) || weights?.length !== layers))
    return failure('weather', 'The truth file does not fit: weather must weigh every layer.');
  if (truth.walk && !(isNumber(truth.walk.fps) && truth.walk.fps > 0 && truth.walk.windows.every(isWindow)))
    return failure('walk', 'The truth file does not fit: walk.');
  return success(truth);
};

/** A truth as the text of its file. */
export const writeTruth = (truth: SceneTruth): string =>
  `${JSON.stringify({ candelum: 'scene', version: VERSION, ...truth }, undefined, 1)}\n`;

/** Weights of the layers at a moment, straight between the keys; all 1 without weather. */
export const weightsAt = ({ layers, weather }: SceneTruth, seconds: number): readonly number[] => {
  if (!weather || weather.length === 0) return layers.map(() => 1);
  const after = weather.findIndex(({ at }) => at >= seconds);
  if (after === -1) return weather[weather.length - 1].weights;
  if (after === 0) return weather[0].weights;
  const [a, b] = [weather[after - 1], weather[after]];
  const t = (seconds - a.at) / (b.at - a.at);
  return a.weights.map((w, i) => w + (b.weights[i] - w) * t);
};
