'use client';

import { useMemo, useState } from 'react';
import Button from 'react-bootstrap/Button';
import type { LearntControl } from '#core/match/turns.ts';
import { printSigned } from '#core/units.ts';
import type { PanelControl } from '#store/records/panel.ts';
import { useAnswer } from '#ui/bench/useAnswer.ts';
import { useMatchBench } from '#ui/bench/match/useMatchBench.ts';
import { words } from '#ui/wording/match.ts';
import type { Look } from '#workers/match/protocol.ts';

const isLearnt = (control: PanelControl): control is PanelControl & LearntControl =>
  control.response !== undefined;

/** What was turned last: the panel before it, and how far off the picture was then. */
type Last = { readonly panel: readonly PanelControl[]; readonly look: Look; readonly was: number };

/** What noise moves the mean by from picture to picture, ΔE2000. Our own. */
const WORSE = 0.05;

/** What to turn in whole steps, and whether the last turn helped. */
export const TurnsAnswer = ({
  look,
  panel,
  isBusy,
  isOwn,
  isLive,
  onTurn,
}: {
  look: Look | undefined;
  panel: readonly PanelControl[];
  isBusy: boolean;
  /** A camera of one's own: it is turned by hand. */
  isOwn: boolean;
  /** Its next picture comes by itself. */
  isLive: boolean;
  onTurn: (panel: readonly PanelControl[]) => void;
}) => {
  const bench = useMatchBench();
  const [last, setLast] = useState<Last>();
  const controls = useMemo(() => panel.filter(isLearnt), [panel]);
  const key = useMemo(
    () => (look && look !== last?.look && controls.length > 0 && !isBusy ? { look, controls } : undefined),
    [look, last, controls, isBusy],
  );
  const { answer, problem } = useAnswer({ key, ask: (signal) => bench.turns(key!, signal) });
  if (controls.length === 0) return null;
  if (problem !== undefined) return <p className="field-error">{problem}</p>;
  if (look !== undefined && look === last?.look && isOwn && !isLive)
    return <p role="status">{words.filmThenOpen}</p>;
  if (!answer || !look || look === last?.look) return <p className="quiet">{words.solving}</p>;
  const { turns, before, after } = answer;
  const isWorse = last !== undefined && before.mean > last.was + WORSE;
  return (
    <div className="panel-answer" role="status">
      {isWorse && (
        <p className="field-error">
          {words.gotWorse(last.was.toFixed(1), before.mean.toFixed(1))}{' '}
          <Button
            size="sm"
            variant="outline-secondary"
            onClick={() => {
              onTurn(last.panel);
              setLast(undefined);
            }}
          >
            {words.turnBack}
          </Button>
        </p>
      )}
      <p>
        <span className="quiet">{words.turnThese}:</span>{' '}
        <strong className="panel-turns">
          {turns.length === 0
            ? words.nothingToTurn
            : turns.map(({ name, by }) => `${name} ${printSigned(by, 0)}`).join(', ')}
        </strong>
      </p>
      {turns.length > 0 && (
        <>
          <p className="quiet">
            {words.willLeave(before.mean.toFixed(1), after.mean.toFixed(1), after.worst.toFixed(1))}
          </p>
          <Button
            size="sm"
            disabled={isBusy}
            onClick={() => {
              setLast({ panel, look, was: before.mean });
              onTurn(
                panel.map((one) => ({
                  ...one,
                  at: one.at + (turns.find(({ id }) => id === one.id)?.by ?? 0),
                })),
              );
            }}
          >
            {isOwn ? words.turnedThem : words.turnThem}
          </Button>
        </>
      )}
    </div>
  );
};
