import { gamutMatrix, type GamutSpec } from '../colour/gamut.ts';
import { clampRect, type Frame, type Rect } from '../frame/frame.ts';
import { apply, type Triple } from '../maths/matrix.ts';
import { compileProfile, type ProfileData } from '../profile/index.ts';
import { codeToSignal, maxCode, type Coding } from '../signal/scale.ts';
import { TRANSFERS } from '../transfer/index.ts';
import { errorThrough, type PatchLight } from './patches.ts';

/** How a camera's codes are read as light. */
export type LightReading = {
  /** Linear light of each code, 1.0 = diffuse white. */
  readonly lights: Float32Array;
  readonly primaries: GamutSpec;
  /** From this code on a channel is clipped. */
  readonly clipCode: number;
  /** Light under this lies in the noise. */
  readonly floor: number;
};

/** Codes this little under the clip count as clipped: noise and rounding. Signal. */
const AT_CLIP = 0.004;

const clipCodeOf = (clipSignal: number, coding: Coding): number => {
  const top = maxCode(coding.bitDepth);
  for (let code = 0; code <= top; code += 1)
    if (codeToSignal(code, coding) >= clipSignal - AT_CLIP) return code;
  return top;
};

/** Codes of a profile as scene light. @param floorStops Under this the camera's shadows are noise, stops over grey */
export const readByProfile = (data: ProfileData, coding: Coding, floorStops = -10): LightReading => {
  const { transfer, clipSignal, gamut } = compileProfile(data);
  return {
    lights: Float32Array.from({ length: maxCode(coding.bitDepth) + 1 }, (_, code) =>
      transfer.decode(Math.min(clipSignal, codeToSignal(code, coding))),
    ),
    primaries: gamut,
    clipCode: clipCodeOf(clipSignal, coding),
    floor: 0.18 * 2 ** floorStops,
  };
};

/** Codes of a finished picture as the light of a display after BT.1886, where no profile is known. */
export const readAsPicture = (coding: Coding): LightReading => ({
  lights: Float32Array.from({ length: maxCode(coding.bitDepth) + 1 }, (_, code) =>
    TRANSFERS.bt1886.decode(codeToSignal(code, coding)),
  ),
  primaries: 'bt709',
  clipCode: clipCodeOf(1, coding),
  floor: 0,
});

/**
 * Mean light of a rectangle in the primaries of the match with its standard error, and the shares at both ends. The
 * rectangle is cut to the picture; neighbours that share a chroma sample count as one.
 */
export const measurePatchLight = (
  frame: Frame,
  rect: Rect,
  { lights, primaries, clipCode, floor }: LightReading,
  to: GamutSpec,
): PatchLight => {
  const { x, y, width, height } = clampRect(rect, frame);
  const planes = [frame.r, frame.g, frame.b];
  const sums = [0, 0, 0];
  const squares = [0, 0, 0];
  let [clipped, dark] = [0, 0];
  for (let row = y; row < y + height; row += 1)
    for (let i = row * frame.width + x; i < row * frame.width + x + width; i += 1) {
      let most = 0;
      for (let c = 0; c < 3; c += 1) {
        const code = planes[c][i];
        const light = lights[code];
        sums[c] += light;
        squares[c] += light * light;
        if (code > most) most = code;
      }
      if (most >= clipCode) clipped += 1;
      if (lights[most] < floor) dark += 1;
    }
  const pixels = width * height;
  const mean = sums.map((v) => v / pixels) as unknown as Triple;
  const variance = squares.map((v, c) => Math.max(0, v / pixels - mean[c] ** 2)) as unknown as Triple;
  const matrix = primaries === to ? undefined : gamutMatrix(primaries, to);
  // A chroma sample of 4:2:0 is shared by four pixels.
  const independent = Math.max(1, pixels / 4);
  const error = variance.map((v) => Math.sqrt(v / independent)) as unknown as Triple;
  return {
    light: matrix ? apply(matrix, mean) : mean,
    error: matrix ? errorThrough(matrix, error) : error,
    clipped: clipped / pixels,
    underFloor: dark / pixels,
  };
};
