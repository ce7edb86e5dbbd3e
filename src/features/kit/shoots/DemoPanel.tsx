'use client';

import { useEffect, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { useStore } from 'zustand';
import { demoEdit } from '#store/demo/demoEdit.ts';
import { putDemoAway, type PutAway } from '#store/demo/putAway.ts';
import { shootsOf } from '#store/selection.ts';
import { useBench, useSelect, useSelection } from '#ui/bench/hooks.ts';
import { setFirstStart } from '#ui/firstStart/firstStart.ts';
import { Panel } from '#ui/parts/Panel.tsx';
import { Popup } from '#ui/parts/Popup.tsx';
import { words } from '#ui/wording/kitShoots.ts';

const awayWords = ({ ownTakes, staying }: PutAway): string[] => [
  'The demo shoot goes with its set-ups, its log, its cameras and its bag, and what you changed in them.',
  ...(ownTakes > 0 ? [`With it go ${ownTakes} takes that you logged in it.`] : []),
  ...(staying.length > 0
    ? [`Your shoots use ${staying.join(', ')}: that stays, and is yours from then on.`]
    : []),
];

const AwayQuestion = ({ onDone }: { onDone: () => void }) => {
  const { book, database } = useBench();
  const { shoot } = useSelection();
  const select = useSelect();
  /** Undefined until it is known what goes. */
  const [away, setAway] = useState<PutAway>();
  useEffect(() => {
    let here = true;
    void putDemoAway(database, book.getState()).then((found) => here && setAway(found));
    return () => {
      here = false;
    };
  }, [book, database]);
  const own = shootsOf(book.getState()).find(({ isDemo }) => !isDemo);
  if (!own)
    return <p className="mb-0">Begin a shoot of your own first: there would be nothing left to show.</p>;
  const put = async () => {
    if (!away) return;
    if (shoot.isDemo) select({ shoot: own.id });
    if (await book.edit(away.edit)) onDone();
  };
  return (
    <>
      {away && awayWords(away).map((words) => <p key={words}>{words}</p>)}
      <p className="quiet">Undo brings it back as it was; later it comes back as new.</p>
      <Button size="sm" variant="primary" disabled={!away} autoFocus onClick={() => void put()}>
        {words.putItAway}
      </Button>
    </>
  );
};

/** The demo shoot: put away when it has served, brought back to look something up. */
export const DemoPanel = () => {
  const { book } = useBench();
  const select = useSelect();
  const shoots = useStore(book, (all) => all.shoots);
  const demo = [...shoots.values()].find(({ isDemo }) => isDemo);
  const bring = async () => {
    const edit = await demoEdit(book.getState());
    const shoot = edit.changes.find(({ table }) => table === 'shoots');
    if ((await book.edit(edit)) && shoot) select({ shoot: shoot.id });
  };
  return (
    <Panel title={words.demoShoot} note={demo ? words.inTheRecords : words.putAway}>
      <p className="quiet">
        An invented job with its cameras, people, light and log, to look round in and to spoil. Nothing of it
        is counted as yours.
      </p>
      {demo ? (
        <div className="d-flex gap-2">
          <Button size="sm" variant="outline-secondary" onClick={() => setFirstStart({ doors: true })}>
            {words.walkRoundIt}
          </Button>
          <Popup name={words.putTheDemoAway} label={words.putTheDemoAway}>
            {(close) => <AwayQuestion onDone={close} />}
          </Popup>
        </div>
      ) : (
        <Button size="sm" variant="outline-secondary" onClick={() => void bring()}>
          {words.bringTheDemoBack}
        </Button>
      )}
    </Panel>
  );
};
