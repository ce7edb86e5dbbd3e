// The report of the demo shoot: what it says by the records, and the paper as other people's readers see it.
import 'fake-indexeddb/auto';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { encode } from 'fast-png';
import { PDFDocument } from 'pdf-lib';
import { afterEach, describe, expect, it } from 'vitest';
import { has } from '#core/fixtures/otherHands.ts';
import { openBooks } from '#store/fixtures/openBooks.ts';
import type { DrawText } from '#ui/paper/sheet.ts';
import { PAPERS, type PaperId } from '#ui/paper/papers.ts';
import { gather } from '../bundle/gather.ts';
import type { BundleOf } from '../bundle/parts.ts';
import { reportOf } from './reportData.ts';
import { reportPdf } from './reportPdf.ts';

const { fresh, bookOf, closeAll } = openBooks('report');
afterEach(closeAll);

const AT = new Date('2026-04-15T08:00:00Z');
const demo = async (): Promise<BundleOf> => {
  const database = fresh();
  const records = (await bookOf(database)).getState();
  return gather(database, records, records.shoots.get('salt-and-fire')!);
};
const inFile = (bytes: Uint8Array) => {
  const path = join(mkdtempSync(join(tmpdir(), 'report-')), 'report.pdf');
  writeFileSync(path, bytes);
  return path;
};
const textOf = (bytes: Uint8Array) =>
  execFileSync('pdftotext', ['-layout', inFile(bytes), '-'], { encoding: 'utf8' });
const reader = it.runIf(has('pdftotext'));

/** A picture of a text, as a page makes one: here a grey box. */
const draw: DrawText = async (text, { size }) => ({
  png: new Uint8Array(encode({ width: 4, height: 4, data: new Uint8Array(64).fill(90), channels: 4 })),
  width: text.length * size,
  height: size,
  under: 0,
});

describe('what a report says', () => {
  it('names every take once, under its day, set-up and camera', async () => {
    const of = await demo();
    const { days, sums } = reportOf(of);
    const takes = days.flatMap(({ setups }) =>
      setups.flatMap(({ cameras }) => cameras.flatMap((camera) => camera.takes)),
    );
    expect(takes).toHaveLength(of.takes.length);
    expect(sums.reduce((sum, row) => sum + row.takes, 0)).toBe(of.takes.length);
    expect(takes.filter(({ circled }) => circled)).toHaveLength(
      of.takes.filter(({ circled }) => circled).length,
    );
    const names = days.map(({ name }) => name);
    expect(new Set(names).size).toBe(names.length);
  });

  it('undoes what was found, or what was planned where no card was marked', async () => {
    const of = await demo();
    const [one] = of.takes;
    const at = (cardStops: number | undefined, id: string) => ({
      ...one,
      id,
      card: { ...one.card, placement: 2 / 3 },
      measured: one.measured && { ...one.measured, cardStops },
    });
    const says = (takes: BundleOf['takes']) => reportOf({ ...of, takes }).sums[0];
    expect(says([at(undefined, 'a')])).toMatchObject({ found: 'not marked', undo: '−0.7' });
    // The middle of three takes, and how far they lie apart.
    const three = says([at(0.5, 'a'), at(0.4, 'b'), at(0.9, 'c')]);
    expect(three).toMatchObject({ found: '+0.5, over 0.50', undo: '−0.5', takes: 3 });
    // Further apart, one number would be wrong for most of them.
    expect(says([at(1, 'a'), at(2, 'b')])).toMatchObject({ undo: 'each take' });
  });

  it('says which settings of a take are not those of its card', async () => {
    const of = await demo();
    const [one] = of.takes;
    const other = { ...one, id: 'other', card: { ...one.card, iso: 12345 } };
    const [{ setups }] = reportOf({ ...of, takes: [one, other] }).days;
    expect(setups[0].cameras[0].takes.map(({ otherwise }) => otherwise)).toEqual(['', 'ISO 12345']);
  });

  it('stands without a take, a set-up that is gone, or a camera that is gone', async () => {
    const of = await demo();
    const empty = reportOf({ ...of, takes: [], clips: [] });
    expect(empty).toMatchObject({ days: [], sums: [], media: [] });
    expect(empty.notShot.length).toBeGreaterThan(5);
    const gone = { ...of.records, setups: new Map(), cameras: new Map() };
    const { days } = reportOf({ ...of, records: gone });
    expect(days[0].setups[0].name).toBe(of.takes[0].card.setupName);
  });
});

