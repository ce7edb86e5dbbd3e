import { xyToXyz } from '../colour/chromaticity.ts';
import { GAMUTS, gamutMatrix, rgbToXyz } from '../colour/gamut.ts';
import { labToXyz } from '../colour/lab.ts';
import { apply, invert, type Triple } from '../maths/matrix.ts';
import { luminance } from './light.ts';

/**
 * The test board that every scene of the stage carries, of Candelum's own arrangement: grey card, white, black
 * trap and three skins on the left; on the right rings of hue round a spine of neutral steps. Lengths are in
 * heights of the board: x runs 0..{@link BOARD_RATIO} from the left, y 0..1 from above.
 */
export const BOARD_RATIO = 1.5;

/** A part of the board: a rectangle, or what a ring has between two angles on one side of the spine. */
type Part =
  | { readonly x: number; readonly y: number; readonly width: number; readonly height: number }
  | { readonly side: -1 | 1; readonly from: number; readonly to: number; readonly ring: Ring };

/** Inner and outer radius about the middle of the spine. */
type Ring = readonly [inner: number, outer: number];

export type BoardPatch = {
  readonly name: string;
  readonly kind: 'card' | 'white' | 'trap' | 'wedge' | 'patch';
  /** Linear BT.2020, 0..1. */
  readonly reflectance: Triple;
  readonly part: Part;
  /** Where it is read: the middle of a square well inside it, and half the square's side. */
  readonly at: readonly [x: number, y: number];
  readonly half: number;
};

/** Neutral steps of the spine: reflectances half a stop apart from 90 % down. */
export const WEDGE: readonly number[] = Array.from({ length: 11 }, (_, i) => 0.9 * 2 ** (-i / 2));

const SPINE = { x: 1, half: 0.07, top: 0.04, bottom: 0.96 } as const;
const CENTRE = [SPINE.x, 0.5] as const;
const GAP = 0.012;
const RINGS = { strong: [0.335, 0.46], half: [0.2, 0.32], nature: [0.085, 0.185] } as const;
/** Patches are read in so much of what fits. */
const READ = 0.6;

const neutral = (v: number): Triple => [v, v, v];
const FROM_709 = gamutMatrix('bt709', 'bt2020');
const from709 = (r: number, g: number, b: number): Triple => apply(FROM_709, [r, g, b]);
const WHITE = xyToXyz(GAMUTS.bt709.white);
const XYZ_TO_709 = invert(rgbToXyz(GAMUTS.bt709));

/** A hue at a lightness and chroma of CIE L*a*b*, as linear BT.709. */
const lch709 = (l: number, c: number, degrees: number): Triple => {
  const h = (degrees * Math.PI) / 180;
  return apply(XYZ_TO_709, labToXyz([l, c * Math.cos(h), c * Math.sin(h)], WHITE));
};

/** The largest whole chroma at which each channel stays a paint's: at least 1 %, at most 85 %. */
const fullest = (l: number, h: number): number => {
  let c = 0;
  while (lch709(l, c + 1, h).every((v) => v >= 0.01 && v <= 0.85)) c += 1;
  return c;
};

/** A paint of a hue with a share of the chroma it can have. Yellow is light and blue dark, as paints are. */
const paint = (h: number, share: number): Triple => {
  const l = 55 + 17 * Math.cos(((h - 100) * Math.PI) / 180);
  return apply(FROM_709, lch709(l, share * fullest(l, h), h));
};

/** A colour of this luminous reflectance. */
const ofReflectance = (y: number, rgb709: Triple): Triple => {
  const rgb = from709(...rgb709);
  const k = y / luminance(...rgb);
  return [rgb[0] * k, rgb[1] * k, rgb[2] * k];
};

type Draft = Omit<BoardPatch, 'at' | 'half'>;

const rectangle = (
  name: string,
  kind: BoardPatch['kind'],
  reflectance: Triple,
  [x, y, width, height]: readonly [number, number, number, number],
): Draft => ({ name, kind, reflectance, part: { x, y, width, height } });

/** Patches round a ring, clockwise from above: half of them right of the spine, half left. */
const round = (ring: Ring, patches: readonly (readonly [string, Triple])[]): Draft[] => {
  const perSide = patches.length / 2;
  const step = 180 / perSide;
  return patches.map(([name, reflectance], i) => {
    const side = i < perSide ? 1 : -1;
    const from = (side === 1 ? i : patches.length - 1 - i) * step;
    return { name, kind: 'patch', reflectance, part: { side, from, to: from + step, ring } };
  });
};

/** Names of twelve hues, CIE L*a*b* hue angles 30 degrees apart from 15. */
// prettier-ignore
const HUES = [
  'crimson', 'coral', 'amber', 'olive', 'green', 'jade', 'teal', 'petrol', 'azure', 'blue', 'violet', 'magenta',
] as const;

