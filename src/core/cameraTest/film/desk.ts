import { makeFrame, type Frame } from '../../frame/frame.ts';
import { codeAnchors } from '../../signal/scale.ts';
import { whiteXy } from '../../colour/temperature.ts';
import { GAMUTS, rgbToXyz } from '../../colour/gamut.ts';
import { xyToXyz } from '../../colour/chromaticity.ts';
import { apply, invert, type Triple } from '../../maths/matrix.ts';
import { seededRandom } from '../../random.ts';
import type { SceneLight } from '../../scene/scene.ts';
import type { View } from '../types.ts';

// A desk as the stage sets it up for a camera test: reflectances, lit evenly. All of it our own.

const XYZ_TO_SCENE = invert(rgbToXyz(GAMUTS.bt2020));

/** Colour of a light of a temperature, linear BT.2020 with luminance 1. */
const lightColour = (kelvin: number): Triple => apply(XYZ_TO_SCENE, xyToXyz(whiteXy({ kelvin, duv: 0 })));

const DESK = { width: 320, height: 180 } as const;
/** Where the dark chip lies in the card's view, fractions of the picture. */
export const DESK_CHIP = { x: 0.68, y: 0.42, width: 0.08, height: 0.16 } as const;
/** Reflectance of the chip, of black cloth, of white paper, of the wall. */
export const DESK_REFLECTANCE = { chip: 0.03, black: 0.035, white: 0.86, wall: 0.45 } as const;

/** Where the chart lies in the view of the sheets: its outer patches' corners, fractions of the picture. */
const CHART_AT = { x: 0.2, y: 0.56, width: 0.6, height: 0.4, columns: 6, rows: 4 } as const;
export const DESK_CHART_CORNERS = [
  [CHART_AT.x, CHART_AT.y],
  [CHART_AT.x + CHART_AT.width, CHART_AT.y],
  [CHART_AT.x + CHART_AT.width, CHART_AT.y + CHART_AT.height],
  [CHART_AT.x, CHART_AT.y + CHART_AT.height],
] as const;
/** Colours of the chart's upper rows: how strong, and how bright; its lowest row is grey. */
const CHART_ROWS = [
  { strength: 0.75, light: 0.3 },
  { strength: 0.5, light: 0.2 },
  { strength: 0.3, light: 0.45 },
] as const;
const CHART_GREYS = [0.86, 0.58, 0.36, 0.19, 0.09, 0.035] as const;

/** A hue as a reflectance, linear BT.2020, not farther out than a sheet of paint. @param turn 0..1 round the circle */
const hued = (turn: number, strength: number, light: number): Triple => {
  const of = (c: number) => light * (1 + strength * Math.cos(2 * Math.PI * (turn - c / 3)));
  return [of(0), of(1), of(2)];
};

/** Patches of the stage's chart, row by row, reflectances in linear BT.2020. */
const DESK_CHART: readonly Triple[] = [
  ...CHART_ROWS.flatMap(({ strength, light }, row) =>
    Array.from({ length: CHART_AT.columns }, (_, k) =>
      hued((k + row / CHART_ROWS.length) / CHART_AT.columns, strength, light),
    ),
  ),
  ...CHART_GREYS.map((v): Triple => [v, v, v]),
];

/** The stage's chart as its maker would print it: XYZ of each patch in daylight. */
export const deskChartText = (): string => {
  const toXyz = rgbToXyz(GAMUTS.bt2020);
  const row = (name: string, rgb: Triple) => [name, ...apply(toXyz, rgb).map((v) => v.toFixed(5))].join(',');
  return [
    'name,X,Y,Z',
    row('white', [1, 1, 1]),
    ...DESK_CHART.map((rgb, i) => row(`patch ${i + 1}`, rgb)),
  ].join('\n');
};

/** A thing by its place, fractions of the picture, and its reflectance; the later one lies over the earlier. */
export type Box = readonly [x: number, y: number, width: number, height: number, rgb: Triple];
const grey = (v: number): Triple => [v, v, v];

const chartBoxes = (): readonly Box[] => {
  const { x, y, width, height, columns, rows } = CHART_AT;
  return DESK_CHART.map((rgb, i) => [
    x + ((i % columns) * width) / columns,
    y + (Math.floor(i / columns) * height) / rows,
    width / columns,
    height / rows,
    rgb,
  ]);
};

