'use client';

import { useMemo } from 'react';
import type { SetCardNumbers } from '#core/exposure/setCard.ts';
import { printStopsDecimal, printStopsExact } from '#core/units.ts';
import type { ProfileRecord } from '#store/records/profile.ts';
import { useSelection } from '../bench/hooks.ts';
import type { LadderGeometry } from './ladderGeometry.ts';
import { comparedReading, LADDER_RANGE, ladderRungs } from './ladderModel.ts';

type Props = { readonly geometry: LadderGeometry; readonly numbers: SetCardNumbers };

/** Hatches: what is lost over the clip, and what is noise under the floor. */
const Patterns = () => (
  <defs>
    <pattern id="lost" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
      <rect width="7" height="7" className="ladder-lost-back" />
      <rect width="3" height="7" className="ladder-lost-line" />
    </pattern>
    <pattern id="floor" width="5" height="5" patternUnits="userSpaceOnUse">
      <circle cx="1.5" cy="1.5" r="0.9" className="ladder-dot" />
    </pattern>
  </defs>
);

const Band = ({
  geometry: { left, right, y },
  from,
  to,
  fill,
}: {
  geometry: LadderGeometry;
  from: number;
  to: number;
  fill: string;
}) => <rect x={left} width={right - left} y={y(to)} height={Math.max(0, y(from) - y(to))} fill={fill} />;

/** A rung a stop with what the profile reads there, and what cannot be used at both ends. */
export const LadderScale = ({ geometry, numbers, compared }: Props & { compared?: ProfileRecord }) => {
  const { camera } = useSelection();
  const { scale } = camera.zebra;
  const { coding } = camera;
  const rungs = useMemo(() => ladderRungs(numbers, scale, coding), [numbers, scale, coding]);
  const { left, right, middle, width, isNarrow, y } = geometry;
  return (
    <>
      <Patterns />
      <Band geometry={geometry} from={numbers.clipStops} to={LADDER_RANGE[1]} fill="url(#lost)" />
      <Band geometry={geometry} from={LADDER_RANGE[0]} to={numbers.floorStops} fill="url(#floor)" />
      {rungs.map(({ stops, label, reading }) => (
        <g
          key={stops}
          transform={`translate(0 ${y(stops)})`}
          className={stops === 0 ? 'rung rung-grey' : 'rung'}
        >
          <line x1={left} x2={right} />
          <text
            x={left - 8}
            dy="0.32em"
            textAnchor="end"
            className={reading === undefined ? 'dim' : undefined}
          >
            {label}
          </text>
          {!isNarrow && (
            <text x={width - 8} dy="0.32em" textAnchor="end" className="rung-reading">
              {reading ?? '–'}
            </text>
          )}
          {!isNarrow && compared && (
            <text x={middle - 4} dy="0.32em" textAnchor="middle" className="rung-compared">
              {comparedReading(compared.data, scale, coding, stops) ?? '–'}
            </text>
          )}
        </g>
      ))}
    </>
  );
};

/** The words at clip and floor; they lie over what is drawn between. */
export const LadderEnds = ({ geometry: { right, y }, numbers }: Props) => (
  <>
    <text x={right - 4} y={y(numbers.clipStops) - 3} className="ladder-edge" textAnchor="end">
      clip {printStopsDecimal(numbers.clipStops)}
    </text>
    <text x={right - 4} y={y(numbers.floorStops) + 13} className="ladder-edge" textAnchor="end">
      floor {printStopsExact(numbers.floorStops)}
    </text>
  </>
);
