'use client';

import { Check, X } from 'lucide-react';
import { rightAnswer, type Judged, type Mark } from '#core/practice/judge.ts';
import { drillOf } from '#core/practice/drillList.ts';
import { costOf, printMiss } from '#core/practice/progress.ts';
import type { Answers, Ask, Task } from '#core/practice/types.ts';
import { words } from '#ui/wording/practise.ts';
import { MissScale } from './MissScale.tsx';
import { printAnswer } from './AskInput.tsx';

const headOf = (ask: Ask, mark: Mark): string => {
  if (ask.kind !== 'number') return mark.ok ? words.correct : words.notThis;
  const miss = printMiss(mark.unit, mark.miss);
  return mark.ok ? words.within(miss) : words.missed(miss);
};

const OneMark = ({ task, ask, mark, answers }: { task: Task; ask: Ask; mark: Mark; answers: Answers }) => {
  const cost = costOf(ask, mark, task.camera);
  return (
    <li className={mark.ok ? 'mark-right' : 'mark-missed'}>
      <p className="mark-head">
        {mark.ok ? <Check size={18} aria-hidden="true" /> : <X size={18} aria-hidden="true" />}
        <strong>{headOf(ask, mark)}</strong>
        <span className="quiet">
          {ask.label}: {printAnswer(ask, answers[ask.id])}
        </span>
      </p>
      {ask.kind === 'number' && Number.isFinite(mark.miss) && <MissScale ask={ask} mark={mark} />}
      {!mark.ok && <p>{words.rightWas(printAnswer(ask, rightAnswer(ask)))}</p>}
      {cost !== undefined && (
        <p>
          <span className="quiet">{words.cost}: </span>
          {cost}
        </p>
      )}
    </li>
  );
};

/** How a task went: each answer beside the truth, what it would have cost, and what is done instead. */
export const ResultPane = ({
  task,
  answers,
  judged,
  seconds,
}: {
  task: Task;
  answers: Answers;
  judged: Judged;
  seconds: number;
}) => {
  const drill = drillOf(task.drill);
  const said = drill?.explain(task);
  const comesTo = drill?.comesTo?.(task, answers);
  return (
    <div
      className="drill-result"
      role="status"
      data-right={judged.ok}
      ref={(found) => found?.scrollIntoView({ block: 'nearest' })}
    >
      <ul className="drill-marks">
        {task.asks.map((ask, i) => (
          <OneMark key={ask.id} task={task} ask={ask} mark={judged.marks[i]} answers={answers} />
        ))}
      </ul>
      {comesTo !== undefined && <p>{comesTo}</p>}
      <p className="quiet">{words.tookSeconds(Math.max(1, Math.round(seconds)))}</p>
      {said && (
        <dl className="drill-words">
          <dt>{words.why}</dt>
          <dd>{said.because}</dd>
          <dt>{words.careful}</dt>
          <dd>{said.careful}</dd>
          {said.schools !== undefined && (
            <>
              <dt>{words.schools}</dt>
              <dd>{said.schools}</dd>
            </>
          )}
        </dl>
      )}
    </div>
  );
};