const STRONG = 0.88;
const HALF = 0.45;

const drafts = (): Draft[] => {
  const hueOf = (i: number) => 15 + 30 * i;
  const stepHeight = (SPINE.bottom - SPINE.top) / WEDGE.length;
  return [
    rectangle('grey card', 'card', neutral(0.18), [0.04, 0.04, 0.46, 0.5]),
    rectangle('white', 'white', neutral(0.9), [0.04, 0.57, 0.22, 0.185]),
    rectangle('black trap', 'trap', neutral(0.004), [0.28, 0.57, 0.22, 0.185]),
    rectangle('skin 36 %', 'patch', ofReflectance(0.36, [0.52, 0.34, 0.25]), [0.04, 0.785, 0.14, 0.175]),
    rectangle('skin 18 %', 'patch', ofReflectance(0.18, [0.28, 0.16, 0.105]), [0.2, 0.785, 0.14, 0.175]),
    rectangle('skin 9 %', 'patch', ofReflectance(0.09, [0.15, 0.078, 0.05]), [0.36, 0.785, 0.14, 0.175]),
    ...round(
      RINGS.strong,
      HUES.map((name, i) => [name, paint(hueOf(i), STRONG)] as const),
    ),
    ...round(
      RINGS.half,
      HUES.flatMap((name, i) => (i % 2 === 0 ? [[`half ${name}`, paint(hueOf(i), HALF)] as const] : [])),
    ),
    ...round(RINGS.nature, [
      ['sky', from709(0.16, 0.25, 0.4)],
      ['sand', from709(0.5, 0.41, 0.27)],
      ['wood', from709(0.2, 0.115, 0.06)],
      ['leaf', from709(0.1, 0.15, 0.05)],
    ]),
    ...WEDGE.map((v, i) =>
      rectangle(`step ${i + 1}`, 'wedge', neutral(v), [
        SPINE.x - SPINE.half,
        SPINE.top + i * stepHeight,
        2 * SPINE.half,
        stepHeight,
      ]),
    ),
  ];
};

/** Angle from straight up, 0..180 degrees on either side, and distance from the middle of the spine. */
const polar = (x: number, y: number) => {
  const [dx, dy] = [Math.abs(x - CENTRE[0]), CENTRE[1] - y];
  return { angle: (Math.atan2(dx, dy) * 180) / Math.PI, radius: Math.hypot(dx, dy) };
};

const covers = (part: Part, x: number, y: number): boolean => {
  if ('x' in part) return x >= part.x && x < part.x + part.width && y >= part.y && y < part.y + part.height;
  if ((x - CENTRE[0]) * part.side < SPINE.half + GAP) return false;
  const { angle, radius } = polar(x, y);
  if (radius < part.ring[0] || radius > part.ring[1]) return false;
  // The gap between neighbours is as wide outside as inside.
  const gap = ((GAP / radius) * 90) / Math.PI;
  return angle >= part.from + gap && angle < part.to - gap;
};

/** The middle of the largest square that a part holds, and half its side, to 0.002. */
const squareIn = (part: Part): { at: readonly [number, number]; half: number } => {
  if ('x' in part)
    return {
      at: [part.x + part.width / 2, part.y + part.height / 2],
      half: Math.min(part.width, part.height) / 2,
    };
  const [inner, outer] = part.ring;
  let found = { at: CENTRE as readonly [number, number], half: 0 };
  for (let i = 1; i < 12; i += 1)
    for (let j = 1; j < 12; j += 1) {
      const angle = ((part.from + ((part.to - part.from) * i) / 12) * Math.PI) / 180;
      const radius = inner + ((outer - inner) * j) / 12;
      const at = [
        CENTRE[0] + part.side * radius * Math.sin(angle),
        CENTRE[1] - radius * Math.cos(angle),
      ] as const;
      let half = found.half;
      while (cornersOf(at, half + 0.002).every(([x, y]) => covers(part, x, y))) half += 0.002;
      if (half > found.half) found = { at, half };
    }
  return found;
};

const cornersOf = ([x, y]: readonly [number, number], half: number) =>
  [
    [x - half, y - half],
    [x + half, y - half],
    [x + half, y + half],
    [x - half, y + half],
  ] as const;

export const BOARD_PATCHES: readonly BoardPatch[] = drafts().map((draft) => {
  const { at, half } = squareIn(draft.part);
  return { ...draft, at, half: READ * half };
});

/** The patch at a place of the board, if one is there; between them is the board's dark edge. */
export const boardPatchAt = (x: number, y: number): BoardPatch | undefined =>
  BOARD_PATCHES.find(({ part }) => covers(part, x, y));
