'use client';

import { useMemo } from 'react';
import { frameMeter, PULLS } from '#core/scopes/frameMeter.ts';
import { printStopsDecimal } from '#core/units.ts';
import { distributionOf } from '#ui/bench/benchModel.ts';
import { useCard, useSelection, useSession } from '#ui/bench/hooks.ts';
import { words } from '#ui/wording/judge.ts';

/** What the camera’s meter would have made of this whole frame, and what in it pulls it. */
export const FrameMeterLine = () => {
  const { camera } = useSelection();
  const { numbers } = useCard();
  const measurement = useSession(({ measured }) => measured?.measurement);
  const { bias } = camera.meter;
  const meter = useMemo(
    () => measurement && frameMeter(distributionOf(measurement, numbers), bias),
    [measurement, numbers, bias],
  );
  if (!meter) return null;
  const { pull } = meter;
  return (
    <p className="verdict-meter quiet">
      {words.frameMeter(printStopsDecimal(meter.shows), printStopsDecimal(-meter.shows))}{' '}
      {pull
        ? words.pulls(PULLS[pull.id].name, (100 * pull.share).toFixed(0), printStopsDecimal(pull.by))
        : words.nothingPulls}
    </p>
  );
};
