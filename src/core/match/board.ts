import { BOARD_RATIO } from '../scene/board.ts';
import { apply, invert, type Matrix3, type Triple } from '../maths/matrix.ts';
import { BOARDS, type BoardLayout } from './boards.ts';
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

const halfOf = (a: Point, b: Point): Point => [(b[0] - a[0]) / 2, (b[1] - a[1]) / 2];

/** Half the sides of an upright rectangle that lies in a parallelogram of these half sides and fills it as it leans. */
const uprightIn = ([ux, uy]: Point, [vx, vy]: Point): Point => {
  const det = Math.abs(ux * vy - uy * vx);
  const [wide, high] = [Math.abs(ux) + Math.abs(vx), Math.abs(uy) + Math.abs(vy)];
  // Along either side of the parallelogram a corner of the rectangle may not lie beyond its half.
  const reach = Math.max(
    Math.abs(vy) * wide + Math.abs(vx) * high,
    Math.abs(uy) * wide + Math.abs(ux) * high,
  );
  return [(wide * det) / reach, (high * det) / reach];
};

/**
 * The patches of a board between four corners that were dragged to its own, each as the upright rectangle that surely
 * lies in it. Nothing for corners that make no board.
 */
export const boardPatches = (
  corners: Corners,
  layout: BoardLayout = BOARDS.stage.layout,
): readonly PlacedPatch[] => {
  if (!isBoard(corners)) return [];
  const onBoard = fromSquare(corners);
  return layout.map(({ name, kind, at: [x, y], half: [dx, dy] }) => {
    const [cx, cy] = at(onBoard, x, y);
    const [left, right] = [at(onBoard, x - dx, y), at(onBoard, x + dx, y)];
    const [upper, lower] = [at(onBoard, x, y - dy), at(onBoard, x, y + dy)];
    const [w, h] = uprightIn(halfOf(left, right), halfOf(upper, lower));
    return { name, kind, rect: { x: cx - w, y: cy - h, width: 2 * w, height: 2 * h } };
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
