import { gamutMatrix } from '../colour/gamut.ts';
import { apply, type Triple } from '../colour/matrix.ts';
import { makeFrame, type Frame, type Rect } from '../frame/frame.ts';
import { ARCHETYPES, compileProfile, type ProfileData } from '../profile/index.ts';
import { gaussian, seededRandom } from '../random.ts';
import { quantise, type Coding } from '../signal/scale.ts';
import { stopsToReflectance } from '../units.ts';

// Small pictures in scene-linear light (BT.709 primaries, 0.18 = middle grey in the key light), drawn in code, with
// every patch's light known: for tests, benchmarks and the wedge. Pictures to judge come from the stage.

/** Linear light at u, v in 0..1 across and down. */
export type ScenePaint = (u: number, v: number) => Triple;

/** A patch of known light, in fractions of the picture. */
export type ScenePatch = {
  readonly id: string;
  readonly kind: 'card' | 'skin' | 'step' | 'source';
  readonly stops: number;
  readonly rect: Rect;
};

export type TestPicture = { readonly paint: ScenePaint; readonly patches: readonly ScenePatch[] };

const grey = (light: number): Triple => [light, light, light];
const scaled = ([r, g, b]: Triple, k: number): Triple => [r * k, g * k, b * k];
const inside = ({ x, y, width, height }: Rect, u: number, v: number) =>
  u >= x && u < x + width && v >= y && v < y + height;
const smooth = (from: number, to: number, x: number) => {
  const t = Math.min(1, Math.max(0, (x - from) / (to - from)));
  return t * t * (3 - 2 * t);
};
const mix = (a: Triple, b: Triple, t: number): Triple => [
  a[0] + (b[0] - a[0]) * t,
  a[1] + (b[1] - a[1]) * t,
  a[2] + (b[2] - a[2]) * t,
];
/** Hue with luminance 1 in BT.709, so that a colour can be set to a stop. */
const hue = (rgb: Triple): Triple => scaled(rgb, 1 / (0.2126 * rgb[0] + 0.7152 * rgb[1] + 0.0722 * rgb[2]));
const atStops = (rgb: Triple, stops: number): Triple => scaled(hue(rgb), stopsToReflectance(stops));

/** Sixteen neutral steps from -8 to +7 in two rows, on −2 1/2. */
const stepWedge = (): TestPicture => {
  const patches = Array.from({ length: 16 }, (_, i): ScenePatch => {
    const row = i < 8 ? 0 : 1;
    return {
      id: `step${i - 8}`,
      kind: i === 8 ? 'card' : 'step',
      stops: i - 8,
      rect: { x: 0.06 + (i % 8) * 0.11, y: row === 0 ? 0.14 : 0.54, width: 0.1, height: 0.32 },
    };
  });
  const paint: ScenePaint = (u, v) =>
    grey(stopsToReflectance(patches.find((p) => inside(p.rect, u, v))?.stops ?? -2.5));
  return { paint, patches };
};

const SKIN_ANA: Triple = [0.5, 0.33, 0.24];
const SKIN_OLA: Triple = [0.2, 0.115, 0.075];

/** The furnace mouth: dark shop, glowing gather, a door to cold daylight, a face and a grey card. */
const furnace = (): TestPicture => {
  const patches: ScenePatch[] = [
    { id: 'card', kind: 'card', stops: 0, rect: { x: 0.195, y: 0.72, width: 0.06, height: 0.1 } },
    { id: 'ana', kind: 'skin', stops: 1.2, rect: { x: 0.335, y: 0.5, width: 0.05, height: 0.09 } },
    { id: 'gather', kind: 'source', stops: 6.4, rect: { x: 0.69, y: 0.4, width: 0.08, height: 0.14 } },
  ];
  const warm: Triple = [1, 0.62, 0.3];
  const cold: Triple = [0.62, 0.86, 1.25];
  const paint: ScenePaint = (u, v) => {
    const [dx, dy] = [u - 0.73, (v - 0.47) * 0.5625];
    const r = Math.hypot(dx, dy);
    const glow = 2 ** (-r * 9);
    let light = mix(atStops(cold, -4.6 - 1.4 * u), atStops(warm, 1.6), glow);
    if (v > 0.76) light = scaled(light, 0.35 + 0.2 * Math.sin(u * 60) ** 2);
    if (inside({ x: 0.015, y: 0.1, width: 0.135, height: 0.74 }, u, v)) {
      light = atStops(cold, 3.4 + 0.4 * (0.5 - v) - (Math.abs((u * 30) % 1) < 0.06 ? 2 : 0));
    }
    const head = Math.hypot((u - 0.36) / 0.062, (v - 0.51) / 0.165);
    if (v > 0.66 && Math.abs(u - 0.36) < 0.05 + 0.24 * smooth(0.62, 0.86, v)) {
      light = atStops([0.5, 0.5, 0.55], -2.2 + 1.6 * smooth(0.26, 0.52, u));
    }
    if (head < 1) light = atStops(SKIN_ANA, 1.2 - 2.6 * smooth(0.335, 0.28, u) - 1.2 * smooth(0.8, 1, head));
    if (head < 1.06 && v < 0.42) light = atStops([0.4, 0.3, 0.22], -2.4 + smooth(0.3, 0.42, u));
    if (r < 0.15) light = atStops(warm, 3.1 + 1.4 * smooth(0.15, 0.1, r));
    if (r < 0.105) light = atStops([1, 0.78, 0.5], 4.4 + 2 * smooth(0.105, 0.075, r));
    if (inside({ x: 0.19, y: 0.705, width: 0.07, height: 0.13 }, u, v)) light = grey(stopsToReflectance(-4));
    const known = patches.find((p) => inside(p.rect, u, v));
    if (known?.kind === 'card') light = grey(stopsToReflectance(known.stops));
    if (known?.kind === 'skin') light = atStops(SKIN_ANA, known.stops);
    return light;
  };
  return { paint, patches };
};

