import jsQR from 'jsqr';
import { PDFDocument, PDFName, PDFRawStream } from 'pdf-lib';
import { encode as writePng } from 'fast-png';
import { describe, expect, it } from 'vitest';
import { printZebra } from '#core/exposure/zebra.ts';
import { demoBook, demoSelection } from '#store/fixtures/demoBook.ts';
import { setupsOf } from '#store/selection.ts';
import { cardHeadOf, cardText, codeOf } from './cardText.ts';
import { CARDS_A_PAGE, dayCardOf, dayCards } from './dayCards.ts';
import { CODE_POINTS, dayCardsPdf } from './dayCardsPdf.ts';

const book = demoBook();
const HEAD = { title: 'A-cam, Salt and Fire', subtitle: 'Zebra in % of signal' };

/** The code as a phone sees it: so many pixels a module. */
const scanned = (text: string, pixels = 3): string | undefined => {
  const { side, path } = codeOf(text);
  const size = side * pixels;
  const rgba = new Uint8ClampedArray(4 * size * size).fill(255);
  for (const [, x, y, run] of path.matchAll(/M(\d+) (\d+)h(\d+)/g))
    for (let v = 0; v < pixels; v += 1)
      for (let u = 0; u < Number(run) * pixels; u += 1) {
        const at = 4 * ((Number(y) * pixels + v) * size + Number(x) * pixels + u);
        rgba.fill(0, at, at + 3);
      }
  return jsQR(rgba, size, size)?.data;
};

describe('the pocket cards of a day', () => {
  it('hold every set-up a camera plays in, in the order of the day, with the card’s own levels', () => {
    const cards = dayCards(book, 'salt-and-fire', 'a-cam');
    expect(cards.map(({ place, name }) => `${place} ${name}`)).toEqual([
      '1 Furnace mouth',
      '2 Bench interview',
      '3 Packing yard at noon',
      '7 Lantern quay at night',
    ]);
    expect(cards[0].zebras.map(([name, zebra]) => [name, printZebra(zebra)])).toEqual([
      ['Card', '49±2'],
      ['Ana', '60±3'],
      ['Warning', '90+'],
    ]);
    expect(cards[0].caution).toMatch(/Hot glass.*licensed practice decide/);
    expect(dayCards(book, 'salt-and-fire', 'small-cam')).toHaveLength(1);
  });
});

describe('the code on a card', () => {
  const everyPair = setupsOf(book, 'salt-and-fire').flatMap((setup) =>
    setup.cameraIds.map((camera) => [setup.id, camera] as const),
  );

  // Read by a decoder of its own, not by what wrote it (jsQR; ISO/IEC 18004).
  it.each(everyPair)('%s, %s: any reader of codes has the whole card as text', (setup, camera) => {
    const selection = demoSelection(setup, camera);
    const text = cardText(dayCardOf(selection, 1), cardHeadOf(selection));
    expect(scanned(text)).toBe(text);
    // Printed 32 mm wide, or 24 without the caution, a module is a third of a millimetre and over.
    expect(32 / codeOf(text).side).toBeGreaterThan(0.33);
    const short = cardText({ ...dayCardOf(selection, 1), caution: '' }, HEAD);
    expect(CODE_POINTS * (25.4 / 72)).toBeCloseTo(24, 1);
    expect(24 / codeOf(short).side).toBeGreaterThan(0.33);
  });

  it('holds names in other scripts and signs, as they are', () => {
    const card = { ...dayCards(book, 'salt-and-fire', 'a-cam')[0], name: 'الفرن 窯の口 🔥' };
    const text = cardText(card, HEAD);
    expect(text).toContain('1 الفرن 窯の口 🔥\nCard zebra 49±2');
    expect(scanned(text)).toBe(text);
  });

  it('says what to use where the camera has no such level', () => {
    const [card] = dayCards(book, 'salt-and-fire', 'a-cam');
    const out = { ...card.zebras[0][1], reach: 'under' as const, instead: undefined, exact: 21.37 };
    expect(cardText({ ...card, zebras: [['Card', out]] }, HEAD)).toContain(
      'Card zebra out of reach: waveform 21.4',
    );
  });
});

describe('the PDF of a day', () => {
  const cards = dayCards(book, 'salt-and-fire', 'a-cam');
  const pages = async (bytes: Uint8Array) => PDFDocument.load(bytes);
  const picturesIn = (document: PDFDocument) =>
    document.context
      .enumerateIndirectObjects()
      .filter(
        ([, object]) =>
          object instanceof PDFRawStream && object.dict.get(PDFName.of('Subtype')) === PDFName.of('Image'),
      ).length;
  const drawn: string[] = [];
  const draw = async (text: string) => {
    drawn.push(text);
    const png = writePng({ width: 4, height: 2, data: new Uint8Array(8).fill(7), channels: 1, depth: 8 });
    return { png: new Uint8Array(png), width: 40, height: 20, under: 5 };
  };

  it('is A4, eight to a page', async () => {
    const one = await pages(await dayCardsPdf(HEAD, cards));
    expect(one.getPageCount()).toBe(1);
    // ISO 216: A4 is 210 x 297 mm.
    expect(one.getPage(0).getWidth()).toBeCloseTo((210 / 25.4) * 72, 1);
    expect(one.getPage(0).getHeight()).toBeCloseTo((297 / 25.4) * 72, 1);
    const many = Array.from({ length: CARDS_A_PAGE + 1 }, (_, i) => ({ ...cards[0], id: String(i) }));
    expect((await pages(await dayCardsPdf(HEAD, many))).getPageCount()).toBe(2);
    expect((await pages(await dayCardsPdf(HEAD, []))).getPageCount()).toBe(1);
  });

  it('draws what its fonts do not have, and nothing else', async () => {
    const foreign = ['الفرن', '窯の口', 'Ölofen 🔥', 'Ωmega'];
    const named = foreign.map((name, i) => ({ ...cards[0], id: String(i), name }));
    const document = await pages(await dayCardsPdf(HEAD, named, draw));
    expect(drawn).toEqual(foreign.map((name) => `1  ${name}`));
    expect(picturesIn(document)).toBe(foreign.length);
    drawn.length = 0;
    const latin = { ...cards[0], name: 'Søndre’s Öfen − é' };
    await dayCardsPdf(HEAD, [latin], draw);
    expect(drawn).toEqual([]);
  });
});
