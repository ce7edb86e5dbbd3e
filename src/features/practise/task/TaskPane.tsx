'use client';

import { useMemo, useState, type FormEvent } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import Table from 'react-bootstrap/Table';
import { judge, type Judged } from '#core/practice/judge.ts';
import { readCamera, readSpot } from '#core/practice/stageTask.ts';
import { drillOf } from '#core/practice/drillList.ts';
import type { Answer, Answers, Standing, Task } from '#core/practice/types.ts';
import { Thumbnail } from '#ui/parts/Thumbnail.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { words } from '#ui/wording/practise.ts';
import { StagePane } from '../stage/StagePane.tsx';
import { useRoom } from './useRoom.ts';
import { AskInput } from './AskInput.tsx';
import { ResultPane } from './ResultPane.tsx';

const Facts = ({ task: { facts, table } }: { task: Task }) => (
  <>
    {facts.length > 0 && (
      <dl className="drill-facts">
        {facts.map(({ name, value }) => (
          <div key={name}>
            <dt>{name}</dt>
            <dd>{value}</dd>
          </div>
        ))}
      </dl>
    )}
    {table && (
      <Table size="sm" className="drill-table" responsive>
        <thead>
          <tr>
            {table.head.map((cell, i) => (
              <th key={i} scope="col">
                {cell}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {table.rows.map(([name, ...cells]) => (
            <tr key={name}>
              <th scope="row">{name}</th>
              {cells.map((cell, i) => (
                <td key={i}>{cell}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </Table>
    )}
  </>
);

/** What stands there before anything was done: orders as they are shown, the camera as it is found. */
const startOf = (task: Task): Answers => ({
  ...Object.fromEntries(
    task.asks.flatMap((ask) =>
      ask.kind === 'order' ? [[ask.id, ask.options.map(({ id }) => id)] as const] : [],
    ),
  ),
  ...(task.stage ? readCamera(task, task.stage.start) : {}),
});

/** Whether everything that is asked has been answered. */
const isAnswered = (task: Task, answers: Answers): boolean =>
  task.asks.every(({ id, kind }) => {
    const answer = answers[id];
    return kind === 'number' ? Number.isFinite(answer) : answer !== undefined;
  });

/** One task: what is asked, the place to answer, and then how it went. */
export const TaskPane = ({
  task,
  note,
  onJudged,
  onNext,
  nextName,
  problem,
}: {
  task: Task;
  note: string;
  onJudged: (answers: Answers, judged: Judged, seconds: number) => void;
  onNext: () => void;
  nextName: string;
  problem?: string;
}) => {
  const [given, setAnswers] = useState(() => startOf(task));
  /** What the camera's meter shows. */
  const [shows, setShows] = useState<number>();
  const [judged, setJudged] = useState<Judged>();
  const [seconds, setSeconds] = useState(0);
  const answers = useMemo(() => ({ ...given, ...readSpot(task, shows) }), [given, task, shows]);
  const [began] = useState(() => performance.now());
  const drill = useMemo(() => drillOf(task.drill), [task.drill]);
  const [standing, setStanding] = useState(task.stage?.start);
  /** Something was changed on the card that the task does not ask for. */
  const [kept, setKept] = useState(false);
  const turn = (next: Standing) => {
    setKept(false);
    setStanding(next);
    setAnswers((now) => ({ ...now, ...readCamera(task, next) }));
  };
  useRoom(task, standing, answers, {
    onTurn: turn,
    onPlace: (id, placement) => setAnswers((now) => ({ ...now, [id]: placement })),
    onKept: () => setKept(true),
    isOver: judged !== undefined,
  });
  const answer = (id: string, value: Answer) => setAnswers((now) => ({ ...now, [id]: value }));
  const result = judged && <ResultPane {...{ task, answers, judged, seconds }} />;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (judged) {
      onNext();
      return;
    }
    const found = judge(task, answers);
    const took = (performance.now() - began) / 1000;
    setJudged(found);
    setSeconds(took);
    onJudged(answers, found, took);
  };
  return (
    <Panel title={drill?.name ?? task.drill} note={note} className="drill">
      <Form onSubmit={submit} noValidate>
        <p className="drill-text">{task.text}</p>
        <Facts task={task} />
        {task.takeId !== undefined && (
          <div className="drill-take">
            <Thumbnail takeId={task.takeId} alt={words.pictureOfTake} />
          </div>
        )}
        {task.stage && standing && (
          <StagePane
            task={task}
            standing={standing}
            onTurn={turn}
            // Once it is judged the meter may wander.
            onShows={judged ? undefined : setShows}
            result={result}
          />
        )}
        <div className="drill-asks">
          {!judged &&
            task.asks.map((ask) => (
              <AskInput
                key={ask.id}
                ask={ask}
                value={answers[ask.id]}
                onAnswer={(value) => answer(ask.id, value)}
              />
            ))}
        </div>
        {!task.stage && result}
        {kept && (
          <p className="quiet" role="status">
            {words.keptByTask}
          </p>
        )}
        {problem !== undefined && <p className="field-error">{problem}</p>}
        <div className="drill-foot">
          <Button type="submit" disabled={!judged && !isAnswered(task, answers)}>
            {judged ? nextName : words.answer}
          </Button>
        </div>
      </Form>
    </Panel>
  );
};
