'use client';

/** A text as a picture: in points, for paper. */
export type TextPicture = {
  readonly png: Uint8Array<ArrayBuffer>;
  readonly width: number;
  readonly height: number;
  /** From its lower edge up to the line the letters stand on. */
  readonly under: number;
};
export type TextStyle = { readonly size: number; readonly bold: boolean };

/** Pixels for a point: 300 dpi and a little over. */
const DENSITY = 4.5;
const FAMILY = '"Atkinson Hyperlegible Next Variable", system-ui, sans-serif';

/** Draws a text with whatever fonts this device has: every script that it can show. */
export const textPicture = async (text: string, { size, bold }: TextStyle): Promise<TextPicture> => {
  const font = `${bold ? 700 : 400} ${size * DENSITY}px ${FAMILY}`;
  const measured = new OffscreenCanvas(1, 1).getContext('2d')!;
  measured.font = font;
  const { width } = measured.measureText(text);
  const [under, over] = [0.35 * size, 1.05 * size];
  const canvas = new OffscreenCanvas(Math.max(1, Math.ceil(width)), Math.ceil((under + over) * DENSITY));
  const context = canvas.getContext('2d')!;
  context.font = font;
  context.fillText(text, 0, over * DENSITY);
  const blob = await canvas.convertToBlob({ type: 'image/png' });
  return {
    png: new Uint8Array(await blob.arrayBuffer()),
    width: canvas.width / DENSITY,
    height: canvas.height / DENSITY,
    under,
  };
};
