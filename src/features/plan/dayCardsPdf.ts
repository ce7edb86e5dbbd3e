import { PDFDocument, rgb, StandardFonts, type PDFFont, type PDFPage } from 'pdf-lib';
import { printInstead, printZebra } from '#core/exposure/zebra.ts';
import { CARDS_A_PAGE, type DayCard } from './dayCards.ts';

// A4 in points (ISO 216), folded twice to A6.
const [WIDTH, HEIGHT] = [595.28, 841.89];
const MARGIN = 26;
const INK = rgb(0, 0, 0);
const RULE = rgb(0.55, 0.55, 0.55);

/** The standard fonts know no true minus and no thin space. */
const plain = (text: string) =>
  text
    .replace(/\u2212/g, '\u2013')
    .replace(/\u2009/g, ' ')
    .replace(/[^\u0000-\u00ff\u2013\u2019]/g, '?');

type Fonts = { readonly text: PDFFont; readonly bold: PDFFont; readonly mono: PDFFont };

const wrapped = (text: string, font: PDFFont, size: number, width: number): string[] => {
  const lines: string[] = [];
  for (const word of text.split(' ')) {
    const longer = lines.length === 0 ? word : `${lines[lines.length - 1]} ${word}`;
    if (lines.length > 0 && font.widthOfTextAtSize(longer, size) <= width) lines[lines.length - 1] = longer;
    else lines.push(word);
  }
  return lines;
};

const drawCard = (
  page: PDFPage,
  fonts: Fonts,
  card: DayCard,
  [left, top]: readonly [number, number],
  width: number,
) => {
  const write = (text: string, x: number, y: number, size: number, font: PDFFont) =>
    page.drawText(plain(text), { x, y, size, font, color: INK });
  page.drawLine({ start: { x: left, y: top }, end: { x: left + width, y: top }, thickness: 1.2, color: INK });
  write(`${card.place}  ${card.name}`, left, top - 17, 14, fonts.bold);
  const step = width / card.zebras.length;
  card.zebras.forEach(([name, zebra], i) => {
    const x = left + i * step;
    write(name, x, top - 33, 9, fonts.text);
    const instead = printInstead(zebra);
    if (instead === undefined) {
      write(printZebra(zebra), x, top - 52, 19, fonts.mono);
      return;
    }
    write(printZebra(zebra), x, top - 44, 10, fonts.bold);
    write(
      instead,
      x,
      top - 54,
      Math.min(9, (9 * (step - 6)) / fonts.text.widthOfTextAtSize(plain(instead), 9)),
      fonts.text,
    );
  });
  const half = width / 2;
  card.lines.forEach(([name, value], i) => {
    const x = left + (i % 2) * half;
    const y = top - 69 - Math.floor(i / 2) * 14.5;
    page.drawLine({
      start: { x, y: y + 11 },
      end: { x: x + half - 8, y: y + 11 },
      thickness: 0.5,
      color: RULE,
    });
    write(name, x, y, 10, fonts.text);
    // A long name is written smaller, so that it does not run over its label.
    const shown = plain(value);
    const room = half - 14 - fonts.text.widthOfTextAtSize(name, 10);
    const size = Math.min(12, (12 * room) / fonts.mono.widthOfTextAtSize(shown, 12));
    write(value, x + half - 10 - fonts.mono.widthOfTextAtSize(shown, size), y, size, fonts.mono);
  });
  wrapped(plain(card.caution), fonts.text, 8, width)
    .slice(0, 3)
    .forEach((line, i) => write(line, left, top - 140 - i * 10, 8, fonts.text));
};

/** The day of one camera as a PDF: A4, eight set-ups a page, folds to A6. Black on white. */
export const dayCardsPdf = async (
  title: string,
  subtitle: string,
  cards: readonly DayCard[],
): Promise<Uint8Array> => {
  const document = await PDFDocument.create();
  document.setTitle(title);
  const fonts = {
    text: await document.embedFont(StandardFonts.Helvetica),
    bold: await document.embedFont(StandardFonts.HelveticaBold),
    mono: await document.embedFont(StandardFonts.CourierBold),
  };
  const column = (WIDTH - 3 * MARGIN) / 2;
  const row = (HEIGHT - 2 * MARGIN - 30) / (CARDS_A_PAGE / 2);
  for (let from = 0; from < Math.max(1, cards.length); from += CARDS_A_PAGE) {
    const page = document.addPage([WIDTH, HEIGHT]);
    page.drawText(plain(title), {
      x: MARGIN,
      y: HEIGHT - MARGIN - 8,
      size: 15,
      font: fonts.bold,
      color: INK,
    });
    page.drawText(plain(subtitle), {
      x: MARGIN,
      y: HEIGHT - MARGIN - 22,
      size: 9,
      font: fonts.text,
      color: INK,
    });
    cards.slice(from, from + CARDS_A_PAGE).forEach((card, i) => {
      const left = MARGIN + (i % 2) * (column + MARGIN);
      drawCard(page, fonts, card, [left, HEIGHT - MARGIN - 30 - Math.floor(i / 2) * row], column);
    });
  }
  return document.save();
};
