import type { PDFDocument, PDFFont } from 'pdf-lib';
import { INK, plain, RULE, writeLine, type DrawText, type Fonts, type Sheet } from './sheet.ts';
import { PAPERS, type PaperId } from './papers.ts';
import { wrapped } from './wrapped.ts';

const MARGIN = 42;
/** Room under the last line for the foot. */
const FOOT = 26;
/** From one line to the next, as a share of its letters. */
const LEADING = 1.3;
/** Texts that are measured before they are written: those of a take are few. */
const MOST_MEASURED = 100;
/** Smallest that letters of a cell are written, as a share of their size. */
const SMALLEST = 0.75;

export type Style = {
  readonly size: number;
  readonly font?: keyof Fonts;
  /** From the left margin, and how wide; the whole line where it is not said. */
  readonly x?: number;
  readonly room?: number;
};
/** A cell of a row: its text, and whether it ends at its right side. */
export type FlowCell = { readonly text: string; readonly toRight?: boolean; readonly bold?: boolean };

/**
 * Text that runs down a page and on to the next one. Widths and places are in points, from the margin; a page is begun
 * where what is kept together does not fit any more.
 */
export const startFlow = (
  { document, fonts }: { readonly document: PDFDocument; readonly fonts: Fonts },
  paper: PaperId,
  head: string,
  draw?: DrawText,
) => {
  const { width, height } = PAPERS[paper];
  const room = width - 2 * MARGIN;
  let sheet: Sheet = { document, fonts, draw, page: document.addPage([width, height]) };
  let down = MARGIN;
  const at = (under = 0) => height - down - under;
  const widthIn = (font: PDFFont) => (text: string, size: number) =>
    font.widthOfTextAtSize(plain(text), size);

  const begin = async () => {
    sheet = { ...sheet, page: document.addPage([width, height]) };
    down = MARGIN;
    await writeLine(sheet, head, { x: MARGIN, y: at(8), size: 8, font: fonts.text }, { room });
    down += 20;
  };
  /** Begins a page where so much does not fit on this one. */
  const keep = async (tall: number): Promise<void> => {
    if (down + tall > height - MARGIN - FOOT && down > MARGIN + 20) await begin();
  };
  /** Lines of texts that were measured and are written next. */
  const measured = new Map<string, readonly string[]>();
  const linesOf = (text: string, { size, font = 'text', x = 0, room: wide = room - x }: Style) => {
    const key = `${size} ${font} ${wide} ${text}`;
    const lines = measured.get(key) ?? wrapped(text, wide, (part) => widthIn(fonts[font])(part, size));
    if (measured.size > MOST_MEASURED) measured.clear();
    measured.set(key, lines);
    return lines;
  };
  /** How tall a text is in its room. */
  const tallOf = (text: string, style: Style) => linesOf(text, style).length * style.size * LEADING;
  const text = async (said: string, style: Style): Promise<void> => {
    const { size, font = 'text', x = 0, room: wide = room - x } = style;
    for (const line of linesOf(said, style)) {
      await keep(size * LEADING);
      const place = { x: MARGIN + x, y: at(size), size, font: fonts[font] };
      await writeLine(sheet, line, place, { room: wide });
      down += size * LEADING;
    }
  };
  const rule = (thickness = 0.5) => {
    const y = at(0);
    const [start, end] = [
      { x: MARGIN, y },
      { x: MARGIN + room, y },
    ];
    sheet.page.drawLine({ start, end, thickness, color: thickness > 0.8 ? INK : RULE });
  };
  /** A text as it stands in a cell: up to a quarter smaller, and cut where that is not enough. */
  const cut = (said: string, font: PDFFont, size: number, wide: number): string => {
    const fits = (part: string) => SMALLEST * widthIn(font)(part, size) <= wide;
    if (fits(said)) return said;
    let end = said.length;
    while (end > 1 && !fits(`${said.slice(0, end)}...`)) end -= 1;
    return `${said.slice(0, end).trimEnd()}...`;
  };
  /** One row of a table. @param shares Widths of its columns, as parts of the whole */
  const row = async (cells: readonly FlowCell[], shares: readonly number[], size: number): Promise<void> => {
    await keep(size * 1.7);
    const whole = shares.reduce((sum, share) => sum + share, 0);
    let x = MARGIN;
    for (const [i, { text: said, toRight = false, bold = false }] of cells.entries()) {
      const wide = (room * shares[i]) / whole;
      const font = bold ? fonts.bold : fonts.text;
      const place = { x: toRight ? x + wide - 6 : x, y: at(size * 1.2), size, font };
      await writeLine(sheet, cut(said, font, size, wide - 6), place, { room: wide - 6, toRight });
      x += wide;
    }
    down += size * 1.6;
    rule();
  };
  /** Puts a number on each page. @param foot Says which of how many */
  const close = async (foot: (page: number, pages: number) => string): Promise<void> => {
    const pages = document.getPages();
    for (const [i, page] of pages.entries()) {
      const line = { x: MARGIN, y: MARGIN - 14, size: 8, font: fonts.text };
      await writeLine({ ...sheet, page }, foot(i + 1, pages.length), line, { room });
    }
  };
  return {
    room,
    keep,
    text,
    tallOf,
    row,
    rule,
    close,
    space: (points: number) => {
      down += points;
    },
    /** Page to draw on, with the point that lies so far from the left margin and under the last line. */
    place: (x: number, under: number) => ({ page: sheet.page, x: MARGIN + x, y: at(under) }),
  };
};
export type Flow = ReturnType<typeof startFlow>;