/** Things on the desk: the card in the middle third, paper, books, a cup; the later one lies over the earlier. */
const CARD_VIEW = (card: number): readonly Box[] => [
  [0, 0, 1, 0.55, [0.32, 0.3, 0.27]],
  [0, 0.55, 1, 0.45, [0.2, 0.13, 0.08]],
  [0.04, 0.12, 0.18, 0.5, grey(DESK_REFLECTANCE.white)],
  [0.08, 0.66, 0.22, 0.2, [0.3, 0.06, 0.05]],
  [0.78, 0.1, 0.16, 0.22, [0.05, 0.16, 0.07]],
  [0.76, 0.66, 0.2, 0.26, [0.04, 0.06, 0.2]],
  [0.82, 0.4, 0.12, 0.2, grey(0.6)],
  [0.34, 0.28, 0.32, 0.44, grey(card)],
  [0.67, 0.38, 0.1, 0.24, grey(DESK_REFLECTANCE.chip)],
];

const VIEWS: Readonly<Record<View, (card: number) => readonly Box[]>> = {
  cap: () => [[0, 0, 1, 1, grey(0)]],
  card: CARD_VIEW,
  white: () => [[0, 0, 1, 1, grey(DESK_REFLECTANCE.white)]],
  black: () => [[0, 0, 1, 1, grey(DESK_REFLECTANCE.black)]],
  wall: () => [[0, 0, 1, 1, grey(DESK_REFLECTANCE.wall)]],
  edge: () => [
    [0, 0, 0.5, 1, grey(DESK_REFLECTANCE.black)],
    [0.5, 0, 0.5, 1, grey(DESK_REFLECTANCE.white)],
  ],
  sheets: () => [
    [0, 0, 1, 1, grey(0.2)],
    [0.06, 0.06, 0.26, 0.44, [0.42, 0.06, 0.05]],
    [0.37, 0.06, 0.26, 0.44, [0.08, 0.3, 0.08]],
    [0.68, 0.06, 0.26, 0.44, [0.05, 0.09, 0.35]],
    ...chartBoxes(),
  ],
};

/** A weave of the desk and the wall behind: what correlation holds on to. */
const WEAVE = 0.06;

/**
 * Light of things that are lit evenly, cd/m2, planar.
 * @param white Luminance of a perfect white in this light @param weave What each place varies by, 1 not at all
 */
export const boxLight = (
  boxes: readonly Box[],
  kelvin: number,
  white: number,
  weave: (u: number, v: number) => number = () => 1,
): SceneLight => {
  const { width, height } = DESK;
  const pixels = width * height;
  const rgb = new Float32Array(3 * pixels);
  const colour = lightColour(kelvin);
  for (let row = 0, i = 0; row < height; row += 1)
    for (let column = 0; column < width; column += 1, i += 1) {
      const [u, v] = [(column + 0.5) / width, (row + 0.5) / height];
      const [, , , , own] =
        boxes.findLast(([x, y, w, h]) => u >= x && u < x + w && v >= y && v < y + h) ?? boxes[0];
      const varied = weave(u, v);
      for (let c = 0; c < 3; c += 1) rgb[c * pixels + i] = own[c] * colour[c] * white * varied;
    }
  return { width, height, rgb };
};

/**
 * Light of a view, cd/m2, planar.
 * @param white Luminance of a perfect white in this light @param card Reflectance of the card
 */
export const deskLight = (
  view: View,
  kelvin: number,
  white: number,
  card: number,
  seed: number,
): SceneLight => {
  const random = seededRandom(seed);
  const cells = Float32Array.from({ length: 40 * 24 }, () => 1 + WEAVE * (random() - 0.5));
  const isPlain = (x: number, y: number) => x >= 0.34 && x < 0.78 && y >= 0.28 && y < 0.72;
  return boxLight(VIEWS[view](card), kelvin, white, (u, v) =>
    view === 'card' && !isPlain(u, v) ? cells[Math.floor(v * 24) * 40 + Math.floor(u * 40)] : 1,
  );
};

/** A hand over the lens between two shots: a frame of nearly no light. */
export const handOver = (frame: Frame): Frame => {
  const dark = codeAnchors(frame).black + 2 ** (frame.bitDepth - 8);
  const plane = () => new Uint16Array(frame.r.length).fill(dark);
  return makeFrame({ ...frame, r: plane(), g: plane(), b: plane(), source: undefined });
};
