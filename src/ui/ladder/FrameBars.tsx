'use client';

import { rampColour } from '#core/scopes/ramp.ts';
import type { Distribution } from '#core/scopes/distribution.ts';
import { ladderBars, type LadderGeometry } from './ladderGeometry.ts';

/** How much of the frame lies at each stop. */
export const FrameBars = ({
  geometry,
  distribution,
}: {
  geometry: LadderGeometry;
  distribution: Distribution;
}) =>
  ladderBars(distribution, geometry).map(({ stops, ...bar }) => (
    <rect key={stops} {...bar} fill={rampColour('viridis', stops)} />
  ));
