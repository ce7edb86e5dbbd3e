import {
  PDFDocument,
  PDFHexString,
  PDFOperator,
  rgb,
  StandardFonts,
  type PDFFont,
  type PDFPage,
} from 'pdf-lib';
import type { TextPicture, TextStyle } from './textPicture.ts';

export const INK = rgb(0, 0, 0);
export const RULE = rgb(0.55, 0.55, 0.55);

/** The standard fonts know no true minus and no thin space. */
const inLatin = (text: string) => text.replace(/\u2212/g, '\u2013').replace(/\u2009/g, ' ');
/** What the standard fonts do not have. */
const FOREIGN = /[^\u0000-\u00ff\u2013\u2019]/g;
const isForeign = (text: string) => inLatin(text).search(FOREIGN) !== -1;
/** A text in what the standard fonts have: other letters as question marks. */
export const plain = (text: string) => inLatin(text).replace(FOREIGN, '?');

/** Draws what the fonts of the paper do not have: names in other scripts, emoji. */
export type DrawText = (text: string, style: TextStyle) => Promise<TextPicture>;

/** What a document asks of the page that it is made on; without it, it is made as it can be. */
export type PaperTools = {
  readonly draw?: DrawText;
  /** A PNG as a JPEG. */
  readonly jpeg?: (png: Uint8Array) => Promise<Uint8Array>;
  /** Lets the page do something else. */
  readonly pause?: () => Promise<void>;
};

export type Fonts = { readonly text: PDFFont; readonly bold: PDFFont; readonly mono: PDFFont };

export type Sheet = {
  readonly document: PDFDocument;
  readonly page: PDFPage;
  readonly fonts: Fonts;
  readonly draw?: DrawText;
};
export type Line = {
  readonly x: number;
  readonly y: number;
  readonly size: number;
  readonly font: PDFFont;
};

/** A document of the standard fonts, which no file has to carry. @param at Date that it is given */
export const newDocument = async (title: string, at?: Date) => {
  const document = await PDFDocument.create({ updateMetadata: false });
  document.setTitle(title);
  if (at) {
    document.setCreationDate(at);
    document.setModificationDate(at);
  }
  const fonts: Fonts = {
    text: await document.embedFont(StandardFonts.Helvetica),
    bold: await document.embedFont(StandardFonts.HelveticaBold),
    mono: await document.embedFont(StandardFonts.CourierBold),
  };
  return { document, fonts };
};

/**
 * Draws as a picture, and says what it reads: ISO 32000-1, 14.9.4. A letter that is not seen stands in it, since
 * readers that look for text take its place from letters alone.
 */
const readAs = (page: PDFPage, text: string, letter: Line, paint: () => void) => {
  const said = `<</ActualText ${PDFHexString.fromText(text).toString()}>>`;
  page.pushOperators(PDFOperator.of('BDC' as never, ['/Span', said]));
  paint();
  page.drawText('.', { ...letter, opacity: 0 });
  page.pushOperators(PDFOperator.of('EMC' as never));
};

/**
 * A line of text that is made smaller where it is wider than its room; from its left end, or up to its right one.
 */
export const writeLine = async (
  { document, page, fonts, draw }: Sheet,
  text: string,
  { x, y, size, font }: Line,
  { room = Infinity, toRight = false } = {},
): Promise<void> => {
  if (draw && isForeign(text)) {
    const { png, width, height, under } = await draw(text, { size, bold: font !== fonts.text });
    const image = await document.embedPng(png);
    const share = Math.min(1, room / width);
    const left = toRight ? x - width * share : x;
    readAs(page, text, { x: left, y, size, font }, () =>
      page.drawImage(image, {
        x: left,
        y: y - under * share,
        width: width * share,
        height: height * share,
      }),
    );
    return;
  }
  const shown = plain(text);
  const width = font.widthOfTextAtSize(shown, size);
  const share = Math.min(1, room / width);
  page.drawText(shown, {
    x: toRight ? x - width * share : x,
    y,
    size: size * share,
    font,
    color: INK,
  });
};
