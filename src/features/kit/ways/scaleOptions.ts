import { SCALES, type Coding, type ScaleId } from '#core/signal/scale.ts';
import { ownEntry } from '#core/ownEntry.ts';

/** What 1.0 of a printed formula or a curve file may stand for. */
export const UNIT_OPTIONS = [
  ['signal', '100 % of signal'],
  ['topCode', 'the top code'],
] as const;

type PaperScale = {
  readonly name: (coding: Coding) => string;
  readonly scale: ScaleId;
  /** Bits of the codes that are printed; without it those of the camera. */
  readonly bitDepth?: number;
};

const codes = (bitDepth: number): PaperScale => ({
  name: () => `${bitDepth}-bit code`,
  scale: 'codeValue',
  bitDepth,
});

/** What a paper or a menu may print readings in, whatever depth the camera records. A further scale is a row. */
const PAPER_SCALES = {
  signalPercent: { name: () => SCALES.signalPercent.name, scale: 'signalPercent' },
  fullCodePercent: {
    name: ({ bitDepth }) => `${SCALES.fullCodePercent.name}, ${bitDepth}-bit`,
    scale: 'fullCodePercent',
  },
  code8: codes(8),
  code10: codes(10),
  code12: codes(12),
} as const satisfies Readonly<Record<string, PaperScale>>;
export type PaperScaleId = keyof typeof PAPER_SCALES;
const PAPER_SCALE_IDS = Object.keys(PAPER_SCALES) as PaperScaleId[];

/** A scale of a paper as the scale and coding that its readings are in. @returns undefined where it is none */
export const onPaper = (
  id: string,
  coding: Coding,
): { readonly scale: ScaleId; readonly coding: Coding } | undefined => {
  const paper: PaperScale | undefined = ownEntry<PaperScale>(PAPER_SCALES, id);
  return paper && { scale: paper.scale, coding: { ...coding, bitDepth: paper.bitDepth ?? coding.bitDepth } };
};

/** Signal as a paper prints it, to the digits that are usual: codes whole, percentages to a tenth. */
export const printOnPaper = (signal: number, id: PaperScaleId, coding: Coding): string => {
  const { scale, coding: printed } = onPaper(id, coding)!;
  return SCALES[scale].fromSignal(signal, printed).toFixed(scale === 'codeValue' ? 0 : 1);
};

/** A printed reading as signal. */
export const readOnPaper = (reading: number, id: PaperScaleId, coding: Coding): number => {
  const { scale, coding: printed } = onPaper(id, coding)!;
  return SCALES[scale].toSignal(reading, printed);
};

/** The scales a reading may be typed in, for a choice. */
export const scaleOptions = (coding: Coding): readonly (readonly [PaperScaleId, string])[] =>
  PAPER_SCALE_IDS.map((id) => [id, PAPER_SCALES[id].name(coding)]);
