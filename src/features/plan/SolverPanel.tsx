'use client';

import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { ndNeeded } from '#core/exposure/solver.ts';
import type { Survey } from '#core/exposure/survey.ts';
import { printShutter } from '#core/exposure/shutter.ts';
import { printFNumber } from '#core/exposure/aperture.ts';
import { printStops, printStopsDecimal } from '#core/units.ts';
import { isoCeiling } from '#store/records/camera.ts';
import { fitting } from '#store/records/bag.ts';
import type { Locks } from '#store/records/setup.ts';
import { useCard, useEditPlan, useRecords, useSelection } from '#ui/bench/hooks.ts';
import { Panel } from '#ui/parts/Panel.tsx';
import { Toggle } from '#ui/parts/Toggle.tsx';
import { ISO_RULES, planFields, solvedAt } from './planModel.ts';
import { useEditSetup } from './useSetup.ts';

const LOCKS = [
  ['iris', 'Iris', 'set by depth of field'],
  ['shutter', 'Shutter', 'set by motion and flicker'],
  ['light', 'Light', 'cannot be changed'],
] as const;

/** What may move, and the settings of this camera that then put the card where it is planned. */
export const SolverPanel = ({ survey }: { survey: Survey }) => {
  const selection = useSelection();
  const records = useRecords();
  const { numbers } = useCard();
  const editPlan = useEditPlan();
  const editSetup = useEditSetup();
  const { plan, setup, camera } = selection;
  const { locks } = setup;
  const sets = fitting([...records.ndSets.values()], camera);
  const answer = solvedAt(selection, numbers, survey, sets, plan.placement);
  const need =
    survey.grey === undefined
      ? undefined
      : ndNeeded(
          survey.grey,
          plan.placement,
          { iris: plan.iris, shutter: plan.shutter, iso: plan.iso },
          setup.fps,
        );
  const same =
    answer &&
    answer.iris === plan.iris &&
    answer.iso === plan.iso &&
    printShutter(answer.shutter) === printShutter(plan.shutter) &&
    Math.abs(answer.nd.stops - plan.ndStops) < 0.01;
  return (
    <Panel title={`Settings for ${printStops(plan.placement)}`} note="locked stays where it is">
      <div className="choices">
        {LOCKS.map(([id, name, says]) => (
          <Toggle
            key={id}
            on={locks[id]}
            name={`${name} ${locks[id] ? 'locked' : 'free'}`}
            says={says}
            onFlip={() =>
              editSetup(`${name} ${locks[id] ? 'free' : 'locked'}`, { locks: { ...locks, [id]: !locks[id] } })
            }
          />
        ))}
      </div>
      <div className="choices">
        <Form.Select
          size="sm"
          className="iso-rule"
          aria-label="What ISO may do"
          title={ISO_RULES[locks.iso].says}
          value={locks.iso}
          onChange={(event) => {
            const iso = event.target.value as Locks['iso'];
            editSetup(ISO_RULES[iso].name, { locks: { ...locks, iso } });
          }}
        >
          {(Object.keys(ISO_RULES) as Locks['iso'][]).map((id) => (
            <option key={id} value={id}>
              {ISO_RULES[id].name}
              {id === 'ceiling' && ` of ${isoCeiling(camera)}`}
            </option>
          ))}
        </Form.Select>
        {camera.sensitivity === 'ei' && <span className="quiet">EI: the sensor stays at its base</span>}
      </div>
      {!locks.shutter && (
        <p className="quiet">
          {setup.brief.outside
            ? 'Floating shutter: sharp frames to stabilise, motion blur added in post; ' +
              'the other school keeps 180 degrees and takes glass.'
            : `Only shutters that do not flicker at ${setup.brief.mains} Hz.`}
        </p>
      )}
      {sets.length === 0 && (
        <p className="text-warn">No ND in the bag: only iris, shutter, ISO and light can give way.</p>
      )}
      {answer && (
        <>
          <p className="solved">
            <strong className="num">{printFNumber(answer.iris)}</strong>{' '}
            <strong className="num">{printShutter(answer.shutter)}</strong>{' '}
            <strong className="num">ISO {answer.iso}</strong>{' '}
            <strong>
              {answer.nd.names.length === 0
                ? 'no ND'
                : answer.nd.names.map((name) => name.replace(/\s+/g, ' ')).join(' + ')}
            </strong>
            {answer.light !== 0 && <strong> light {printStops(answer.light)}</strong>}
          </p>
          <p className={answer.short ? 'text-warn' : 'quiet'}>
            {answer.short ??
              (Math.abs(answer.residual) < 0.03
                ? 'Lands where planned.'
                : `Lands ${printStopsDecimal(answer.residual, 2)} off, under a third.`)}
            {need !== undefined &&
              (need > 1 / 3
                ? ` As the card stands, ${printStopsDecimal(need).replace('+', '')} stops of ND are needed.`
                : ' As the card stands, no ND is needed.')}
            {answer.nd.names.length > 1 && ' Two pieces of glass: watch the corners.'}
            {answer.nd.names.some((name) => name.includes('variable')) &&
              ' A turning filter shifts colour and crosses at its ends.'}
          </p>
          <Button
            variant="outline-secondary"
            size="sm"
            disabled={same}
            onClick={() => editPlan('Settings solved', planFields(selection, plan.placement, answer))}
          >
            {same ? 'The card stands so' : 'Dial these in'}
          </Button>
        </>
      )}
      {!answer && <p className="quiet mb-0">Read one spot in EV, lux or cd/m², and settings are solved.</p>}
    </Panel>
  );
};
