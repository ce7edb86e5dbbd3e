import { xyzToXy } from '../colour/chromaticity.ts';
import { GAMUTS, rgbToXyz } from '../colour/gamut.ts';
import { TINT_STEP, type Dial } from '../colour/lean.ts';
import { temperatureOf } from '../colour/temperature.ts';
import { apply, type Triple } from '../maths/matrix.ts';
import { median } from '../maths/quantile.ts';
import { type MatchKind, type PatchLight } from '../match/patches.ts';
import { luminance } from '../scene/light.ts';
import { balancedWhite } from '../sensor/camera.ts';

/** A marked thing as an input shows it: linear BT.2020, 1 = diffuse white. */
export type RoomPatch = PatchLight & { readonly name: string; readonly kind: MatchKind };

/** What has changed since the moment that is kept; what no mark tells of is left out. */
export type Drift = {
  /** Stops, brighter +. */
  readonly light?: number;
  /** Mired, warmer +. */
  readonly balance?: number;
  /** Thousandths of Duv, greener +. */
  readonly tint?: number;
  /** Light that lies on black, % of diffuse white. */
  readonly black?: number;
  /** Share of a face that is clipped beyond what it was, %. */
  readonly face?: number;
};
export type DriftKind = keyof Drift;

/** A patch with a larger share of it at the clip says nothing of light. Our own. */
export const MOST_CLIPPED = 0.02;
/** A channel under so many of its errors says nothing of colour, and under this light nothing of either. */
const LEAST_SIGNAL = 5;
const LEAST_LIGHT = 0.01;
/** A thing darker than this tells of black: three stops under grey. */
const DARK = 0.18 / 8;

const TO_XYZ = rgbToXyz(GAMUTS.bt2020);
const white = (dial: Dial): Triple => balancedWhite(dial);
const luma = ([r, g, b]: Triple) => luminance(r, g, b);

const isTelling = ({ light, error, clipped }: PatchLight) =>
  clipped <= MOST_CLIPPED && light.every((v, c) => v > LEAST_SIGNAL * error[c] && v > LEAST_LIGHT);

type Pair = { readonly was: RoomPatch; readonly is: RoomPatch };
const gains = ({ was, is }: Pair): Triple =>
  [0, 1, 2].map((c) => Math.log2(is.light[c] / was.light[c])) as unknown as Triple;

/** The change of colour as another light: mired and tint against the one that the camera is balanced to. */
const colourOf = (pairs: readonly Pair[], dial: Dial): Required<Pick<Drift, 'balance' | 'tint'>> => {
  const all = pairs.map(gains);
  const red = median(all.map(([r, g]) => r - g));
  const blue = median(all.map(([, g, b]) => b - g));
  const [r, g, b] = white(dial);
  const of = (light: Triple) => temperatureOf(xyzToXy(apply(TO_XYZ, light)));
  const [before, after] = [of([r, g, b]), of([r * 2 ** red, g, b * 2 ** blue])];
  return {
    balance: 1e6 / after.kelvin - 1e6 / before.kelvin,
    tint: (after.duv - before.duv) / TINT_STEP,
  };
};

/**
 * What has changed between two moments of one input. The middle of what the marks say is taken: somebody who stands
 * before one of three does not move it.
 * @param dial What the camera is balanced to
 */
export const driftOf = (was: readonly RoomPatch[], is: readonly RoomPatch[], dial: Dial): Drift => {
  const before = new Map(was.map((patch) => [patch.name, patch]));
  const pairs = is.flatMap((patch): Pair[] => {
    const old = before.get(patch.name);
    return old ? [{ was: old, is: patch }] : [];
  });
  const telling = pairs.filter((pair) => isTelling(pair.was) && isTelling(pair.is));
  const light =
    telling.length > 0
      ? median(telling.map((pair) => Math.log2(luma(pair.is.light) / luma(pair.was.light))))
      : undefined;
  const dark = pairs.filter((pair) => luma(pair.was.light) < DARK && pair.is.clipped === 0);
  // What the light did to dark things is taken off: black is what does not go with it.
  const lifted = ({ was: old, is: now }: Pair) =>
    100 * (luma(now.light) - luma(old.light) * 2 ** (light ?? 0));
  const faces = pairs.filter((pair) => pair.is.kind === 'skin');
  return {
    ...(light === undefined ? {} : { light, ...colourOf(telling, dial) }),
    ...(dark.length > 0 && light !== undefined ? { black: median(dark.map(lifted)) } : {}),
    ...(faces.length > 0
      ? { face: 100 * Math.max(...faces.map((pair) => Math.max(0, pair.is.clipped - pair.was.clipped))) }
      : {}),
  };
};

/** The middle of several drifts, in which each kind counts where it was told. */
export const middleDrift = (drifts: readonly Drift[]): Drift => {
  const kinds = ['light', 'balance', 'tint', 'black', 'face'] as const;
  return Object.fromEntries(
    kinds.flatMap((kind) => {
      const told = drifts.flatMap((one) => one[kind] ?? []);
      return told.length > 0 ? [[kind, median(told)]] : [];
    }),
  );
};
