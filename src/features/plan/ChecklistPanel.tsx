'use client';

import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { useCard, useSelection } from '#ui/bench/hooks.ts';
import { Panel } from '#ui/parts/Panel.tsx';
import { CHECKLIST, CHECKLIST_IDS } from './checklist.ts';
import { useEditSetup } from '#ui/bench/useEditSetup.ts';
import { words } from '#ui/wording/plan.ts';

/** What is set on the camera, in the order of its menus; ticked off on set, kept for each camera. */
export const ChecklistPanel = () => {
  const selection = useSelection();
  const { numbers } = useCard();
  const editSetup = useEditSetup();
  const { camera, setup } = selection;
  const done = setup.ticked[camera.id] ?? [];
  const tick = (id: string) =>
    editSetup(CHECKLIST[id as keyof typeof CHECKLIST].name, {
      ticked: {
        ...setup.ticked,
        [camera.id]: done.includes(id) ? done.filter((one) => one !== id) : [...done, id],
      },
    });
  const clear = () => editSetup('Checklist cleared', { ticked: { ...setup.ticked, [camera.id]: [] } });
  return (
    <Panel
      title={words.inTheOrderIt(camera.name)}
      note={`${done.length} of ${CHECKLIST_IDS.length}`}
      tools={
        <Button variant="outline-secondary" size="sm" disabled={done.length === 0} onClick={clear}>
          {words.startOver}
        </Button>
      }
    >
      <ul className="checklist">
        {CHECKLIST_IDS.map((id) => (
          <li key={id}>
            <Form.Check id={`check-${id}`}>
              <Form.Check.Input checked={done.includes(id)} onChange={() => tick(id)} />
              <Form.Check.Label>
                <strong>{CHECKLIST[id].name}</strong>
                <span className="num">{CHECKLIST[id].set({ selection, numbers })}</span>
              </Form.Check.Label>
            </Form.Check>
          </li>
        ))}
      </ul>
    </Panel>
  );
};
