import { xyToXyz } from '../colour/chromaticity.ts';
import { gamutOf, rgbToXyz, type GamutSpec } from '../colour/gamut.ts';
import { balancedLight, type Dial } from '../colour/lean.ts';
import { whiteXy } from '../colour/temperature.ts';
import { apply, invert, type Triple } from '../maths/matrix.ts';

/** Hottest and coolest balance that a correction goes to, mired: beyond it the locus has no meaning. */
const MIRED = [40, 1000] as const;
/** Share of light that a channel of a dialled white keeps: some primaries have none of it outside their triangle. */
const LEAST = 0.001;

const held = (value: number, [low, high]: readonly [number, number]) => Math.min(high, Math.max(low, value));

/** The dial that gives a correction: so much warmer and greener than `about`; green + on the dial turns green. */
export const dialAfter = (about: Dial, mired: number, tint: number): Dial => ({
  kelvin: 1e6 / held(1e6 / about.kelvin - mired, MIRED),
  tint: about.tint + tint,
});

const whiteOf = (dial: Dial, primaries: GamutSpec): Triple => {
  const white = apply(invert(rgbToXyz(gamutOf(primaries))), xyToXyz(whiteXy(balancedLight(dial))));
  return white.map((v) => Math.max(v, LEAST)) as unknown as Triple;
};

/**
 * Gains on R, G, B that turn what was balanced to `about` into what the dial after the correction gives; a neutral
 * keeps its luminance. A body balances by gains on its own channels: BT.2020's stand for them where nothing is known.
 * @param mired warmer +; @param tint thousandths of Duv, greener +
 */
export const balanceGains = (about: Dial, mired: number, tint: number, primaries: GamutSpec): Triple => {
  const [from, to] = [whiteOf(about, primaries), whiteOf(dialAfter(about, mired, tint), primaries)];
  const gains = from.map((v, c) => v / to[c]) as unknown as Triple;
  const [, y] = apply(rgbToXyz(gamutOf(primaries)), gains);
  return [gains[0] / y, gains[1] / y, gains[2] / y];
};

/** Gains that a dial misses by less than this are its own, log2. */
const REACHED = 1e-4;

/**
 * The balance that makes these gains, by Newton's method on the ratios of the channels; `rest` is what no dial reaches
 * of them (log2), where a lamp lies so far from any that a channel is nearly empty.
 */
export const balanceOfGains = (
  [r, g, b]: Triple,
  about: Dial,
  primaries: GamutSpec,
): { readonly mired: number; readonly tint: number; readonly rest?: Triple } => {
  const wanted = [Math.log2(r / g), Math.log2(b / g)] as const;
  const missed = (mired: number, tint: number) => {
    const [x, y, z] = balanceGains(about, mired, tint, primaries);
    return [Math.log2(x / y) - wanted[0], Math.log2(z / y) - wanted[1]] as const;
  };
  let [mired, tint] = [0, 0];
  for (let i = 0; i < 30; i += 1) {
    const [u, v] = missed(mired, tint);
    if (Math.abs(u) + Math.abs(v) < 1e-9) break;
    const [um, vm] = missed(mired + 0.01, tint);
    const [ut, vt] = missed(mired, tint + 0.01);
    const [a, c, e, f] = [(um - u) / 0.01, (vm - v) / 0.01, (ut - u) / 0.01, (vt - v) / 0.01];
    const det = a * f - e * c;
    if (Math.abs(det) < 1e-12) break;
    mired += held((e * v - f * u) / det, [-80, 80]);
    tint += held((c * u - a * v) / det, [-40, 40]);
  }
  const [u, v] = missed(mired, tint);
  if (Math.abs(u) + Math.abs(v) < REACHED) return { mired, tint };
  return { mired, tint, rest: [-u, 0, -v] };
};
