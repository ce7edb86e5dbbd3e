import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import type { ChartPoint } from './greyChartModel.ts';

const x = scaleLinear([-8, 8], [0, 100]);
const y = scaleLinear([0, 100], [100, 0]);
const path = line<ChartPoint>(
  (p) => x(p.stops),
  (p) => y(Math.min(100, Math.max(0, p.percent))),
);

/** The curve over the whole picture: stops from −8 at the left to +8, 0 to 100 % upwards. */
export const CurveOver = ({ points }: { points: readonly ChartPoint[] }) => (
  <svg className="lut-over" viewBox="0 0 100 100" preserveAspectRatio="none" aria-hidden="true">
    <path d={path([...points]) ?? undefined} />
    <path d={path([...points]) ?? undefined} />
  </svg>
);
