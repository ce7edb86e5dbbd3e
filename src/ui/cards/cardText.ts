import { encode } from 'uqr';
import { printZebraOrInstead } from '#core/exposure/zebra.ts';
import { SCALES } from '#core/signal/scale.ts';
import type { Selection } from '#store/selection.ts';
import type { DayCard } from './dayCards.ts';

/** Whose card it is: the camera and the shoot, and what its zebra numbers are of. */
export type CardHead = { readonly title: string; readonly subtitle: string };

export const cardHeadOf = ({ camera, shoot }: Pick<Selection, 'camera' | 'shoot'>): CardHead => {
  const { zebra, coding } = camera;
  const reads = zebra.reads === 'log' ? 'the recorded signal' : 'the display LUT’s output';
  const scale = SCALES[zebra.scale].name;
  return {
    title: `${camera.name}, ${shoot.name}`,
    subtitle: `Zebra in ${scale}, on ${reads}. ${coding.bitDepth}-bit ${coding.range}.`,
  };
};

/** The whole card in lines of plain text: what any phone shows that reads its code. */
export const cardText = (card: DayCard, { title, subtitle }: CardHead): string =>
  [
    title,
    `${card.place} ${card.name}`,
    ...card.zebras.map(([name, zebra]) => `${name} zebra ${printZebraOrInstead(zebra)}`),
    ...card.lines.map(([name, value]) => `${name} ${value}`),
    subtitle,
    ...(card.caution === '' ? [] : [card.caution]),
  ].join('\n');

/** Light modules that a code needs around it (ISO/IEC 18004). */
const QUIET = 4;

/**
 * A QR code of a text (ISO/IEC 18004, level L: paper that is carried for a day, not for years).
 * @returns Its side in modules, quiet zone included, and one path over all dark ones.
 */
export const codeOf = (text: string): { readonly side: number; readonly path: string } => {
  const { data, size } = encode(text, { ecc: 'L', border: QUIET });
  const runs: string[] = [];
  data.forEach((row, y) => {
    for (let x = 0; x < size; x += 1) {
      if (!row[x]) continue;
      let end = x;
      while (end < size && row[end]) end += 1;
      runs.push(`M${x} ${y}h${end - x}v1h${x - end}z`);
      x = end;
    }
  });
  return { side: size, path: runs.join('') };
};
