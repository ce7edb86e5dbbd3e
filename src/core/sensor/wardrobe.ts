import { xyToXyz, xyzToXy } from '../colour/chromaticity.ts';
import { GAMUTS, gamutMatrix, rgbToXyz } from '../colour/gamut.ts';
import { deltaE2000, xyzToLab, type Lab } from '../colour/lab.ts';
import { temperatureOf, whiteXy, type Temperature } from '../colour/temperature.ts';
import type { Focus, Imager } from '../lens/depth.ts';
import { monitoringRecipe } from '../lut/monitoringRecipe.ts';
import { compileRecipe } from '../lut/recipe.ts';
import { apply, invert, type Triple } from '../maths/matrix.ts';
import { SKIN_HUE } from '../scene/ofSpots.ts';
import { compileProfile, type ProfileData } from '../profile/index.ts';
import { TRANSFERS } from '../transfer/index.ts';
import { reflectanceToStops } from '../units.ts';

// What a colour of cloth or wall comes to on the monitor: lit by the set's light, balanced as the camera is dialled,
// recorded where the card is placed, shown through the monitoring picture. Then held against others in CIE L*a*b*.

/** Reflectance of red, green and blue in a light that is white, BT.709 primaries, 0..1. */
export type Cloth = Triple;

const SRGB = TRANSFERS.srgb;

/** A colour as it is typed or picked: `#aabbcc`. @returns undefined where it is none */
export const clothOf = (hex: string): Cloth | undefined => {
  const found = /^#?([0-9a-f]{2})([0-9a-f]{2})([0-9a-f]{2})$/i.exec(hex.trim());
  if (!found) return undefined;
  const [, r, g, b] = found;
  const light = (pair: string) => SRGB.decode(parseInt(pair, 16) / 255);
  return [light(r), light(g), light(b)];
};

export type Shown = {
  /** On a screen whose white is the monitor's. */
  readonly lab: Lab;
  /** As the monitor shows it, for a patch of it: `#aabbcc`. */
  readonly hex: string;
};

export type OnMonitor = {
  readonly profile: ProfileData;
  /** Of the card, stops over grey. */
  readonly placement: number;
  /** The set's light on the things, and the light that comes out neutral as the camera is dialled. */
  readonly light: Temperature;
  readonly dialled: Temperature;
};

const BT2020 = rgbToXyz(GAMUTS.bt2020);
const TO_SCENE = invert(BT2020);
const FROM_709 = gamutMatrix('bt709', 'bt2020');
const SHOWN = rgbToXyz(GAMUTS.bt709);
const WHITE = apply(SHOWN, [1, 1, 1]);

const whiteRgb = (light: Temperature): Triple => apply(TO_SCENE, xyToXyz(whiteXy(light)));
const times = (a: Triple, b: Triple): Triple => [a[0] * b[0], a[1] * b[1], a[2] * b[2]];
const byte = (v: number) =>
  Math.round(255 * Math.min(1, Math.max(0, v)))
    .toString(16)
    .padStart(2, '0');

/**
 * What a patch of a frame throws back: its light in the profile's primaries, taken back from its placement to a card
 * that is one.
 */
export const clothOfLight = (
  light: Triple,
  { gamut }: Pick<ProfileData, 'gamut'>,
  placement: number,
): Cloth => {
  const [r, g, b] = apply(gamutMatrix(gamut, 'bt709'), light);
  const back = 2 ** -placement;
  return [r * back, g * back, b * back];
};

/** A cloth as it is typed, held to what a surface can throw back. */
export const hexOf = (cloth: Cloth): string =>
  `#${cloth.map((v) => byte(SRGB.encode(Math.min(1, Math.max(0, v))))).join('')}`;

/** Things as the monitor shows them; the functions are compiled once for all of them. */
export const shownOnMonitor = ({ profile: data, placement, light, dialled }: OnMonitor) => {
  const profile = compileProfile(data);
  const picture = compileRecipe(monitoringRecipe({ profile: data, pullStops: placement }));
  const [lit, balanced] = [whiteRgb(light), whiteRgb(dialled)];
  const cast: Triple = [lit[0] / balanced[0], lit[1] / balanced[1], lit[2] / balanced[2]];
  const toNative = gamutMatrix('bt2020', data.gamut);
  const signalOf = (v: number) => profile.signalAt(reflectanceToStops(Math.max(v, 1e-6)) + placement);
  const shown = (scene: Triple): Shown => {
    const [r, g, b] = apply(toNative, times(scene, cast));
    const out = picture.rgb([signalOf(r), signalOf(g), signalOf(b)]);
    const screen = out.map((v) => TRANSFERS.bt1886.decode(v)) as unknown as Triple;
    return { lab: xyzToLab(apply(SHOWN, screen), WHITE), hex: `#${out.map(byte).join('')}` };
  };
  return {
    cloth: (cloth: Cloth): Shown => shown(apply(FROM_709, cloth)),
    /** @param offset of the face from the card, stops */
    skin: (offset: number): Shown => {
      const level = 0.18 * 2 ** offset;
      return shown([level * SKIN_HUE[0], level * SKIN_HUE[1], level * SKIN_HUE[2]]);
    },
  };
};