/** The packing yard at noon: gradient sky, white crates in hard sun, deep shade under a shed roof, a grey card. */
const yard = (): TestPicture => {
  const patches: ScenePatch[] = [
    { id: 'card', kind: 'card', stops: 0, rect: { x: 0.44, y: 0.66, width: 0.05, height: 0.09 } },
    { id: 'crate', kind: 'step', stops: 2.2, rect: { x: 0.62, y: 0.58, width: 0.09, height: 0.12 } },
  ];
  const paint: ScenePaint = (u, v) => {
    if (v < 0.42) {
      const sky = mix(atStops([0.42, 0.68, 1.2], 1.3), atStops([0.8, 0.92, 1.1], 2.6), smooth(0, 0.42, v));
      const sun = Math.hypot(u - 0.86, (v - 0.12) * 0.5625);
      const hot = 2 ** (9 - sun * 260) + 2 ** (2.5 - sun * 20);
      return mix(sky, [sky[0] + hot, sky[1] + hot * 0.97, sky[2] + hot * 0.9], 1);
    }
    let light = atStops([0.9, 0.86, 0.78], -0.4 + 0.35 * Math.sin(u * 90 + v * 40) * Math.sin(v * 130));
    if (u < 0.3 && v < 0.74)
      light = atStops([0.6, 0.7, 0.9], -4.6 + 2 * smooth(0.42, 0.74, v) - 1.4 * (u < 0.1 ? 1 : 0));
    for (const [cx, cy, w, h] of [
      [0.56, 0.5, 0.19, 0.3],
      [0.78, 0.56, 0.15, 0.22],
      [0.36, 0.72, 0.05, 0.06],
    ]) {
      if (inside({ x: cx, y: cy, width: w, height: h }, u, v)) {
        const slat = Math.abs(((v - cy) * 24) % 1) < 0.1;
        light = grey(stopsToReflectance(2.2 - (u - cx < w * 0.22 ? 2.6 : 0) - (slat ? 2.2 : 0)));
      }
      if (v > cy + h && v < cy + h + 0.05 && u > cx - 0.06 && u < cx + w - 0.03) light = scaled(light, 0.16);
    }
    const known = patches.find((p) => inside(p.rect, u, v));
    return known ? grey(stopsToReflectance(known.stops)) : light;
  };
  return { paint, patches };
};

