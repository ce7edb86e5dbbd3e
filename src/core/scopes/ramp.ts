import { interpolateCividis, interpolateGreys, interpolateViridis } from 'd3-scale-chromatic';

export type RampId = 'viridis' | 'cividis' | 'grey';

type RampDefinition = { readonly name: string; readonly at: (t: number) => string };

/** Colour ramps of data, safe for colour-blind eyes; lightness rises from one end to the other. */
export const RAMPS = {
  viridis: { name: 'viridis', at: interpolateViridis },
  cividis: { name: 'cividis', at: interpolateCividis },
  grey: { name: 'grey', at: (t) => interpolateGreys(0.92 - 0.84 * t) },
} as const satisfies Record<RampId, RampDefinition>;

/** Stops shown by the two ends of a ramp. */
export const RAMP_STOPS = [-8, 8] as const;

/** sRGB colour of a stop over grey, as a CSS colour; held at the ends. */
export const rampColour = (ramp: RampId, stops: number): string => {
  const [low, high] = RAMP_STOPS;
  const t = (stops - low) / (high - low);
  return RAMPS[ramp].at(Math.min(1, Math.max(0, Number.isNaN(t) ? 0 : t)));
};

const HEX = /^#(..)(..)(..)$/;
const RGB = /^rgb\((\d+),\s*(\d+),\s*(\d+)\)$/;

/** The same as three bytes. */
export const rampBytes = (ramp: RampId, stops: number): readonly [number, number, number] => {
  const css = rampColour(ramp, stops);
  const hex = HEX.exec(css);
  if (hex) return [parseInt(hex[1], 16), parseInt(hex[2], 16), parseInt(hex[3], 16)];
  const rgb = RGB.exec(css);
  if (!rgb) throw new TypeError(`rampBytes: cannot read colour ${css}`);
  return [Number(rgb[1]), Number(rgb[2]), Number(rgb[3])];
};
