/** Paper in points of 1/72 inch: A4 (ISO 216) and letter (ANSI/ASME Y14.1). A further one is a row. */
export const PAPERS = {
  a4: { name: 'A4', width: 595.28, height: 841.89 },
  letter: { name: 'Letter', width: 612, height: 792 },
} as const;
export type PaperId = keyof typeof PAPERS;
