'use client';

import Form from 'react-bootstrap/Form';
import { weightByPlace } from '#core/exposure/meterModes.ts';
import { frameMean } from '#core/exposure/meterTarget.ts';
import {
  SPOT_PLACE_IDS,
  SPOT_PLACES,
  SPOT_SHARE_IDS,
  SPOT_SHARES,
  shareOf,
  type Spot,
  type SpotPlace,
  type SpotShare,
} from '#core/exposure/spot.ts';
import type { Survey } from '#core/exposure/survey.ts';
import { printStopsDecimal } from '#core/units.ts';
import { Folded } from '#ui/parts/Folded.tsx';
import { words } from '#ui/wording/planFrame.ts';

const weights = weightByPlace('centre');

/** How much of the frame each spot stands for: what a meter of the whole frame makes of them. */
export const FrameShares = ({ survey, onChange }: { survey: Survey; onChange: (spot: Spot) => void }) => {
  const frame = frameMean(survey);
  return (
    <Folded
      title={
        frame
          ? words.title(printStopsDecimal(frame.mean), frame.within.toFixed(1), frame.pulledBy)
          : words.nothingInFrame
      }
    >
      <p className="quiet">{words.how(Math.round(weights.middle / weights.edge))}</p>
      <ul className="frame-shares">
        {survey.spots.map(({ spot }) => (
          <li key={spot.id}>
            <span>{spot.name}</span>
            <Form.Select
              size="sm"
              aria-label={words.shareOfNamed(spot.name)}
              value={shareOf(spot)}
              onChange={(event) => onChange({ ...spot, share: event.target.value as SpotShare })}
            >
              {SPOT_SHARE_IDS.map((id) => (
                <option key={id} value={id}>
                  {SPOT_SHARES[id].name}
                </option>
              ))}
            </Form.Select>
            <Form.Select
              size="sm"
              aria-label={words.placeOfNamed(spot.name)}
              value={spot.place ?? 'any'}
              disabled={shareOf(spot) === 'none'}
              onChange={(event) => onChange({ ...spot, place: event.target.value as SpotPlace })}
            >
              {SPOT_PLACE_IDS.map((id) => (
                <option key={id} value={id}>
                  {SPOT_PLACES[id].name}
                </option>
              ))}
            </Form.Select>
          </li>
        ))}
      </ul>
    </Folded>
  );
};
