'use client';

import { useMemo, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { drillOf, taskOf } from '#core/practice/drillList.ts';
import { isReady, printMiss, readinessOf } from '#core/practice/progress.ts';
import { resultOf, type PracticeResult } from '#core/practice/result.ts';
import { useRecords } from '#ui/bench/hooks.ts';
import { Panel } from '#ui/parts/Panel.tsx';
import { words } from '#ui/wording/practise.ts';
import { checkGivens } from './checkGiven.ts';
import type { TaskName } from './round.ts';
import { useDrillWorker } from './stage/useDrillCamera.ts';
import { TaskPane } from './task/TaskPane.tsx';
import { useKeep, type Given } from './usePractice.ts';

/** How a round went, plainly. */
const RoundEnd = ({
  results,
  isCheck,
  onAgain,
  onLeave,
}: {
  results: readonly PracticeResult[];
  isCheck: boolean;
  onAgain: () => void;
  onLeave: () => void;
}) => {
  const readiness = readinessOf(results);
  const nameOf = (id: string) => drillOf(id)?.name ?? id;
  return (
    <Panel title={words.done}>
      <p className="drill-text">
        {isCheck && `${isReady(readiness) ? words.ready : words.notYet} `}
        {words.rightOf(readiness.right, readiness.tasks)}
      </p>
      <ul>
        {readiness.weak.map(({ drill, unit, miss }, i) => (
          <li key={i}>
            {words.stillOff(nameOf(drill), unit === 'choices' ? words.notThis : printMiss(unit, miss))}{' '}
            <span className="quiet">{drillOf(drill)?.says}</span>
          </li>
        ))}
      </ul>
      <div className="drill-foot">
        <Button onClick={onLeave}>{words.done}</Button>
        <Button variant="outline-secondary" onClick={onAgain}>
          {words.again}
        </Button>
      </div>
    </Panel>
  );
};

/** A round: one task after the other, and how it went. */
export const RoundView = ({
  tasks,
  given,
  shootId,
  onLeave,
}: {
  tasks: readonly TaskName[];
  given: Given;
  /** A check before this shoot. */
  shootId?: string;
  onLeave: () => void;
}) => {
  useDrillWorker();
  const keep = useKeep();
  const [at, setAt] = useState(0);
  const [results, setResults] = useState<readonly PracticeResult[]>([]);
  const [problem, setProblem] = useState<string>();
  /** What became of the link. */
  const [linked, setLinked] = useState<string>();
  const name = tasks[at];
  // What the camera is changed to meanwhile counts from the next task on.
  const [fixed, setFixed] = useState(given);
  const records = useRecords();
  // A check stands before the shoot's own set-ups, as they were when it began.
  const [checks] = useState(() => (shootId === undefined ? [] : checkGivens(records, shootId, given.world)));
  const task = useMemo(() => {
    const drill = name && drillOf(name.drill);
    if (!drill) return undefined;
    const own = checks.length > 0 ? checks[at % checks.length](drill) : fixed;
    return taskOf(drill, name.level, name.seed, own);
  }, [name, fixed, checks, at]);
  if (!task)
    return (
      <RoundEnd
        results={results}
        isCheck={shootId !== undefined}
        onLeave={onLeave}
        onAgain={() => {
          setResults([]);
          setAt(0);
        }}
      />
    );
  return (
    <>
      <div className="drill-head">
        <span className="quiet">
          {words.taskOf(at + 1, tasks.length)}. {task.stage && words.ownNumbers}
        </span>
        <span className="drill-foot">
          <Button
            size="sm"
            variant="outline-secondary"
            onClick={() =>
              void navigator.clipboard.writeText(window.location.href).then(
                () => setLinked(words.copied),
                () => setLinked(words.notCopied),
              )
            }
          >
            {linked ?? words.copyLink}
          </Button>
          <Button size="sm" variant="outline-secondary" onClick={onLeave}>
            {words.leave}
          </Button>
        </span>
      </div>
      <TaskPane
        key={`${at} ${task.drill} ${task.seed}`}
        task={task}
        note={words.levelIs(task.level)}
        problem={problem}
        nextName={at + 1 < tasks.length ? words.next : words.done}
        onJudged={(answers, judged, seconds) => {
          const result = resultOf(task, answers, judged, { at: new Date().toISOString(), seconds });
          setResults((before) => [...before, result]);
          void keep(task, result, shootId).then((why) =>
            setProblem(why === undefined ? undefined : words.notKept(why)),
          );
        }}
        onNext={() => {
          setFixed(given);
          setAt(at + 1);
        }}
      />
    </>
  );
};
