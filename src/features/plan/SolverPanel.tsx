'use client';

import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { ndNeeded, type ExposureAnswer } from '#core/exposure/solver.ts';
import type { Survey } from '#core/exposure/survey.ts';
import { printShutter } from '#core/exposure/shutter.ts';
import { SHUTTER_RULES } from '#core/lens/motion.ts';
import { printFNumber } from '#core/exposure/aperture.ts';
import { printStops, printStopsDecimal, printStopsOf } from '#core/units.ts';
import { isoCeiling } from '#store/records/camera.ts';
import { fitting } from '#store/records/bag.ts';
import type { Locks } from '#store/records/setup.ts';
import { useCard, useEditPlan, useRecords, useSelection } from '#ui/bench/hooks.ts';
import { Panel } from '#ui/parts/Panel.tsx';
import { Toggle } from '#ui/parts/Toggle.tsx';
import { depthIrises } from './lensModel.ts';
import { behindGlass, ISO_RULES, planFields, shutterRuleOf, solvedAt } from './planModel.ts';
import { useEditSetup } from '#ui/bench/useEditSetup.ts';
import { FLOATING_SHUTTER } from './planWords.ts';
import { words } from '#ui/wording/plan.ts';
import { words as lensWords } from '#ui/wording/planLens.ts';

const LOCKS = [
  ['iris', 'Iris', 'set by depth of field'],
  ['shutter', 'Shutter', 'set by motion and flicker'],
  ['light', 'Light', 'cannot be changed'],
] as const;

const landing = ({ short, residual }: ExposureAnswer): string =>
  short ??
  (Math.abs(residual) < 0.03
    ? 'Lands where planned.'
    : `Lands ${printStopsDecimal(residual, 2)} off, under a third.`);

const glassNeeded = (stops: number): string =>
  stops > 1 / 3
    ? ` The settings on the card need ${printStopsOf(stops)} of ND.`
    : ' The settings on the card need no ND.';

const glassWarnings = (names: readonly string[]): string =>
  (names.length > 1 ? ' Two pieces of glass: watch the corners.' : '') +
  (names.some((name) => name.includes('variable'))
    ? ' A variable ND shifts colour, and near its end a dark cross shows.'
    : '');

/** Settings that give the placement, where they land, and the button that dials them in. */
const Solved = ({ answer, need }: { answer: ExposureAnswer; need?: number }) => {
  const selection = useSelection();
  const editPlan = useEditPlan();
  const { plan } = selection;
  const { iris, iso, shutter, nd, light, short } = answer;
  const isDialled =
    iris === plan.iris &&
    iso === plan.iso &&
    printShutter(shutter) === printShutter(plan.shutter) &&
    Math.abs(nd.stops - plan.ndStops) < 0.01;
  return (
    <>
      <p className="solved">
        <strong className="num">{printFNumber(iris)}</strong>{' '}
        <strong className="num">{printShutter(shutter)}</strong> <strong className="num">ISO {iso}</strong>{' '}
        <strong>
          {nd.names.length === 0 ? words.noNd : nd.names.map((name) => name.replace(/\s+/g, ' ')).join(' + ')}
        </strong>
        {light !== 0 && <strong> light {printStops(light)}</strong>}
      </p>
      <p className={short ? 'text-warn' : 'quiet'}>
        {landing(answer)}
        {need !== undefined && glassNeeded(need)}
        {glassWarnings(nd.names)}
      </p>
      <Button
        variant="outline-secondary"
        size="sm"
        disabled={isDialled}
        onClick={() => editPlan('Settings solved', planFields(selection, plan.placement, answer))}
      >
        {isDialled ? words.dialledIn : words.dialTheseIn}
      </Button>
    </>
  );
};

/** What may move, and the settings of this camera that then put the card where it is planned. */
export const SolverPanel = ({ survey }: { survey: Survey }) => {
  const selection = useSelection();
  const records = useRecords();
  const { numbers } = useCard();
  const editSetup = useEditSetup();
  const { plan, setup, camera } = selection;
  const { locks } = setup;
  const rule = shutterRuleOf(setup);
  const sets = fitting([...records.ndSets.values()], camera);
  const answer = solvedAt(selection, numbers, survey, sets, plan.placement);
  const need =
    survey.grey === undefined
      ? undefined
      : ndNeeded(
          behindGlass(plan, survey.grey),
          plan.placement,
          { iris: plan.iris, shutter: plan.shutter, iso: plan.iso },
          setup.fps,
        );
  return (
    <Panel title={words.settingsFor(printStops(plan.placement))} note={words.lockedStaysWhereIt}>
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
          aria-label={words.whatIsoMayDo}
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
        {camera.sensitivity === 'ei' && <span className="quiet">{words.eiTheSensorStays}</span>}
      </div>
      {depthIrises({ camera, plan }) && <p className="quiet">{lensWords.irisByWish}</p>}
      {!locks.shutter && (
        <p className="quiet">
          {rule !== 'any'
            ? lensWords.shutterByRule(SHUTTER_RULES[rule].name)
            : setup.brief.outside
              ? FLOATING_SHUTTER
              : `Only shutters that do not flicker at ${setup.brief.mains} Hz.`}
        </p>
      )}
      {sets.length === 0 && (
        <p className="text-warn">No ND in the bag: only iris, shutter, ISO and light can give way.</p>
      )}
      {answer && <Solved answer={answer} need={need} />}
      {!answer && <p className="quiet mb-0">Read one spot in EV, lux or cd/m², and settings are solved.</p>}
    </Panel>
  );
};
