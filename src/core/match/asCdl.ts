import { compileCorrection } from '../correction/compile.ts';
import { operationOf, type Correction } from '../correction/operations.ts';
import { NEUTRAL_CDL, compileCdl, type Cdl } from '../lut/cdl.ts';
import { cubeScale, type CubeScale } from '../lut/cubeScale.ts';
import { compileProfile, type ProfileData } from '../profile/index.ts';
import { LUMA } from '../signal/luma.ts';
import { codeAnchors, maxCode, type Coding } from '../signal/scale.ts';
import { stopsToReflectance } from '../units.ts';
import type { Triple } from '../maths/matrix.ts';

/** A correction on a recording's own codes. */
export const onCodes = (correction: Correction, profile: ProfileData): ((signal: Triple) => Triple) => {
  const { transfer, gamut } = compileProfile(profile);
  const { run } = compileCorrection(correction, gamut);
  return ([r, g, b]) => {
    const [x, y, z] = run([transfer.decode(r), transfer.decode(g), transfer.decode(b)]);
    return [transfer.encode(x), transfer.encode(y), transfer.encode(z)];
  };
};

/** A correction as a CDL, and how far from it that CDL is. */
export type CorrectionCdl = {
  readonly cdl: Cdl;
  /** Worst over greys and colours from {@link CDL_FROM} up to the clip, codes of the recording's depth. */
  readonly worstCodes: number;
  /** Tone from which on the CDL says all of it within a code, stops over grey; undefined where it nowhere does. */
  readonly exactFrom?: number;
};

/** Under this the toe of a log bends, and an offset is no longer a gain of light: stops under grey. */
const CDL_FROM = -3;
/** Colours it is checked on: what the channels lie apart, stops. */
const APART: readonly Triple[] = [
  [0, 0, 0],
  [0.7, 0, -0.7],
  [-0.7, 0, 0.7],
  [0.5, -0.5, 0.5],
  [-0.5, 0.5, -0.5],
];

/** Straight line by least squares. */
const lineThrough = (points: readonly (readonly [number, number])[]) => {
  const n = points.length;
  const [mx, my] = [0, 1].map((i) => points.reduce((sum, p) => sum + p[i], 0) / n);
  const over = points.reduce((sum, [x, y]) => sum + (x - mx) * (y - my), 0);
  const slope = over / points.reduce((sum, [x]) => sum + (x - mx) ** 2, 0);
  return { slope, offset: my - slope * mx };
};

/**
 * The CDL that comes nearest to a correction on a recording's own scale: slope and offset through all its greys,
 * saturation as it is. In log a gain of light is an offset and contrast a slope, so that exposure, balance in the
 * recording's own primaries, contrast and saturation are exact above the toe; in the toe, with black and with a matrix
 * it is off, and the figures say by how much.
 */
export const correctionCdl = (
  correction: Correction,
  profile: ProfileData,
  scale: CubeScale,
  coding: Coding,
): CorrectionCdl => {
  const { transfer, clipStops } = compileProfile(profile);
  const { toSignal, fromSignal } = cubeScale(scale, coding);
  const corrected = onCodes(correction, profile);
  const run = (v: Triple) =>
    corrected(v.map(toSignal) as unknown as Triple).map(fromSignal) as unknown as Triple;
  const at = (stops: number) => fromSignal(transfer.encode(stopsToReflectance(stops)));
  const moved = Math.abs(operationOf(correction, 'exposure')?.stops ?? 0);
  const last = clipStops - 1 - moved;
  const through = Array.from(
    { length: 1 + Math.max(2, Math.floor(2 * (last - CDL_FROM))) },
    (_, i) => CDL_FROM + i / 2,
  );
  const greys = through.map((stops) => [at(stops), run([at(stops), at(stops), at(stops)])] as const);
  const lines = [0, 1, 2].map((c) => lineThrough(greys.map(([x, out]) => [x, out[c]] as const)));
  const saturation = operationOf(correction, 'saturation')?.amount ?? 1;
  const { kr, kg, kb } = LUMA.bt709;
  // Saturation comes last in a CDL: what stands before it is drawn apart by as much as it draws together.
  const before = (values: readonly number[]): Triple => {
    const luma = kr * values[0] + kg * values[1] + kb * values[2];
    const of = (v: number) => (saturation === 0 ? v : luma + (v - luma) / saturation);
    return [of(values[0]), of(values[1]), of(values[2])];
  };
  const cdl: Cdl = {
    ...NEUTRAL_CDL,
    slope: before(lines.map(({ slope }) => slope)),
    offset: before(lines.map(({ offset }) => offset)),
    saturation,
  };
  const said = compileCdl(cdl, 'free');
  const { black, white } = codeAnchors(coding);
  const codes = scale === 'code' ? maxCode(coding.bitDepth) : white - black;
  let [worst, exactFrom]: [number, number | undefined] = [0, undefined];
  for (let stops = last; stops >= CDL_FROM; stops -= 0.25) {
    for (const apart of APART) {
      if (stops + Math.min(...apart) < CDL_FROM) continue;
      const v: Triple = [at(stops + apart[0]), at(stops + apart[1]), at(stops + apart[2])];
      const [meant, given] = [run(v), said(v)];
      for (let c = 0; c < 3; c += 1) worst = Math.max(worst, Math.abs(meant[c] - given[c]));
    }
    if (worst * codes <= 1) exactFrom = stops;
  }
  return { cdl, worstCodes: worst * codes, ...(exactFrom === undefined ? {} : { exactFrom }) };
};
