'use client';

import { printInstead, printZebra } from '#core/exposure/zebra.ts';
import { cardText, codeOf, type CardHead } from './cardText.ts';
import type { DayCard } from './dayCards.ts';
import { wrapped } from '../paper/wrapped.ts';

// A card as a picture for a phone's photos: black on white, as wide as phones are, read at arm's length.
const WIDTH = 1080;
const MARGIN = 56;
const ROOM = WIDTH - 2 * MARGIN;
const CODE = 460;
const TEXT = '"Atkinson Hyperlegible Next Variable", system-ui, sans-serif';
const MONO = '"Atkinson Hyperlegible Mono Variable", ui-monospace, monospace';

type Context = OffscreenCanvasRenderingContext2D;
type Style = { readonly size: number; readonly bold?: boolean; readonly family?: string };

const fontOf = ({ size, bold = false, family = TEXT }: Style) => `${bold ? 700 : 400} ${size}px ${family}`;

/** Writes a line, squeezed where it is wider than its room. */
const write = (
  context: Context,
  text: string,
  [x, y]: readonly [number, number],
  style: Style,
  { room = ROOM, align = 'left' }: { readonly room?: number; readonly align?: CanvasTextAlign } = {},
) => {
  context.font = fontOf(style);
  context.textAlign = align;
  context.fillText(text, x, y, room);
};

const rule = (context: Context, y: number, thickness: number) => context.fillRect(MARGIN, y, ROOM, thickness);

const drawZebras = (context: Context, { zebras }: DayCard, top: number): number => {
  const step = ROOM / zebras.length;
  zebras.forEach(([name, zebra], i) => {
    const x = MARGIN + i * step;
    const room = step - 16;
    write(context, name, [x, top + 40], { size: 36 }, { room });
    const instead = printInstead(zebra);
    const level = { size: instead === undefined ? 84 : 44, bold: true, family: MONO };
    write(context, printZebra(zebra), [x, top + 122], level, { room });
    if (instead !== undefined) write(context, instead, [x, top + 168], { size: 36 }, { room });
  });
  return top + 190;
};

const drawLines = (context: Context, { lines }: DayCard, top: number): number => {
  lines.forEach(([name, value], i) => {
    const y = top + i * 68;
    rule(context, y, 2);
    write(context, name, [MARGIN, y + 48], { size: 38 }, { room: ROOM / 2 });
    const right = { room: ROOM * 0.62, align: 'right' } as const;
    write(context, value, [WIDTH - MARGIN, y + 48], { size: 42, bold: true, family: MONO }, right);
  });
  return top + lines.length * 68;
};

const drawCode = (context: Context, text: string, top: number): number => {
  const { side, path } = codeOf(text);
  // Whole pixels a module, or a phone may not read it.
  const scale = Math.floor(CODE / side);
  context.save();
  context.translate(Math.round((WIDTH - side * scale) / 2), top);
  context.scale(scale, scale);
  context.fill(new Path2D(path));
  context.restore();
  return top + side * scale;
};

/** The card as a PNG, with its code: whoever scans it off this picture has it as text. */
export const cardPicture = async (card: DayCard, head: CardHead): Promise<Blob> => {
  await Promise.all([TEXT, MONO].map((family) => document.fonts.load(fontOf({ size: 40, family }))));
  const canvas = new OffscreenCanvas(WIDTH, 2600);
  const context = canvas.getContext('2d')!;
  context.fillStyle = '#fff';
  context.fillRect(0, 0, WIDTH, canvas.height);
  context.fillStyle = '#000';
  write(context, head.title, [MARGIN, 92], { size: 36 });
  write(context, `${card.place} ${card.name}`, [MARGIN, 168], { size: 64, bold: true });
  rule(context, 196, 5);
  let y = drawLines(context, card, drawZebras(context, card, 208));
  const small = { size: 32 };
  context.font = fontOf(small);
  const notes = [head.subtitle, card.caution].flatMap((text) =>
    wrapped(text, ROOM, (part) => context.measureText(part).width),
  );
  rule(context, y, 2);
  for (const line of notes) {
    y += 44;
    write(context, line, [MARGIN, y], small);
  }
  y = drawCode(context, cardText(card, head), y + 24);
  const whole = new OffscreenCanvas(WIDTH, y + 12);
  whole.getContext('2d')!.drawImage(canvas, 0, 0);
  return whole.convertToBlob({ type: 'image/png' });
};
