'use client';

import Form from 'react-bootstrap/Form';
import {
  bandOf,
  fillChange,
  printRatio,
  RATIO_BAND_IDS,
  RATIO_BANDS,
  shadowSays,
  type RatioBandId,
} from '#core/exposure/ratio.ts';
import type { Survey } from '#core/exposure/survey.ts';
import { printStopsDecimal, printStopsOf } from '#core/units.ts';
import type { RatioOf } from '#store/records/setup.ts';
import { useCard, useSelection } from '#ui/bench/hooks.ts';
import { useEditSetup } from '#ui/bench/useEditSetup.ts';
import { Folded } from '#ui/parts/Folded.tsx';
import { words } from '#ui/wording/planRatio.ts';
import { ratioOf, sidesOf, type Side } from './ratioModel.ts';

const SIDES = [
  ['bright', words.bright],
  ['shadow', words.shadow],
  ['behind', words.behind],
] as const;

/** What the ratio comes to, in sentences. */
const Says = ({
  bright,
  shadow,
  behind,
  wanted,
}: {
  bright: Side;
  shadow?: Side;
  behind?: Side;
  wanted?: RatioBandId;
}) => {
  const { plan } = useSelection();
  const { numbers } = useCard();
  const ratio = shadow && bright.stops - shadow.stops;
  const change = ratio === undefined || wanted === undefined ? 0 : fillChange(ratio, wanted);
  const band = wanted && RATIO_BANDS[wanted].name;
  return (
    <>
      <p className="mb-1">{words.exposed(bright.name, printStopsDecimal(plan.placement + bright.stops))}</p>
      {shadow && (
        <p className="mb-1">
          {words.shadowAt(
            shadow.name,
            printStopsDecimal(plan.placement + shadow.stops),
            shadowSays(plan.placement + shadow.stops, numbers.floorStops),
          )}
        </p>
      )}
      {behind && (
        <p className="mb-1">
          {words.behindAt(
            behind.name,
            printStopsDecimal(behind.stops - bright.stops),
            printRatio(bright.stops - behind.stops),
          )}
        </p>
      )}
      {band !== undefined && ratio !== undefined && (
        <p className={change === 0 ? 'mb-1' : 'text-warn mb-1'}>
          {change === 0
            ? words.inBand(band)
            : change > 0
              ? words.moreFill(printStopsOf(change), band)
              : words.lessFill(printStopsOf(change), band)}
        </p>
      )}
    </>
  );
};

/** Bright side to shadow side and to the background, from spots that were read. */
export const RatioFold = ({ survey }: { survey: Survey }) => {
  const { setup } = useSelection();
  const editSetup = useEditSetup();
  const chosen = ratioOf(setup);
  const { bright, shadow, behind } = sidesOf(setup, survey);
  const set = (part: Partial<RatioOf>) => editSetup(words.setRatio, { ratio: { ...chosen, ...part } });
  const stops = bright && shadow && bright.stops - shadow.stops;
  const title =
    !bright || !shadow || stops === undefined
      ? words.open
      : words.title(
          bright.name,
          shadow.name,
          printStopsOf(stops),
          printRatio(stops),
          RATIO_BANDS[bandOf(stops)].name,
        );
  return (
    <Folded title={title}>
      <p className="quiet">{words.how}</p>
      <div className="anchor-form">
        {SIDES.map(([side, label]) => (
          <Form.Group key={side} className="anchor-half">
            <Form.Label htmlFor={`ratio-${side}`}>{label}</Form.Label>
            <Form.Select
              size="sm"
              id={`ratio-${side}`}
              value={chosen[side] ?? ''}
              onChange={(event) => set({ [side]: event.target.value || undefined })}
            >
              <option value="">{side === 'bright' && bright ? bright.name : words.notRead}</option>
              {survey.spots.map(({ spot }) => (
                <option key={spot.id} value={spot.id}>
                  {spot.name}
                </option>
              ))}
            </Form.Select>
          </Form.Group>
        ))}
        <Form.Group className="anchor-half">
          <Form.Label htmlFor="ratio-wanted">{words.wanted}</Form.Label>
          <Form.Select
            size="sm"
            id="ratio-wanted"
            value={chosen.wanted ?? ''}
            onChange={(event) =>
              set({ wanted: (event.target.value || undefined) as RatioBandId | undefined })
            }
          >
            <option value="">{words.any}</option>
            {RATIO_BAND_IDS.map((id) => (
              <option key={id} value={id} title={RATIO_BANDS[id].says}>
                {RATIO_BANDS[id].name}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
      </div>
      {bright && <Says {...{ bright, shadow, behind, wanted: chosen.wanted }} />}
    </Folded>
  );
};
