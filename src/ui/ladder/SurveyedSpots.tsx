'use client';

import { useMemo } from 'react';
import { surveyOf } from '#core/exposure/survey.ts';
import { printStopsDecimal } from '#core/units.ts';
import { useSelection } from '../bench/hooks.ts';
import { words } from '#ui/wording/ladder.ts';
import type { PlacedOnLadder } from './LadderTones.tsx';

/** What was surveyed on the set: the span that must be kept, and each reading. */
export const SurveyedSpots = ({ geometry: { left, y }, placement }: PlacedOnLadder) => {
  const { setup, subjects } = useSelection();
  const survey = useMemo(() => {
    const { spots, meterK, meterC } = setup;
    const found = surveyOf(spots, subjects, { k: meterK, c: meterC });
    return found.ok && found.value.spots.length > 0 ? found.value : undefined;
  }, [setup, subjects]);
  if (!survey) return null;
  const [darkest, brightest] = survey.keep;
  const stopsOf = (id: string | undefined) => survey.spots.find(({ spot }) => spot.id === id)?.stops;
  const [bright, shadow] = [stopsOf(setup.ratio?.bright), stopsOf(setup.ratio?.shadow)];
  return (
    <g className="scene">
      <line x1={left + 5} x2={left + 5} y1={y(placement + darkest)} y2={y(placement + brightest)} />
      {bright !== undefined && shadow !== undefined && (
        <path
          className="scene-ratio"
          d={`M${left + 9} ${y(placement + bright)}h6V${y(placement + shadow)}h-6`}
        >
          <title>{words.ratio(printStopsDecimal(bright - shadow))}</title>
        </path>
      )}
      {survey.spots.map(({ spot, stops }) => (
        <circle
          key={spot.id}
          className={spot.role === 'light' || spot.role === 'mayLose' ? 'scene-loose' : undefined}
          cx={left + 5}
          cy={y(placement + stops)}
          r={4}
        >
          <title>{`${spot.name} ${printStopsDecimal(placement + stops)}`}</title>
        </circle>
      ))}
    </g>
  );
};
