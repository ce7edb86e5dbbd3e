'use client';

import { meterOn, printMeter, type MeterTarget } from '#core/exposure/cameraMeter.ts';
import { COMPENSATION_IDS, COMPENSATIONS, compensationFor } from '#core/exposure/compensation.ts';
import { frameMean, isGuide } from '#core/exposure/meterTarget.ts';
import { printShutter, shutterSeconds } from '#core/exposure/shutter.ts';
import { flickerSafe } from '#core/exposure/solver.ts';
import { kindOf } from '#core/profile/index.ts';
import { printStops, printStopsDecimal } from '#core/units.ts';
import { isoCeiling, shuttersOf } from '#store/records/camera.ts';
import { useCard, useSelection, useSession } from '#ui/bench/hooks.ts';
import type { Column } from '#ui/parts/column.ts';
import { DataTable } from '#ui/parts/DataTable.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { TableScroll } from '#ui/parts/TableScroll.tsx';
import { words } from '#ui/wording/planRatio.ts';
import { openFrame } from './openFrame.ts';
import { useSurvey } from './useSurvey.ts';

/** A compensation dial goes so far, stops. Common practice. */
const DIAL_ENDS = 3;

type Reading = {
  readonly target: MeterTarget;
  readonly within?: number;
  /** Whether to go by it. */
  readonly isGuide: boolean;
};

const useReadings = (): readonly Reading[] => {
  const { camera, plan, subjects } = useSelection();
  const survey = useSurvey();
  const ofFrame = (['centre', 'whole'] as const).flatMap((mode) => {
    const mean = survey.ok ? frameMean(survey.value, mode) : undefined;
    if (!mean) return [];
    const target = meterOn(camera.meter, words.ofFrame[mode], plan.placement + mean.mean);
    return [{ target, within: mean.within, isGuide: isGuide(mean) }];
  });
  const { numbers } = useCard();
  const measurement = useSession(({ measured }) => measured?.measurement);
  const open = measurement && openFrame(measurement, numbers, plan.placement);
  const { meter } = camera;
  return [
    { target: meterOn(meter, words.greyCard, plan.placement), isGuide: true },
    ...subjects.map(({ name, skinOffset }) => ({
      target: meterOn(meter, name, plan.placement + skinOffset),
      isGuide: true,
    })),
    ...(open === undefined ? [] : [{ target: meterOn(meter, words.openFrame, open), isGuide: true }]),
    ...ofFrame,
  ];
};

/** What each way of metering reads when the card lies where it is planned, and what automatics are held to. */
export const MeterPanel = () => {
  const { camera, plan, setup } = useSelection();
  const { numbers } = useCard();
  const readings = useReadings();
  if (camera.meter.modes.length === 0) return null;
  const columns: readonly Column<Reading>[] = [
    { id: 'on', header: words.pointedAt, cell: ({ target }) => target.on },
    {
      id: 'reads',
      header: words.reads,
      className: 'num',
      cell: ({ target }) => printMeter(target, camera.meter),
    },
    {
      id: 'within',
      header: words.within,
      className: 'num',
      cell: ({ within }) => (within === undefined ? '' : `±${within.toFixed(1)}`),
    },
    {
      id: 'dial',
      header: words.dial,
      cell: ({ target, isGuide }) => {
        if (!isGuide) return words.isGuess;
        return Math.abs(target.shows) > DIAL_ENDS
          ? words.pastCompensation
          : words.compensation(printStops(target.shows));
      },
    },
  ];
  const safe = flickerSafe(shuttersOf(camera), setup.fps, setup.brief.mains).filter(
    (one) => shutterSeconds(one, setup.fps) <= 1 / setup.fps + 1e-9,
  );
  const slowest = safe.reduce(
    (a, b) => (shutterSeconds(b, setup.fps) > shutterSeconds(a, setup.fps) ? b : a),
    safe[0] ?? plan.shutter,
  );
  const school = compensationFor(numbers.profile, kindOf(numbers.profile) === 'log');
  return (
    <Panel title={words.meters} note={words.metersNote} className="mt-3">
      <TableScroll label={words.meters}>
        <DataTable
          label={words.meters}
          className="figures words"
          columns={columns}
          rows={readings}
          rowKey={({ target }) => target.on}
        />
      </TableScroll>
      <p className="mt-2 mb-1">{words.autoIso(Math.min(...camera.baseIsos), isoCeiling(camera))}</p>
      <p className="mb-1">{words.autoShutter(printShutter(slowest))}</p>
      <p className="quiet mb-1">{words.schools}</p>
      <ul className="index-does mb-0">
        {COMPENSATION_IDS.map((id) => {
          const { name, from, to, why } = COMPENSATIONS[id];
          return (
            <li key={id}>
              {words.bySchool(name, printStopsDecimal(from), printStopsDecimal(to), why)}
              {id === school && <strong> {words.thisOne}</strong>}
            </li>
          );
        })}
      </ul>
    </Panel>
  );
};
