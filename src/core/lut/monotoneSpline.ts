/** A point a curve passes, and its slope there. */
export type Knot = { readonly x: number; readonly y: number; readonly slope: number };

type Segment = {
  readonly x: number;
  readonly y: number;
  readonly run: number;
  readonly rise: number;
  readonly from: number;
  readonly to: number;
};

export type MonotoneSpline = {
  readonly at: (x: number) => number;
  /**
   * The x of a y between the first and last knot; outside, along the straight ends; where an end is flat, the
   * end itself.
   */
  readonly inverse: (y: number) => number;
};

const segmentsOf = (knots: readonly Knot[]): Segment[] =>
  knots.slice(1).map((to, i) => {
    const from = knots[i];
    return {
      x: from.x,
      y: from.y,
      run: to.x - from.x,
      rise: to.y - from.y,
      from: from.slope,
      to: to.slope,
    };
  });

const find = (knots: readonly Knot[], key: 'x' | 'y', v: number): number => {
  let i = 0;
  while (i < knots.length - 2 && v >= knots[i + 1][key]) i += 1;
  return i;
};

/**
 * Piecewise rational quadratics through knots that rise in x and y: value and slope are continuous, and
 * whatever slopes above 0 are asked for, the curve rises (Gregory and Delbourgo 1982, Piecewise rational
 * quadratic interpolation to monotonic data). Beyond the ends it is straight.
 * @throws RangeError when knots do not rise, a slope is negative, or there are fewer than two.
 */
export const monotoneSpline = (knots: readonly Knot[]): MonotoneSpline => {
  if (knots.length < 2) throw new RangeError(`monotoneSpline: two knots at least, got ${knots.length}`);
  for (const [i, { x, y, slope }] of knots.entries()) {
    if (!(slope >= 0)) throw new RangeError(`monotoneSpline: slope must not be negative, got ${slope}`);
    if (i > 0 && !(x > knots[i - 1].x && y > knots[i - 1].y))
      throw new RangeError(
        `monotoneSpline: knots must rise, got (${x}, ${y}) after (${knots[i - 1].x}, ${knots[i - 1].y})`,
      );
  }
  const segments = segmentsOf(knots);
  const [first, last] = [knots[0], knots[knots.length - 1]];
  return {
    at: (x) => {
      if (x <= first.x) return first.y + first.slope * (x - first.x);
      if (x >= last.x) return last.y + last.slope * (x - last.x);
      const s = segments[find(knots, 'x', x)];
      const t = (x - s.x) / s.run;
      const secant = s.rise / s.run;
      const u = t * (1 - t);
      return s.y + (s.rise * (secant * t * t + s.from * u)) / (secant + (s.from + s.to - 2 * secant) * u);
    },
    inverse: (y) => {
      if (y <= first.y) return first.slope > 0 ? first.x + (y - first.y) / first.slope : first.x;
      if (y >= last.y) return last.slope > 0 ? last.x + (y - last.y) / last.slope : last.x;
      const s = segments[find(knots, 'y', y)];
      const secant = s.rise / s.run;
      const part = y - s.y;
      const bend = s.from + s.to - 2 * secant;
      // a t^2 + b t + c = 0, the form that loses no digits (Durkan and others 2019, Neural spline flows, appendix A).
      const a = s.rise * (secant - s.from) + part * bend;
      const b = s.rise * s.from - part * bend;
      const c = -secant * part;
      const t = (2 * c) / (-b - Math.sqrt(Math.max(0, b * b - 4 * a * c)));
      return s.x + t * s.run;
    },
  };
};
