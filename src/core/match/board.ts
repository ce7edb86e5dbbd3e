import { BOARD_PATCHES, BOARD_RATIO } from '../scene/board.ts';
import { apply, invert, multiply, type Matrix3, type Triple } from '../maths/matrix.ts';
import type { MatchKind } from './patches.ts';

type Point = readonly [x: number, y: number];
/** Corners of a board in a picture, in fractions of it: from upper left on, clockwise. */
export type Corners = readonly [Point, Point, Point, Point];

/** A patch of a board where it lies in the picture. */
export type PlacedPatch = {
  readonly name: string;
  readonly kind: MatchKind;
  readonly rect: { readonly x: number; readonly y: number; readonly width: number; readonly height: number };
};

/** The unit square to four points by a projection (Heckbert 1989, Fundamentals of texture mapping, 2.2.3). */
const fromSquare = ([p0, p1, p2, p3]: Corners): Matrix3 => {
  const [sx, sy] = [p0[0] - p1[0] + p2[0] - p3[0], p0[1] - p1[1] + p2[1] - p3[1]];
  const [ax, ay, bx, by] = [p1[0] - p2[0], p1[1] - p2[1], p3[0] - p2[0], p3[1] - p2[1]];
  const det = ax * by - bx * ay;
  const g = (sx * by - bx * sy) / det;
  const h = (ax * sy - sx * ay) / det;
  return [
    p1[0] - p0[0] + g * p1[0],
    p3[0] - p0[0] + h * p3[0],
    p0[0],
    p1[1] - p0[1] + g * p1[1],
    p3[1] - p0[1] + h * p3[1],
    p0[1],
    g,
    h,
    1,
  ];
};

const at = (m: Matrix3, x: number, y: number): Point => {
  const [u, v, w] = apply(m, [x, y, 1] as Triple);
  return [u / w, v / w];
};

/** Whether four corners make a board: turned one way all round, and no side of it vanishes. */
export const isBoard = (corners: Corners): boolean => {
  const turns = corners.map((b, i) => {
    const [a, c] = [corners[(i + 3) % 4], corners[(i + 1) % 4]];
    return (b[0] - a[0]) * (c[1] - b[1]) - (b[1] - a[1]) * (c[0] - b[0]);
  });
  return turns.every((turn) => turn > 1e-6) || turns.every((turn) => turn < -1e-6);
};

const KINDS = { card: 'card', white: 'white', wedge: 'neutral', patch: 'colour', trap: 'colour' } as const;

/**
 * The patches of the board of the stage between four corners that were dragged to its own, each as the upright
 * rectangle that surely lies in it; the black trap is none. Nothing for corners that make no board.
 */
export const boardPatches = (corners: Corners): readonly PlacedPatch[] => {
  if (!isBoard(corners)) return [];
  const onBoard = multiply(fromSquare(corners), [1 / BOARD_RATIO, 0, 0, 0, 1, 0, 0, 0, 1]);
  return BOARD_PATCHES.filter(({ kind }) => kind !== 'trap').map(({ name, kind, at: [x, y], half }) => {
    const [cx, cy] = at(onBoard, x, y);
    const sides = [
      at(onBoard, x - half, y),
      at(onBoard, x + half, y),
      at(onBoard, x, y - half),
      at(onBoard, x, y + half),
    ];
    const reach = (of: 0 | 1, c: number) => Math.max(...sides.map((side) => Math.abs(side[of] - c)));
    // A turned square holds an upright one of half its reach.
    const turned = Math.abs(sides[0][1] - sides[1][1]) > 0.2 * Math.abs(sides[0][0] - sides[1][0]) ? 0.6 : 1;
    const [w, h] = [turned * reach(0, cx), turned * reach(1, cy)];
    return { name, kind: KINDS[kind], rect: { x: cx - w, y: cy - h, width: 2 * w, height: 2 * h } };
  });
};

/** Corners of a picture's board where nothing was dragged yet: the middle of it. */
export const FIRST_CORNERS: Corners = [
  [0.3, 0.3],
  [0.7, 0.3],
  [0.7, 0.75],
  [0.3, 0.75],
];

/** Undoes a projection: where a point of the picture lies on the board, in heights of it. */
export const onBoardAt = (corners: Corners, [x, y]: Point): Point => {
  const [u, v] = at(invert(fromSquare(corners)), x, y);
  return [u * BOARD_RATIO, v];
};
