'use client';

import { useBench } from '../bench/hooks.ts';
import { Knob } from './Knob.tsx';
import { KNOBS, type KnobContext } from './knobList.ts';
import type { Knobs } from './stageModel.ts';

/** Every knob of the simulated camera; a notch on those that are turned away from the card. */
export const KnobPanel = ({
  knobs,
  context,
  offCard,
}: {
  knobs: Knobs;
  context: KnobContext;
  offCard: readonly (keyof Knobs)[];
}) => {
  const { turn, asCard } = useBench().session.stage;
  return (
    <div className="knobs">
      {KNOBS.map((row) => (
        <Knob
          key={row.key}
          label={typeof row.label === 'string' ? row.label : row.label(context.camera)}
          says={row.says}
          value={row.print(knobs, context)}
          off={offCard.includes(row.key)}
          disabled={row.isFixed?.(context)}
          onTurn={(clicks) => turn(row.turn(knobs, clicks, context))}
          onReset={() => asCard([row.key])}
        />
      ))}
    </div>
  );
};
