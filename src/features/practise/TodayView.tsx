'use client';

import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import InputGroup from 'react-bootstrap/InputGroup';
import { drillOf } from '#core/practice/drillList.ts';
import { nextRound } from '#core/practice/schedule.ts';
import { useSelection } from '#ui/bench/hooks.ts';
import { Panel } from '#ui/parts/Panel.tsx';
import { words } from '#ui/wording/practise.ts';
import { setPerson, usePerson } from './person.ts';
import { checkTasks, freshSeed } from './round.ts';
import { useDrills, usePeople, useResults } from './usePractice.ts';
import { useTasks } from './useTasks.ts';

/** Several people at one machine, each by name. */
const Who = () => {
  const person = usePerson();
  const people = usePeople();
  const [name, setName] = useState('');
  const all = people.includes(person) ? people : [person, ...people];
  return (
    <div className="drill-who">
      <Form.Group controlId="drill-who">
        <Form.Label>{words.who}</Form.Label>
        <Form.Select size="sm" value={person} onChange={({ target }) => setPerson(target.value)}>
          {all.map((one) => (
            <option key={one}>{one}</option>
          ))}
        </Form.Select>
      </Form.Group>
      <Form
        onSubmit={(event) => {
          event.preventDefault();
          if (name.trim() === '') return;
          setPerson(name);
          setName('');
        }}
      >
        <Form.Label htmlFor="drill-name" visuallyHidden>
          {words.otherName}
        </Form.Label>
        <InputGroup size="sm">
          <Form.Control
            id="drill-name"
            maxLength={60}
            placeholder={words.otherName}
            value={name}
            onChange={({ target }) => setName(target.value)}
          />
          <Button type="submit" variant="outline-secondary" disabled={name.trim() === ''}>
            {words.takeName}
          </Button>
        </InputGroup>
      </Form>
    </div>
  );
};

/** What to do now: five tasks that are due, or the check before the shoot. */
export const TodayView = () => {
  const results = useResults();
  const { shoot, subjects } = useSelection();
  const [, setTasks] = useTasks();
  const drills = useDrills();
  if (!results || !drills) return null;
  const now = new Date();
  const round = nextRound(
    drills.map(({ id }) => id),
    results,
    now,
  );
  return (
    <div className="practise-home">
      <Panel title={words.today} note={words.round}>
        <ol className="drill-round">
          {round.map(({ drill, level, due }) => (
            <li key={drill}>
              <strong>{drillOf(drill)?.name}</strong>
              <span className="quiet">
                {words.levelIs(level)}
                {due === undefined ? `, ${words.neverTried}` : ''}
              </span>
              <span className="drill-says">{drillOf(drill)?.says}</span>
            </li>
          ))}
        </ol>
        <div className="drill-foot">
          <Button
            onClick={() => {
              const seed = freshSeed(new Date());
              setTasks({ tasks: round.map(({ drill, level }, i) => ({ drill, level, seed: seed + i })) });
            }}
          >
            {words.startRound}
          </Button>
          <Button
            variant="outline-secondary"
            title={words.tenTasks}
            onClick={() =>
              setTasks({
                tasks: checkTasks(freshSeed(new Date()), subjects.length > 0),
                check: shoot.id,
              })
            }
          >
            {words.checkBefore(shoot.name)}
          </Button>
        </div>
      </Panel>
      <Panel title={words.who}>
        <Who />
      </Panel>
    </div>
  );
};
