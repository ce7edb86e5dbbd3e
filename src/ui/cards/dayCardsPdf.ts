import type { PDFFont } from 'pdf-lib';
import { printInstead, printZebra } from '#core/exposure/zebra.ts';
import { cardText, codeOf, type CardHead } from './cardText.ts';
import { CARDS_A_PAGE, type DayCard } from './dayCards.ts';
import { INK, newDocument, plain, RULE, writeLine, type DrawText, type Sheet } from '../paper/sheet.ts';
import { PAPERS } from '../paper/papers.ts';
import { wrapped } from '../paper/wrapped.ts';

const { width: WIDTH, height: HEIGHT } = PAPERS.a4;
const MARGIN = 26;

/** Side of a card's code on the sheet, points: 24 mm, so that a module is a third of a millimetre and over. */
export const CODE_POINTS = 68;

const drawCard = async (
  sheet: Sheet,
  card: DayCard,
  head: CardHead,
  [left, top]: readonly [number, number],
  width: number,
) => {
  const { page, fonts } = sheet;
  const { text, bold, mono } = fonts;
  page.drawLine({ start: { x: left, y: top }, end: { x: left + width, y: top }, thickness: 1.2, color: INK });
  const name = { x: left, y: top - 17, size: 14, font: bold };
  await writeLine(sheet, `${card.place}  ${card.name}`, name, { room: width });
  const step = width / card.zebras.length;
  for (const [i, [whose, zebra]] of card.zebras.entries()) {
    const x = left + i * step;
    const room = step - 6;
    await writeLine(sheet, whose, { x, y: top - 33, size: 9, font: text }, { room });
    const instead = printInstead(zebra);
    if (instead === undefined) {
      await writeLine(sheet, printZebra(zebra), { x, y: top - 52, size: 19, font: mono }, { room });
      continue;
    }
    await writeLine(sheet, printZebra(zebra), { x, y: top - 44, size: 10, font: bold }, { room });
    await writeLine(sheet, instead, { x, y: top - 54, size: 9, font: text }, { room });
  }
  const half = width / 2;
  for (const [i, [label, value]] of card.lines.entries()) {
    const x = left + (i % 2) * half;
    const y = top - 69 - Math.floor(i / 2) * 14.5;
    const isAlone = i % 2 === 0 && i === card.lines.length - 1;
    const right = isAlone ? left + width - CODE_POINTS - 14 : x + half - 10;
    const [start, end] = [
      { x, y: y + 11 },
      { x: right + 2, y: y + 11 },
    ];
    page.drawLine({ start, end, thickness: 0.5, color: RULE });
    await writeLine(sheet, label, { x, y, size: 10, font: text });
    // A long name is written smaller, so that it does not run over its label.
    const room = right - x - 4 - text.widthOfTextAtSize(label, 10);
    await writeLine(sheet, value, { x: right, y, size: 12, font: mono }, { room, toRight: true });
  }
  // The caution stands beside the code in ink, so the code need not hold it. Nine lines leave its corner free.
  const { side, path } = codeOf(cardText({ ...card, caution: '' }, head));
  const place = { x: left + width - 8 - CODE_POINTS, y: top - 119 };
  page.drawSvgPath(path, { ...place, scale: CODE_POINTS / side, color: INK });
  const lines = wrapped(plain(card.caution), width - CODE_POINTS - 16, (part) =>
    text.widthOfTextAtSize(part, 8),
  ).slice(0, 5);
  for (const [i, line] of lines.entries())
    await writeLine(sheet, line, { x: left, y: top - 140 - i * 10, size: 8, font: text });
};

/**
 * The day of one camera as a PDF: A4, eight set-ups a page, folds to A6. Black on white, each with a code that holds it
 * as text.
 * @param draw For names in other scripts; without it their letters stand as question marks.
 */
export const dayCardsPdf = async (
  head: CardHead,
  cards: readonly DayCard[],
  draw?: DrawText,
): Promise<Uint8Array> => {
  const { document, fonts } = await newDocument(head.title);
  const column = (WIDTH - 3 * MARGIN) / 2;
  const row = (HEIGHT - 2 * MARGIN - 30) / (CARDS_A_PAGE / 2);
  const room = WIDTH - 2 * MARGIN;
  for (let from = 0; from < Math.max(1, cards.length); from += CARDS_A_PAGE) {
    const sheet = { document, page: document.addPage([WIDTH, HEIGHT]), fonts, draw };
    const at = (down: number, size: number, font: PDFFont) => ({
      x: MARGIN,
      y: HEIGHT - MARGIN - down,
      size,
      font,
    });
    await writeLine(sheet, head.title, at(8, 15, fonts.bold), { room });
    await writeLine(sheet, head.subtitle, at(22, 9, fonts.text), { room });
    for (const [i, card] of cards.slice(from, from + CARDS_A_PAGE).entries()) {
      const left = MARGIN + (i % 2) * (column + MARGIN);
      const place = [left, HEIGHT - MARGIN - 30 - Math.floor(i / 2) * row] as const;
      await drawCard(sheet, card, head, place, column);
    }
  }
  return document.save();
};
