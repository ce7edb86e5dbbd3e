import type { ScopePlane } from '#core/scopes/scopeList.ts';
import { placeAngle, type ScopePlace } from '#core/scopes/vectorscopePicture.ts';
import type { Size } from '#ui/parts/useSize.ts';
import type { ScopeAxis } from '#ui/scopes/scopeAxes.ts';

/** Room for the figures at the left, and under a histogram, CSS pixels. */
export const LEFT = 38;
export const BELOW = 18;

/** A point in the box, CSS pixels from its upper left corner. */
export type Point = readonly [x: number, y: number];

/**
 * What lies under the pointer: a level of the axis or a place in the plane of colour differences, and how it
 * is said.
 */
export type Reading = { readonly words: string; readonly level?: number; readonly place?: ScopePlace };

export type Geometry = {
  /** Where the picture of the scope lies in its box. */
  readonly drawn: { readonly left: number; readonly width: number; readonly height: number };
  readonly readAt: (point: Point) => Reading;
};

const readLevel = (axis: ScopeAxis, share: number): Reading => {
  const [from, to] = axis.range;
  const level = from + share * (to - from);
  return { level, words: axis.read(level) };
};

type GeometryOptions = {
  readonly box: Size;
  readonly axis: ScopeAxis;
  /** Colour difference at the edge of the plane, of full swing. */
  readonly reach: number;
};

const GEOMETRIES: { readonly [K in ScopePlane]: (options: GeometryOptions) => Geometry } = {
  levelsUp: ({ box: { width, height }, axis }) => ({
    drawn: { left: LEFT, width: Math.max(0, width - LEFT), height },
    readAt: ([, y]) => readLevel(axis, 1 - y / Math.max(1, height)),
  }),
  levelsRight: ({ box: { width, height }, axis }) => ({
    drawn: { left: LEFT, width: Math.max(0, width - LEFT), height: height - BELOW },
    readAt: ([x]) => readLevel(axis, (x - LEFT) / Math.max(1, width - LEFT)),
  }),
  chroma: ({ box: { width, height }, reach }) => {
    const side = Math.min(width, height);
    const left = (width - side) / 2;
    const half = side / 2;
    return {
      drawn: { left, width: side, height: side },
      readAt: ([x, y]) => {
        const place = { x: ((x - left - half) / half) * reach, y: ((half - y) / half) * reach };
        return { place, words: `${placeAngle(place).toFixed(0)} degrees` };
      },
    };
  },
};

/** How a scope of this plane lies in its box, and what is read where. */
export const scopeGeometry = (plane: ScopePlane, options: GeometryOptions): Geometry =>
  GEOMETRIES[plane](options);

const STEPS: { readonly [key: string]: Point } = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/**
 * The pointer after an arrow key: from the middle of the box when there was none, held inside; undefined for
 * another key.
 */
export const movedByKey = (
  { key, shiftKey }: { readonly key: string; readonly shiftKey: boolean },
  { width, height }: Size,
  from: Point = [width / 2, height / 2],
): Point | undefined => {
  const by = STEPS[key];
  if (!by) return undefined;
  const step = shiftKey ? 10 : 2;
  const clamp = (v: number, most: number) => Math.min(most, Math.max(0, v));
  return [clamp(from[0] + by[0] * step, width), clamp(from[1] + by[1] * step, height)];
};
