'use client';

import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import type { TestTold } from '#core/cameraTest/evaluate.ts';
import { meaningOf } from '#core/cameraTest/meaning.ts';
import { SHOT_KINDS } from '#core/cameraTest/shotKinds.ts';
import { dateIn, printDate } from '#core/day/clock.ts';
import { useBench } from '#ui/bench/hooks.ts';
import { Folded } from '#ui/parts/Folded.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { words } from '#ui/wording/kitTest.ts';
import { Figures } from './FiguresPanel.tsx';
import { TAKEN_IN, TAKEN_IN_IDS, takeTestIn, zebraPrint, type TakenInId } from './testModel.ts';
import type { CameraTest } from './useTest.ts';

/** What goes onto the camera, each to be left out. */
const TakeIn = ({ test, told }: { test: CameraTest; told: TestTold }) => {
  const { book } = useBench();
  const { camera, plan, state } = test;
  const [left, setLeft] = useState<ReadonlySet<TakenInId>>(new Set());
  const [done, setDone] = useState(false);
  const offered = TAKEN_IN_IDS.flatMap((id) => {
    const says = TAKEN_IN[id].says(told);
    return says === undefined ? [] : [{ id, says }];
  });
  const take = async () => {
    const now = new Date();
    const taken = new Set(offered.map(({ id }) => id).filter((id) => !left.has(id)));
    const edit = takeTestIn(
      told,
      taken,
      { camera, plan },
      {
        id: crypto.randomUUID(),
        name: words.profileName(camera.name, printDate(dateIn(now))),
        today: dateIn(now),
        ...(state.have.kelvin === undefined ? {} : { kelvin: state.have.kelvin }),
      },
    );
    setDone(await book.edit(edit));
  };
  return (
    <div className="test-take-in">
      <h3>{words.takeIn(camera.name)}</h3>
      {offered.map(({ id, says }) => (
        <Form.Check
          key={id}
          type="checkbox"
          id={`take-in-${id}`}
          label={words.takenIn(TAKEN_IN[id].name, says)}
          checked={!left.has(id)}
          onChange={(event) => {
            const next = new Set(left);
            if (event.target.checked) next.delete(id);
            else next.add(id);
            setLeft(next);
            setDone(false);
          }}
        />
      ))}
      <Button variant="primary" size="sm" disabled={left.size === offered.length} onClick={() => void take()}>
        {words.takeInNow}
      </Button>
      {done && (
        <p role="status" className="quiet">
          {words.isTakenIn}
        </p>
      )}
    </div>
  );
};

/** One page in plain words; each sentence opens to its numbers. */
export const MeaningPanel = ({ test, told }: { test: CameraTest; told: TestTold }) => {
  const { camera, list } = test;
  const figures = new Map(told.parts.flatMap((part) => part.figures.map((one) => [one.id, one] as const)));
  const meanings = meaningOf(told, zebraPrint(camera));
  return (
    <Panel title={words.meaningOf(camera.name)} note={words.meaningNote} className="test-meaning">
      <div className="test-sentences">
        {meanings.map(({ id, text, figures: ids, minds }) => (
          <Folded key={id} title={text} className={minds ? 'is-minded' : ''}>
            <Figures figures={ids.flatMap((one) => figures.get(one) ?? [])} list={list} />
          </Folded>
        ))}
      </div>
      <div className="test-side">
        <TakeIn test={test} told={told} />
        {told.missing.length > 0 && (
          <div className="test-unknown">
            <h3>{words.unknown}</h3>
            <ul>
              {told.missing.map(({ what, shot }) => (
                <li key={what}>
                  {what} <span className="quiet">{words.wouldTell(SHOT_KINDS[shot].name)}</span>
                </li>
              ))}
            </ul>
          </div>
        )}
      </div>
    </Panel>
  );
};