const chroma = ([, a, b]: Lab) => Math.hypot(a, b);
const hueOf = ([, a, b]: Lab) => (Math.atan2(b, a) * 180) / Math.PI;

export type Contrast = {
  /** CIEDE2000. */
  readonly deltaE: number;
  /** Of the first over the second, L*. */
  readonly lightness: number;
  /** Degrees from the second to the first; undefined where either is nearly grey. */
  readonly hue?: number;
};

/** Under this much chroma there is no hue to speak of. */
const GREYISH = 6;

export const contrastOf = (one: Lab, other: Lab): Contrast => {
  const turn = hueOf(one) - hueOf(other);
  return {
    deltaE: deltaE2000(one, other),
    lightness: one[0] - other[0],
    ...(Math.min(chroma(one), chroma(other)) < GREYISH ? {} : { hue: ((turn + 540) % 360) - 180 }),
  };
};

/** So far apart two things part at a glance, and by so little they melt into one, CIEDE2000. Our own choice. */
const [PARTS, MELTS] = [25, 12];
export type Parting = 'parts' | 'near' | 'melts';
export const partingOf = ({ deltaE }: Contrast): Parting =>
  deltaE >= PARTS ? 'parts' : deltaE < MELTS ? 'melts' : 'near';

/** Ways a colour may go, as changes of L*a*b*; lightness keeps the hue, hues keep the lightness. */
const WAYS = {
  lighter: { name: 'lighter', move: ([l, a, b]: Lab): Lab => [Math.min(95, l + 18), a, b] },
  darker: { name: 'darker', move: ([l, a, b]: Lab): Lab => [Math.max(5, l - 18), a, b] },
  red: { name: 'towards red', move: ([l, a, b]: Lab): Lab => [l, a + 20, b + 8] },
  yellow: { name: 'towards yellow', move: ([l, a, b]: Lab): Lab => [l, a, b + 22] },
  green: { name: 'towards green', move: ([l, a, b]: Lab): Lab => [l, a - 22, b + 6] },
  blue: { name: 'towards blue', move: ([l, a, b]: Lab): Lab => [l, a + 4, b - 22] },
} as const;

/** The way that parts a thing best from the others: it raises the smallest distance most. */
export const bestWay = (
  one: Lab,
  others: readonly Lab[],
): { readonly name: string; readonly gains: number } | undefined => {
  const least = (lab: Lab) => Math.min(...others.map((other) => deltaE2000(lab, other)));
  if (others.length === 0) return undefined;
  const now = least(one);
  const ways = Object.values(WAYS).map(({ name, move }) => ({ name, gains: least(move(one)) - now }));
  const best = ways.reduce((a, b) => (b.gains > a.gains ? b : a));
  return best.gains > 1 ? best : undefined;
};

/** Line pairs this few photosites wide may moiré: under two they alias, under four the colour does. */
const [ALIASES, COLOURS] = [2, 4];
export type PatternState = 'clear' | 'colour' | 'aliases';

/** A fine pattern on the sensor: how many photosites its repeat covers. @param repeat millimetres */
export const patternOf = (
  { focal, distance }: Focus,
  repeat: number,
  { width, photosites }: Imager,
): { readonly photosites: number; readonly state: PatternState } => {
  const across = (repeat * focal * photosites) / ((1000 * distance - focal) * width);
  const state = across < ALIASES ? 'aliases' : across < COLOURS ? 'colour' : 'clear';
  return { photosites: across, state };
};

/** Reflectance of green leaves in the sun, BT.2020. From memory. */
const LEAVES: Triple = [0.06, 0.13, 0.04];

/** How much of a face's light comes off leaves, said in words. Our own choice. */
export const LEAVES_SHARE = {
  none: { name: 'none', share: 0 },
  some: { name: 'some: trees around', share: 0.15 },
  much: { name: 'much: under trees', share: 0.4 },
} as const;
export type LeavesId = keyof typeof LEAVES_SHARE;
export const LEAVES_IDS = Object.keys(LEAVES_SHARE) as LeavesId[];

/** What light off leaves does to the light on a face: mired warm +, tint in thousandths of Duv, green +. */
export const leavesCast = (
  light: Temperature,
  id: LeavesId,
): { readonly mired: number; readonly tint: number } => {
  const { share } = LEAVES_SHARE[id];
  const white = whiteRgb(light);
  const mean = (LEAVES[0] + LEAVES[1] + LEAVES[2]) / 3;
  const mixed = white.map((v, c) => v * (1 - share + (share * LEAVES[c]) / mean)) as unknown as Triple;
  const found = temperatureOf(xyzToXy(apply(BT2020, mixed)));
  return { mired: 1e6 / found.kelvin - 1e6 / light.kelvin, tint: 1000 * (found.duv - light.duv) };
};
