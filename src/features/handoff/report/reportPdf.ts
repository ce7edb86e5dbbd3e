import type { PDFImage } from 'pdf-lib';
import { startFlow, type Flow } from '#ui/paper/flow.ts';
import { newDocument, type PaperTools } from '#ui/paper/sheet.ts';
import { type PaperId } from '#ui/paper/papers.ts';
import { words } from '#ui/wording/report.ts';
import { LADDER, drawLadder } from './ladderPdf.ts';
import type { Report, ReportCamera, ReportSetup, ReportTake } from './reportData.ts';

/** Picture of a take, at most so large, points; its text begins beside ladder and picture. */
const PICTURE = { width: 104, height: 62 };
const TEXT_AT = PICTURE.width + LADDER.width + 22;

type Drawing = {
  readonly flow: Flow;
  readonly pictureOf: (png: Uint8Array) => Promise<PDFImage | undefined>;
  readonly pause?: PaperTools['pause'];
};

/** The card in two columns of names and values. */
const drawCard = async ({ flow }: Drawing, { card }: ReportCamera) => {
  const half = Math.ceil(card.length / 2);
  for (const [i, [label, value]] of card.slice(0, half).entries()) {
    const second = card[half + i] ?? ['', ''];
    const cells = [label, value, ...second].map((text, c) => ({ text, bold: c % 2 === 1 }));
    await flow.row(cells, [15, 38, 15, 32], 8.5);
  }
  flow.space(6);
};

const linesOf = (take: ReportTake) => [
  { text: [take.says], size: 9.5 },
  {
    text: take.verdicts.map(({ state, text }) => `${words[state]}: ${text}`),
    size: 9,
  },
  { text: take.otherwise === '' ? [] : [words.otherwise(take.otherwise)], size: 9 },
  { text: take.clips.map((clip) => words.clip(clip)), size: 8.5 },
  { text: take.notes === '' ? [] : [words.notes(take.notes)], size: 9 },
];

const drawTake = async ({ flow, pictureOf }: Drawing, take: ReportTake) => {
  const style = (size: number) => ({ size, x: TEXT_AT });
  const lines = linesOf(take).flatMap(({ text, size }) => text.map((one) => ({ one, size })));
  const head = [take.name, take.circled && words.circled, take.head].filter(Boolean).join(' · ');
  const tall = lines.reduce((sum, { one, size }) => sum + flow.tallOf(one, style(size)), 16);
  await flow.keep(Math.max(Math.min(tall, 300), LADDER.height) + 10);
  const top = flow.place(0, 0);
  const image = take.picture && (await pictureOf(take.picture));
  if (image) {
    const { width, height } = image.scaleToFit(PICTURE.width, PICTURE.height);
    top.page.drawImage(image, { x: top.x, y: top.y - height, width, height });
  }
  drawLadder(top.page, { x: top.x + PICTURE.width + 6, y: top.y }, take);
  await flow.text(head, { ...style(10), font: 'bold' });
  for (const { one, size } of lines) await flow.text(one, style(size));
  const end = flow.place(0, 0);
  const used = end.page === top.page ? top.y - end.y : LADDER.height;
  flow.space(Math.max(0, LADDER.height - used) + 6);
  flow.rule();
  flow.space(6);
};

const drawSetup = async (drawing: Drawing, { name, says, caution, cameras }: ReportSetup) => {
  const { flow } = drawing;
  await flow.keep(200);
  flow.space(8);
  await flow.text(name, { size: 13, font: 'bold' });
  if (says !== '') await flow.text(says, { size: 9 });
  if (caution !== '') await flow.text(caution, { size: 9 });
  for (const camera of cameras) {
    await flow.keep(150);
    flow.space(6);
    await flow.text(camera.name, { size: 11, font: 'bold' });
    flow.space(2);
    await drawCard(drawing, camera);
    for (const take of camera.takes) {
      await drawTake(drawing, take);
      await drawing.pause?.();
    }
  }
};

const drawSums = async (flow: Flow, { sums, notShot }: Report) => {
  const shares = [22, 28, 9, 17, 8, 7, 9];
  await flow.text(words.undoTitle, { size: 13, font: 'bold' });
  await flow.text(words.undoSays, { size: 9 });
  flow.space(4);
  const head = words.undoHead.map((text, i) => ({ text, bold: true, toRight: i > 3 }));
  await flow.row(head, shares, 8.5);
  for (const { setup, camera, planned, found, undo, takes, circled } of sums) {
    const cells = [setup, camera, planned, found, undo, String(takes), String(circled)];
    await flow.row(
      cells.map((text, i) => ({ text, bold: i === 4, toRight: i > 3 })),
      shares,
      9,
    );
  }
  flow.space(4);
  if (notShot.length > 0) await flow.text(words.notShot(notShot.join(', ')), { size: 9 });
  await flow.text(words.ladderSays, { size: 8.5 });
};

const drawMedia = async (flow: Flow, { media }: Report) => {
  await flow.keep(60 + media.length * 16);
  flow.space(12);
  await flow.text(words.mediaTitle, { size: 13, font: 'bold' });
  if (media.length === 0) {
    await flow.text(words.noMedia, { size: 9 });
    return;
  }
  await flow.text(words.mediaSays, { size: 9 });
  flow.space(4);
  const shares = [18, 8, 12, 12, 18, 18, 18];
  const toRight = (i: number) => i > 0 && i < 4;
  await flow.row(
    words.mediaHead.map((text, i) => ({ text, bold: true, toRight: toRight(i) })),
    shares,
    8.5,
  );
  for (const row of media)
    await flow.row(
      row.map((text, i) => ({ text, toRight: toRight(i) })),
      shares,
      11,
    );
};

/**
 * A report as a PDF, black on white.
 * @param at Date that the file is given: the same records make the same bytes
 * @param tools Draws names in scripts that the standard fonts do not have; without it they stand as question marks
 */
export const reportPdf = async (
  report: Report,
  { paper, at, tools = {} }: { readonly paper: PaperId; readonly at: Date; readonly tools?: PaperTools },
): Promise<Uint8Array<ArrayBuffer>> => {
  const made = await newDocument(`${report.shoot}: ${words.title}`, at);
  const flow = startFlow(made, paper, `${report.shoot} · ${words.title}`, tools.draw);
  // A small picture that is damaged is left out: the rest of its take is there.
  const pictureOf = async (png: Uint8Array) => {
    try {
      return await (tools.jpeg ? made.document.embedJpg(await tools.jpeg(png)) : made.document.embedPng(png));
    } catch {
      return undefined;
    }
  };
  await flow.text(report.shoot, { size: 22, font: 'bold' });
  const days = report.days.map(({ name }) => name).join(', ');
  await flow.text([words.title, report.place, days].filter(Boolean).join(' · '), { size: 10 });
  flow.space(4);
  flow.rule(1.2);
  flow.space(12);
  await drawSums(flow, report);
  for (const { name, setups } of report.days) {
    await flow.keep(240);
    flow.space(14);
    flow.rule(1.2);
    flow.space(4);
    await flow.text(name, { size: 16, font: 'bold' });
    for (const setup of setups) await drawSetup({ flow, pictureOf, pause: tools.pause }, setup);
  }
  await drawMedia(flow, report);
  await flow.close((page, pages) => words.foot(report.shoot, page, pages));
  return (await made.document.save()) as Uint8Array<ArrayBuffer>;
};