/** The bench interview: a window as key, two faces of different skin, a lamp behind, a grey card between them. */
const bench = (): TestPicture => {
  const patches: ScenePatch[] = [
    { id: 'card', kind: 'card', stops: 0, rect: { x: 0.475, y: 0.68, width: 0.05, height: 0.09 } },
    { id: 'ana', kind: 'skin', stops: 1.2, rect: { x: 0.335, y: 0.4, width: 0.035, height: 0.075 } },
    { id: 'ola', kind: 'skin', stops: 0.2, rect: { x: 0.625, y: 0.4, width: 0.035, height: 0.075 } },
  ];
  const face = (u: number, v: number, cx: number, skin: Triple, key: number): Triple | undefined => {
    const d = Math.hypot((u - cx) / 0.056, (v - 0.44) / 0.15);
    if (d > 1) return undefined;
    if (v < 0.36 && d > 0.5) return atStops([0.3, 0.24, 0.2], key - 4);
    return atStops(skin, key - 2.4 * smooth(cx - 0.005, cx + 0.05, u) - 0.7 * smooth(0.85, 1, d));
  };
  const paint: ScenePaint = (u, v) => {
    let light = atStops([0.86, 0.8, 0.7], -0.9 - 2.4 * smooth(0.15, 0.95, u));
    if (inside({ x: 0.02, y: 0.06, width: 0.19, height: 0.56 }, u, v)) {
      const bar = Math.abs(u - 0.115) < 0.006 || Math.abs(v - 0.34) < 0.009;
      light = bar ? grey(stopsToReflectance(-1)) : atStops([0.85, 0.97, 1.15], 4.3 - v);
    }
    const lamp = Math.hypot(u - 0.86, (v - 0.26) * 0.5625);
    light = mix(light, atStops([1, 0.66, 0.36], 3), 2 ** (-lamp * 26) * 0.8);
    if (lamp < 0.028) light = atStops([1, 0.8, 0.55], 6.9);
    for (const [cx, tone] of [
      [0.36, -1.4],
      [0.65, -2.6],
    ]) {
      if (v > 0.57 && Math.abs(u - cx) < 0.04 + 0.09 * smooth(0.56, 0.7, v))
        light = atStops([0.4, 0.46, 0.56], tone);
    }
    light = face(u, v, 0.36, SKIN_ANA, 1.2) ?? face(u, v, 0.65, SKIN_OLA, 0.2) ?? light;
    if (v > 0.82) light = atStops([0.5, 0.36, 0.24], -1.6 - 1.4 * u + 0.2 * Math.sin(u * 140 + v * 30));
    const known = patches.find((p) => inside(p.rect, u, v));
    if (known?.kind === 'card') light = grey(stopsToReflectance(known.stops));
    if (known?.kind === 'skin') light = atStops(known.id === 'ana' ? SKIN_ANA : SKIN_OLA, known.stops);
    return light;
  };
  return { paint, patches };
};

/** The test pictures by id. A further one is a function and a row. */
export const TEST_PICTURES = { stepWedge, furnace, yard, bench } as const satisfies Record<
  string,
  () => TestPicture
>;
export type TestPictureId = keyof typeof TEST_PICTURES;

export type EncodeOptions = {
  readonly width: number;
  readonly height: number;
  readonly profile: ProfileData;
  readonly coding: Coding;
  /** Exposure of the whole picture in stops; 0 puts the card at grey. */
  readonly placement: number;
  readonly seed: number;
  /** Electrons at middle grey; noise is their square root plus read noise. 0 = none. */
  readonly greyElectrons: number;
  /** Electrons; 4 without the field. */
  readonly readElectrons?: number;
};

const READ_NOISE = 4;

/**
 * A picture recorded: exposed, photon and read noise added, clipped at the profile's clip, turned to its gamut,
 * encoded and quantised. Same seed, same codes.
 */
export const encodePicture = (picture: TestPicture, options: EncodeOptions): Frame => {
  const { width, height, coding, placement, seed, greyElectrons, readElectrons = READ_NOISE } = options;
  const profile = compileProfile(options.profile);
  const matrix = gamutMatrix('bt709', profile.gamut);
  const top = stopsToReflectance(profile.clipStops);
  const normal = gaussian(seededRandom(seed));
  const gain = 2 ** placement;
  const planes = [0, 1, 2].map(() => new Uint16Array(width * height));
  const perLight = greyElectrons / 0.18;
  const noisy = (light: number) =>
    greyElectrons === 0
      ? light
      : light + (normal() * Math.sqrt(Math.max(0, light * perLight) + readElectrons ** 2)) / perLight;
  for (let y = 0, i = 0; y < height; y += 1) {
    for (let x = 0; x < width; x += 1, i += 1) {
      const light = apply(matrix, scaled(picture.paint((x + 0.5) / width, (y + 0.5) / height), gain));
      for (let c = 0; c < 3; c += 1) {
        planes[c][i] = quantise(profile.transfer.encode(Math.min(top, noisy(light[c]))), coding);
      }
    }
  }
  return makeFrame({ width, height, ...coding, r: planes[0], g: planes[1], b: planes[2] });
};

/** How the step wedge that ships is recorded: sixteen neutral steps without noise, a check of the bench itself. */
export const WEDGE = {
  width: 960,
  height: 540,
  profile: ARCHETYPES.wideLog,
  coding: { bitDepth: 10, range: 'legal' },
  placement: 0,
  seed: 14,
  greyElectrons: 0,
} as const satisfies EncodeOptions;
