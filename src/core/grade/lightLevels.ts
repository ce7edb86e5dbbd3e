import { displayLight, HDR_WHITE } from '../lut/loss.ts';
import { outputOf, type OutputId } from '../lut/outputs.ts';
import type { Triple } from '../maths/matrix.ts';

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
