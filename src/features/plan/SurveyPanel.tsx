'use client';

import { Plus } from 'lucide-react';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import type { Spot } from '#core/exposure/spot.ts';
import { incidentAgainstSpot, luxOfGrey, type Survey } from '#core/exposure/survey.ts';
import type { Result } from '#core/result.ts';
import { printStops, printStopsDecimal } from '#core/units.ts';
import { useCard, useSelection, useSession } from '#ui/bench/hooks.ts';
import { printLight } from '#ui/format.ts';
import { Term } from '#ui/help/Term.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { later } from '#ui/later.tsx';
import { landsAt, newSpot, spotsOfFrame } from './planModel.ts';
import { RatioFold } from './RatioFold.tsx';
import { SpotRow } from './SpotRow.tsx';
import { useEditSetup } from '#ui/bench/useEditSetup.ts';
import { words } from '#ui/wording/plan.ts';

const FrameShares = later(() => import('./FrameShares.tsx').then((part) => part.FrameShares));
const LookThrough = later(() => import('./LookThrough.tsx').then((part) => part.LookThrough));

const Lands = ({ survey }: { survey: Survey }) => {
  const selection = useSelection();
  const { numbers } = useCard();
  if (survey.grey === undefined)
    return (
      <p className="quiet mb-0">
        All read in stops: the range is known, the settings are not. Read one spot in EV, lux or cd/m².
      </p>
    );
  const lands = landsAt(selection, numbers, survey.grey);
  const off = lands - selection.plan.placement;
  return (
    <p className="mb-0">
      Card <span className="num">{printLight(survey.grey)}</span> cd/m² (
      <span className="num">{printLight(luxOfGrey(survey.grey))}</span> lx): the card’s settings put it at{' '}
      <strong className="num">{printStopsDecimal(lands)}</strong>
      {Math.abs(off) <= 1 / 6 ? (
        ', as planned.'
      ) : (
        <span className="text-warn">, planned {printStops(selection.plan.placement)}.</span>
      )}
    </p>
  );
};

/** A meter constant, one of the usual ones. */
const Constant = ({
  name,
  value,
  options,
}: {
  name: 'K' | 'C';
  value: number;
  options: readonly number[];
}) => {
  const editSetup = useEditSetup();
  return (
    <Form.Select
      aria-label={words.meters(name === 'K' ? 'Spot' : 'Incident', name)}
      size="sm"
      className="meter-k"
      value={value}
      onChange={(event) =>
        editSetup(`${name} ${event.target.value}`, { [`meter${name}`]: Number(event.target.value) })
      }
    >
      {[...new Set([...options, value])].map((one) => (
        <option key={one}>{one}</option>
      ))}
    </Form.Select>
  );
};

/** The light on the set, spot by spot, on one scale. */
export const SurveyPanel = ({ survey }: { survey: Result<Survey> }) => {
  const selection = useSelection();
  const { numbers } = useCard();
  const editSetup = useEditSetup();
  const { spots } = selection.setup;
  const measured = useSession((state) => state.measured?.measurement);
  const [looking, setLooking] = useState(false);
  /** Added and not read yet: no reading of the set-up. */
  const [fresh, setFresh] = useState<{ readonly of: string; readonly spot: Spot }>();
  const { id } = selection.setup;
  const unread = fresh?.of === id ? fresh.spot : undefined;
  const against = incidentAgainstSpot({ k: selection.setup.meterK, c: selection.setup.meterC });
  const change = (label: string, next: readonly Spot[]) => editSetup(label, { spots: [...next] });
  const fromFrame = () => {
    if (!measured) return;
    const found = spotsOfFrame(selection, numbers, measured);
    const ids = new Set(found.map(({ id }) => id));
    change('Spots from the frame', [...found, ...spots.filter(({ id }) => !ids.has(id))]);
  };
  const changeSpot = (next: Spot) =>
    change(
      `Spot ${next.name}`,
      spots.map((one) => (one.id === next.id ? next : one)),
    );
  return (
    <Panel
      title={words.lightOnTheSet}
      tools={
        <>
          <Button
            variant="outline-secondary"
            size="sm"
            aria-pressed={looking}
            onClick={() => setLooking(!looking)}
          >
            {words.throughTheCamera}
          </Button>
          {measured && measured.patches.length > 0 && (
            <Button variant="outline-secondary" size="sm" onClick={fromFrame}>
              {words.fromTheFrame}
            </Button>
          )}
          <Button
            variant="outline-secondary"
            size="sm"
            disabled={unread !== undefined}
            onClick={() => setFresh({ of: id, spot: newSpot(crypto.randomUUID(), selection) })}
          >
            <Plus size={15} aria-hidden /> {words.addASpot}
          </Button>
        </>
      }
    >
      {looking && <LookThrough onSpot={(spot) => change(`${spot.name} read`, [...spots, spot])} />}
      {spots.length === 0 && !unread && (
        <p className="quiet">
          Read a grey card first, then what must hold: the brightest and the darkest thing.
        </p>
      )}
      <ul className="spots">
        {spots.map((spot) => (
          <SpotRow
            key={spot.id}
            spot={spot}
            stops={survey.ok ? survey.value.spots.find((one) => one.spot.id === spot.id)?.stops : undefined}
            grey={survey.ok ? survey.value.grey : undefined}
            onChange={changeSpot}
            onRemove={() =>
              change(
                `${spot.name} out`,
                spots.filter((one) => one.id !== spot.id),
              )
            }
          />
        ))}
        {unread && (
          <SpotRow
            key={unread.id}
            spot={unread}
            isNew
            grey={survey.ok ? survey.value.grey : undefined}
            onChange={(spot) => setFresh({ of: id, spot })}
            onRead={(spot) => {
              setFresh(undefined);
              change(`${spot.name} read`, [...spots, spot]);
            }}
            onRemove={() => setFresh(undefined)}
          />
        )}
      </ul>
      {survey.ok ? (
        <>
          <Lands survey={survey.value} />
          {spots.length > 0 && <FrameShares survey={survey.value} onChange={changeSpot} />}
          {spots.length > 1 && <RatioFold survey={survey.value} />}
          {survey.value.warnings.map((warning) => (
            <p key={warning} className="text-warn mb-0">
              {warning}
            </p>
          ))}
        </>
      ) : (
        spots.length > 0 && (
          <p className="field-error mb-0" role="alert">
            {survey.reason}
          </p>
        )
      )}
      <p className="quiet small-print">
        Spot meter’s <Term id="k">K</Term>{' '}
        <Constant name="K" value={selection.setup.meterK} options={[12.5, 13.4, 14]} /> incident meter’s{' '}
        <Term id="c">C</Term> <Constant name="C" value={selection.setup.meterC} options={[250, 320, 340]} />{' '}
        (ISO 2720): on an 18 % card the incident one {against > 0 ? 'closes down' : 'opens up'}{' '}
        <span className="num">{Math.abs(against).toFixed(2)}</span> stop against the spot.
      </p>
    </Panel>
  );
};
