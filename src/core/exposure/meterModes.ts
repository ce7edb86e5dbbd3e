/** How a meter weighs the picture; u, v in 0..1 across and down, the spot's middle given. A further one is a row. */
export const METER_MODES = {
  spot: {
    name: 'spot',
    weigh: (u, v, x, y) => (Math.hypot(u - x, (v - y) * 0.5625) < 0.02 ? 1 : 0),
  },
  centre: {
    name: 'centre',
    weigh: (u, v) => Math.exp(-((u - 0.5) ** 2 + (v - 0.5) ** 2 * 0.32) / 0.03),
  },
  whole: { name: 'whole frame', weigh: () => 1 },
} as const satisfies Record<
  string,
  { name: string; weigh: (u: number, v: number, x: number, y: number) => number }
>;
export type MeterMode = keyof typeof METER_MODES;
export const METER_MODE_IDS = Object.keys(METER_MODES) as MeterMode[];

/** Half the picture's width and height, in the middle: where a thing "in the middle" lies. Our own choice. */
const MIDDLE = 0.25;
const CELLS = 64;

const isMiddle = (u: number, v: number) => Math.abs(u - 0.5) < MIDDLE && Math.abs(v - 0.5) < MIDDLE;

/**
 * How many times its share of the picture a thing counts, by where it lies: the weight there over the mean weight.
 * Of the frame's middle quarter and of what lies round it.
 */
export const weightByPlace = (mode: Exclude<MeterMode, 'spot'>): { middle: number; edge: number } => {
  const { weigh } = METER_MODES[mode];
  let [middle, edge, inMiddle] = [0, 0, 0];
  for (let row = 0; row < CELLS; row += 1)
    for (let column = 0; column < CELLS; column += 1) {
      const [u, v] = [(column + 0.5) / CELLS, (row + 0.5) / CELLS];
      if (isMiddle(u, v)) {
        middle += weigh(u, v);
        inMiddle += 1;
      } else edge += weigh(u, v);
    }
  const whole = CELLS * CELLS;
  const mean = (middle + edge) / whole;
  return { middle: middle / inMiddle / mean, edge: edge / (whole - inMiddle) / mean };
};