describe('the report on paper', () => {
  it.each(Object.keys(PAPERS) as PaperId[])('is %s, the same bytes from the same records', async (paper) => {
    const report = reportOf(await demo());
    const bytes = await reportPdf(report, { paper, at: AT });
    const [page] = (await PDFDocument.load(bytes)).getPages();
    expect(page.getSize()).toEqual({ width: PAPERS[paper].width, height: PAPERS[paper].height });
    expect(Buffer.from(await reportPdf(report, { paper, at: AT })).equals(Buffer.from(bytes))).toBe(true);
  });

  reader('is read by pdftotext: takes, what to undo, cautions, media, a number on each page', async () => {
    const of = await demo();
    const report = reportOf(of);
    const text = textOf(await reportPdf(report, { paper: 'a4', at: AT }));
    const flat = text.replaceAll(/\s+/g, ' ');
    for (const { number } of of.takes) expect(flat).toContain(`Take ${number}`);
    for (const { setup } of report.sums) expect(flat).toContain(setup);
    expect(flat).toContain('Hot glass');
    expect(flat).toContain('Local codes and licensed practice decide.');
    const pages = text.split('\f').length - 1;
    expect(flat).toContain(`page ${pages} of ${pages}`);
    for (const [camera] of report.media) expect(flat).toContain(camera);
  });

  it.runIf(has('pdftoppm'))('is drawn by pdftoppm: ink on white, and none of it in the margins', async () => {
    const bytes = await reportPdf(reportOf(await demo()), { paper: 'a4', at: AT });
    const pgm = execFileSync('pdftoppm', ['-r', '36', '-gray', '-f', '1', '-l', '1', inFile(bytes)]);
    const [, width, height] = /^P5\s+(\d+) (\d+)\s+255\s/
      .exec(pgm.subarray(0, 30).toString('latin1'))!
      .map(Number);
    const pixels = pgm.subarray(pgm.length - width * height);
    const isDark = (x: number, y: number) => pixels[y * width + x] < 160;
    let [ink, outside] = [0, 0];
    // 42 points of margin are 21 pixels at 36 a inch; a letter may reach a pixel over.
    const margin = 19;
    for (let y = 0; y < height; y += 1)
      for (let x = 0; x < width; x += 1)
        if (isDark(x, y)) {
          ink += 1;
          if (x < margin || x >= width - margin) outside += 1;
        }
    expect([width, height]).toEqual([298, 421]);
    expect(ink / (width * height)).toBeGreaterThan(0.01);
    expect(ink / (width * height)).toBeLessThan(0.3);
    expect(outside).toBe(0);
  });

  reader('writes names of every script so that they are found as text', async () => {
    const of = await demo();
    const names = ['炉口のショット', 'Печь у входа', 'भट्ठी का मुँह'];
    const takes = of.takes.map((take, i) => ({
      ...take,
      notes: i < names.length ? names[i] : take.notes,
    }));
    const text = textOf(
      await reportPdf(reportOf({ ...of, takes }), { paper: 'letter', at: AT, tools: { draw } }),
    );
    for (const name of names) expect(text).toContain(name);
  });

  reader('cuts a name that no cell holds rather than writing it too small to read', async () => {
    const of = await demo();
    const long = 'A LUT with a name that goes on and on, as files have them, version 12 final, really final';
    const takes = of.takes.map((take) => ({ ...take, card: { ...take.card, monitorLut: long } }));
    const text = textOf(await reportPdf(reportOf({ ...of, takes }), { paper: 'a4', at: AT }));
    expect(text).toMatch(/A LUT with a.*\.\.\./);
    expect(text).not.toContain(long);
  });

  it('takes pictures as JPEG where the page makes them so, and lets the page go on between takes', async () => {
    const of = await demo();
    let [asked, pauses] = [0, 0];
    // The smallest JPEG that can be placed: its head says one pixel (ISO/IEC 10918-1, B.2.2).
    const jpeg = Uint8Array.of(...[0xff, 0xd8, 0xff, 0xc0, 0, 11, 8, 0, 1, 0, 1, 1, 1, 0x11, 0, 0xff, 0xd9]);
    const thumbnails = new Map(of.takes.map(({ id }) => [id, Uint8Array.of(1)]));
    const bytes = await reportPdf(reportOf({ ...of, thumbnails }), {
      paper: 'a4',
      at: AT,
      tools: {
        jpeg: async () => {
          asked += 1;
          return jpeg;
        },
        pause: async () => {
          pauses += 1;
        },
      },
    });
    expect([asked, pauses]).toEqual([of.takes.length, of.takes.length]);
    expect(Buffer.from(bytes).toString('latin1')).toContain('/DCTDecode');
  });

  it('goes on where a small picture is damaged, and over pages where notes are long', async () => {
    const of = await demo();
    const thumbnails = new Map([[of.takes[0].id, new Uint8Array([1, 2, 3])]]);
    const takes = of.takes.map((take) => ({ ...take, notes: 'salt and fire '.repeat(280) }));
    const plain = await reportPdf(reportOf(of), { paper: 'a4', at: AT });
    const long = await reportPdf(reportOf({ ...of, takes, thumbnails }), { paper: 'a4', at: AT });
    const count = async (bytes: Uint8Array) => (await PDFDocument.load(bytes)).getPageCount();
    expect(await count(long)).toBeGreaterThan(await count(plain));
  });
});
