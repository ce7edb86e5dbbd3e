/** How light is kept in a scene file: codes even per stop about the grey card, 13 bit. */
export const SCENE_CODE = {
  /** Stops under and over the card's luminance that the codes span. */
  under: 13,
  over: 11,
  top: 8191,
} as const;

/** A pixel of a walk that shows what the still shows already: nothing is laid there. */
export const AS_STILL = 0;

const PER_STOP = (SCENE_CODE.top - 1) / (SCENE_CODE.under + SCENE_CODE.over);

/** Light over the card's luminance as a code; 0 is none, what is brighter than the span is held at its top. */
export const lightToCode = (light: number, card: number): number => {
  const stops = Math.log2(light / card) + SCENE_CODE.under;
  return light <= 0 || stops < 0 ? 0 : Math.min(SCENE_CODE.top, 1 + Math.round(stops * PER_STOP));
};

/** A code back to light; within 0.1 % of what was kept. */
export const codeToLight = (code: number, card: number): number =>
  code === 0 ? 0 : card * 2 ** ((code - 1) / PER_STOP - SCENE_CODE.under);

/** All of them, for a card of luminance 1. */
export const lightTable = (): Float32Array =>
  Float32Array.from({ length: SCENE_CODE.top + 1 }, (_, code) => codeToLight(code, 1));

/** Luminance of linear BT.2020 (ITU-R BT.2020-2, table 4). */
export const luminance = (r: number, g: number, b: number): number => 0.2627 * r + 0.678 * g + 0.0593 * b;
