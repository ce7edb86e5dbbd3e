import { displayLight, HDR_WHITE } from '../lut/loss.ts';
import { outputOf, type OutputId } from '../lut/outputs.ts';
import type { Triple } from '../maths/matrix.ts';
import { LUMA } from '../signal/luma.ts';

/** Light of a picture on its display, cd/m2: of each pixel its brightest channel. */
export type FrameLight = {
  readonly highest: number;
  readonly mean: number;
  /** Share of the pixels over reference white. */
  readonly aboveWhite: number;
};

/** Reference white of an output, cd/m2: BT.2408-7 for HDR, the white of a reference monitor for SDR (BT.1886). */
export const whiteOf = (output: OutputId): number => (outputOf(output).range === 'HDR' ? HDR_WHITE : 100);

/** What a pixel counts as: max(R, G, B) in cd/m2, after the display's EOTF (CTA 861.3; its words from memory). */
export const pixelLight = (output: OutputId): ((signal: Triple) => number) => {
  const light = displayLight(output);
  const white = whiteOf(output);
  return (signal) => white * Math.max(...light(signal));
};

/** Luminance of a signal on its display, cd/m2, by the weights of its primaries. */
export const luminanceOn = (output: OutputId): ((signal: Triple) => number) => {
  const light = displayLight(output);
  const { kr, kg, kb } = LUMA[outputOf(output).luma];
  const white = whiteOf(output);
  return (signal) => {
    const [r, g, b] = light(signal);
    return white * (kr * r + kg * g + kb * b);
  };
};

/** Luminance that skin of a key-lit face has in HDR, deepest to lightest, cd/m2 (BT.2408 table 2; from memory). */
export const HDR_SKIN = { from: 10, to: 110 } as const;

/** Levels of light that are marked on a scope of HDR, cd/m2: grey, reference white (BT.2408-7), and peaks. */
const MARKED_LIGHT = [1, 10, 26, 100, 203, 1000, 4000] as const;

/** Where levels of light lie on the signal (0..1) of an HDR output; none for SDR, where % says it. */
export const lightTicks = (
  output: OutputId,
): readonly { readonly signal: number; readonly light: number }[] => {
  if (outputOf(output).range === 'SDR') return [];
  const light = pixelLight(output);
  const top = light([1, 1, 1]);
  return MARKED_LIGHT.filter((level) => level < top * 1.001).map((level) => {
    let [low, high] = [0, 1];
    for (let i = 0; i < 40; i += 1) {
      const middle = (low + high) / 2;
      if (light([middle, middle, middle]) < level) low = middle;
      else high = middle;
    }
    return { signal: high, light: level };
  });
};

/** Light of one picture, pixel by pixel. @param lights max(R, G, B) of each, cd/m2 */
export const frameLight = (lights: Iterable<number>, white: number): FrameLight => {
  let [highest, sum, above, count] = [0, 0, 0, 0];
  for (const light of lights) {
    highest = Math.max(highest, light);
    sum += light;
    if (light > white) above += 1;
    count += 1;
  }
  const n = Math.max(1, count);
  return { highest, mean: sum / n, aboveWhite: above / n };
};

/** Light levels of a clip as its metadata has them, cd/m2. */
export type ContentLight = { readonly maxCll: number; readonly maxFall: number };

/** MaxCLL and MaxFALL: the brightest pixel and the highest mean of any picture (CTA 861.3; its words from memory). */
export const contentLight = (frames: readonly FrameLight[]): ContentLight => ({
  maxCll: Math.max(0, ...frames.map(({ highest }) => highest)),
  maxFall: Math.max(0, ...frames.map(({ mean }) => mean)),
});

/** Share over reference white under which HDR shows nothing that SDR does not. Our own. */
const FEW = 0.001;

/** What is said of a picture for HDR, each with its reason. */
export const HDR_NOTES = {
  gainsNothing: {
    says: 'HDR gains nothing here: hardly anything lies over reference white. A talking head looks the same in SDR.',
    applies: ({ light }) => light.aboveWhite < FEW,
  },
  eightBit: {
    says: 'An 8-bit recording is too coarse for HDR: skies and walls will band. Deliver SDR from it.',
    applies: ({ bitDepth }) => bitDepth < 10,
  },
} as const satisfies Record<
  string,
  {
    readonly says: string;
    readonly applies: (of: { readonly light: FrameLight; readonly bitDepth: number }) => boolean;
  }
>;
export type HdrNoteId = keyof typeof HDR_NOTES;

export const hdrNotes = (
  of: Parameters<(typeof HDR_NOTES)['gainsNothing']['applies']>[0],
): readonly HdrNoteId[] => (Object.keys(HDR_NOTES) as HdrNoteId[]).filter((id) => HDR_NOTES[id].applies(of));
