'use client';

import { useMemo, useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { DRILLS, drillOf } from '#core/practice/drillList.ts';
import { footingOf, habitsOf, printMiss, secondsOf, unitOf } from '#core/practice/progress.ts';
import { dueOf } from '#core/practice/schedule.ts';
import { SKILL_IDS, SKILLS, type SkillId } from '#core/practice/types.ts';
import { practiceCsv } from '#store/exports/practiceCsv.ts';
import type { PracticeRecord } from '#store/records/practice.ts';
import { useRecords } from '#ui/bench/hooks.ts';
import { download } from '#ui/download.ts';
import { DataTable } from '#ui/parts/DataTable.tsx';
import { Empty } from '#ui/parts/Empty.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { words } from '#ui/wording/practise.ts';
import { MissesOverTime, ThoughtAgainst } from './ProgressCharts.tsx';
import { usePerson } from './person.ts';
import { useResults } from './usePractice.ts';
import { faceName } from './world.ts';

type Line = {
  readonly id: string;
  readonly name: string;
  readonly level: number;
  readonly count: number;
  readonly bias: string;
  readonly spread: string;
  readonly seconds: number;
  readonly says: string;
  readonly due: string;
};

const linesOf = (results: readonly PracticeRecord[], now: Date): Line[] =>
  DRILLS.flatMap(({ id, name }) => {
    const own = results.filter(({ drill }) => drill === id);
    if (own.length === 0) return [];
    const unit = unitOf(own);
    const footing = footingOf(
      own.flatMap(({ marks }) => marks),
      unit,
    );
    if (!footing) return [];
    const { level, due } = dueOf(id, results, now);
    const isDue = due !== undefined && due <= now.toISOString();
    return [
      {
        id,
        name,
        level,
        count: own.length,
        bias: printMiss(unit, footing.bias),
        spread: unit === 'choices' || own.length < 2 ? '' : printMiss(unit, footing.spread).replace('+', '±'),
        seconds: secondsOf(own),
        says: words[footing.says],
        due: isDue ? words.now : (due?.slice(0, 10) ?? ''),
      },
    ];
  });

const COLUMNS = [
  { id: 'name', header: words.drill, cell: ({ name }: Line) => name, sortBy: ({ name }: Line) => name },
  { id: 'level', header: words.level, cell: ({ level }: Line) => level, sortBy: ({ level }: Line) => level },
  { id: 'count', header: words.tried, cell: ({ count }: Line) => count, sortBy: ({ count }: Line) => count },
  { id: 'bias', header: words.onAverage, cell: ({ bias }: Line) => bias },
  { id: 'spread', header: words.scatter, cell: ({ spread }: Line) => spread },
  {
    id: 'time',
    header: <abbr title={words.timeSays}>{words.time}</abbr>,
    cell: ({ seconds }: Line) => words.secondsOf(Math.round(seconds)),
    sortBy: ({ seconds }: Line) => seconds,
  },
  { id: 'says', header: words.thatIs, cell: ({ says }: Line) => says },
  { id: 'due', header: words.due, cell: ({ due }: Line) => due, sortBy: ({ due }: Line) => due },
];

const Habits = ({ results }: { results: readonly PracticeRecord[] }) => {
  const subjects = useRecords((records) => records.subjects);
  const habits = useMemo(() => habitsOf(results), [results]);
  if (habits.length === 0) return <p className="quiet">{words.noHabits}</p>;
  return (
    <ul>
      {habits.map(({ drill, subjectId, when, unit, bias, count }) => (
        <li key={`${drill} ${unit} ${subjectId ?? ''} ${when ?? ''}`}>
          {words.habitOf(drillOf(drill)?.name ?? drill, printMiss(unit, bias), count)}{' '}
          {when !== undefined && <span className="quiet">{words.habitWhen(when)}</span>}
          {subjectId !== undefined && (
            <span className="quiet">
              {words.habitWith(subjects.get(subjectId)?.name ?? faceName(subjectId))}
            </span>
          )}
        </li>
      ))}
    </ul>
  );
};

const ALL = 'all';

/** Misses over time, of all or of one skill. */
const OverTime = ({ results }: { results: readonly PracticeRecord[] }) => {
  const [skill, setSkill] = useState<SkillId | typeof ALL>(ALL);
  const ofSkill = (id: SkillId) => results.filter(({ drill }) => drillOf(drill)?.skill === id);
  const met = SKILL_IDS.filter((id) => ofSkill(id).length > 0);
  return (
    <Panel
      title={words.overTime}
      tools={
        <Form.Select
          size="sm"
          aria-label={words.skill}
          value={skill}
          onChange={({ target }) => setSkill(met.find((id) => id === target.value) ?? ALL)}
        >
          <option value={ALL}>{words.allSkills}</option>
          {met.map((id) => (
            <option key={id} value={id}>
              {SKILLS[id].name}
            </option>
          ))}
        </Form.Select>
      }
    >
      <MissesOverTime results={skill === ALL ? results : ofSkill(skill)} />
    </Panel>
  );
};

/** How somebody gets on: by drill, over time, what was thought, and habits. */
export const ProgressView = () => {
  const results = useResults();
  const person = usePerson();
  if (!results) return null;
  if (results.length === 0) return <Empty title={words.nothingYet} />;
  const now = new Date();
  return (
    <div className="practise-progress">
      <Panel
        title={person}
        tools={
          <Button
            size="sm"
            variant="outline-secondary"
            onClick={() => download(`practice ${person}.csv`, practiceCsv(results), 'text/csv')}
          >
            {words.csv}
          </Button>
        }
      >
        <DataTable
          label={words.progress}
          rows={linesOf(results, now)}
          rowKey={({ id }) => id}
          columns={COLUMNS}
        />
      </Panel>
      <div className="practise-charts">
        <OverTime results={results} />
        <Panel title={words.thought} note={words.thoughtSays}>
          <ThoughtAgainst results={results} />
        </Panel>
      </div>
      <Panel title={words.habits}>
        <Habits results={results} />
      </Panel>
    </div>
  );
};
