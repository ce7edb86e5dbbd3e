import type { Size } from '#ui/parts/useSize.ts';

/** Of a box that is not laid out yet. */
const LEAST = 0.001;

/**
 * CSS pixels of a picture's pixel.
 * @param room the box that it stands in; beside a second picture it has half of it
 * @returns `fitting`: all of it in sight; `shown`: as it is looked at. Both 1 while there is no frame.
 */
export const pictureScales = (
  frame: Size | undefined,
  { width, height }: Size,
  zoom: 'fit' | '1:1',
  isBeside: boolean,
): { readonly fitting: number; readonly shown: number } => {
  const across = isBeside ? width / 2 : width;
  const fitting = frame ? Math.max(LEAST, Math.min(across / frame.width, height / frame.height)) : 1;
  return { fitting, shown: zoom === 'fit' ? fitting : 1 };
};
