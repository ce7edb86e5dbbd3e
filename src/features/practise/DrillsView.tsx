'use client';

import { ListPlus } from 'lucide-react';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { dueOf } from '#core/practice/schedule.ts';
import { LEVELS, SKILL_IDS, SKILLS, type Level } from '#core/practice/types.ts';
import { Panel } from '#ui/parts/Panel.tsx';
import { words } from '#ui/wording/practise.ts';
import { ClassList } from './ClassList.tsx';
import { freshSeed, MOST_TASKS, type TaskName } from './round.ts';
import { useDrills, useResults } from './usePractice.ts';
import { useTasks } from './useTasks.ts';

const START = 'auto';

/** Every drill by what it trains; nothing is locked. */
export const DrillsView = () => {
  const results = useResults();
  const [, setTasks] = useTasks();
  const [level, setLevel] = useState<Level | typeof START>(START);
  const [seed, setSeed] = useState('');
  const [list, setList] = useState<readonly TaskName[]>([]);
  const drills = useDrills();
  if (!results || !drills) return null;
  const now = new Date();
  const taskOf = (drill: string, own: Level): TaskName => ({
    drill,
    level: level === START ? own : level,
    seed: /^\d{1,9}$/.test(seed) ? Number(seed) : freshSeed(new Date()),
  });
  return (
    <div className="practise-drills">
      <div className="drill-choices">
        <Form.Group controlId="drill-level">
          <Form.Label>{words.level}</Form.Label>
          <Form.Select
            size="sm"
            value={level}
            onChange={({ target }) => setLevel(LEVELS.find((one) => String(one) === target.value) ?? START)}
          >
            <option value={START}>{words.asIStand}</option>
            {LEVELS.map((one) => (
              <option key={one} value={one}>
                {words.levelIs(one)}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
        <Form.Group controlId="drill-seed">
          <Form.Label title={words.seedSays}>{words.seeds}</Form.Label>
          <Form.Control
            size="sm"
            inputMode="numeric"
            maxLength={9}
            placeholder={words.anySeed}
            value={seed}
            onChange={({ target }) => setSeed(target.value)}
          />
        </Form.Group>
      </div>
      {SKILL_IDS.map((skill) => (
        <Panel key={skill} title={SKILLS[skill].name}>
          <ul className="drill-list">
            {drills
              .filter((drill) => drill.skill === skill)
              .map(({ id, name, says }) => {
                const stands = dueOf(id, results, now);
                return (
                  <li key={id}>
                    <span>
                      <strong>{name}</strong>{' '}
                      <span className="quiet">{words.levelIs(level === START ? stands.level : level)}</span>
                      <span className="drill-says">{says}</span>
                    </span>
                    <Button
                      size="sm"
                      variant="outline-secondary"
                      aria-label={words.tryNamed(name)}
                      onClick={() => setTasks({ tasks: [taskOf(id, stands.level)] })}
                    >
                      {words.try}
                    </Button>
                    <Button
                      size="sm"
                      variant="outline-secondary"
                      aria-label={words.addToList(name)}
                      title={words.addToList(name)}
                      disabled={list.length >= MOST_TASKS}
                      onClick={() => setList([...list, taskOf(id, stands.level)])}
                    >
                      <ListPlus size={16} aria-hidden="true" />
                      {list.some(({ drill }) => drill === id) &&
                        ` ${list.filter(({ drill }) => drill === id).length}`}
                    </Button>
                  </li>
                );
              })}
          </ul>
        </Panel>
      ))}
      <ClassList tasks={list} onChange={setList} />
    </div>
  );
};
