'use client';

import Link from 'next/link';
import { useDeferredValue, useMemo } from 'react';
import Button from 'react-bootstrap/Button';
import { filterTakes } from '#store/takeFacts.ts';
import { useHrefTo, useSelection } from '#ui/bench/hooks.ts';
import { useTakeIndex } from '#ui/bench/useTakeIndex.ts';
import { Empty } from '#ui/parts/Empty.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { SetAsideNotice } from '#ui/shell/SetAsideNotice.tsx';
import { useLog } from '#ui/shell/LogContext.ts';
import { LogFilter } from './LogFilter.tsx';
import { logNote } from './logModel.ts';
import { TakeList } from './TakeList.tsx';
import { useTakeFilter } from './useTakeFilter.ts';
import { later } from '#ui/later.tsx';
import { words } from '#ui/wording/log.ts';

const TakesAgainst = later(() => import('./TakesAgainst.tsx').then((part) => part.TakesAgainst));

const NoTake = () => {
  const hrefTo = useHrefTo();
  return (
    <Empty title={words.noTakeYet}>
      <p className="quiet">
        Press <kbd>L</kbd> on any screen: the card’s settings are kept, with what was measured on the open
        frame.
      </p>
      <Link className="btn btn-outline-secondary" href={hrefTo('/judge')}>
        {words.judgeAFrameFirst}
      </Link>
    </Empty>
  );
};

/** Takes: what was shot, how it was set, and what was found. */
export const TakesView = () => {
  const selection = useSelection();
  const { facts, count, isComplete, setAside, problem } = useTakeIndex();
  const narrowed = useTakeFilter();
  const log = useLog();
  const deferred = useDeferredValue(narrowed.filter);
  const shown = useMemo(() => filterTakes(facts, deferred), [facts, deferred]);
  return (
    <div className="log">
      <Panel
        title={words.takesOfNamed(selection.shoot.name)}
        note={logNote(facts, shown, { count, isComplete, isNarrowed: narrowed.isNarrowed })}
        tools={
          <Button variant="primary" size="sm" onClick={log}>
            Log take <kbd>L</kbd>
          </Button>
        }
      >
        <TakesAgainst />
        <SetAsideNotice items={setAside} />
        {problem && <p className="field-error">The log cannot be read: {problem}. Open the page again.</p>}
        {count === undefined && !problem && <p className="quiet">Reading the log…</p>}
        {count === 0 && setAside.length === 0 && <NoTake />}
        {(facts.length > 1 || narrowed.isNarrowed) && <LogFilter facts={facts} narrowed={narrowed} />}
        {isComplete && facts.length > 0 && shown.length === 0 && (
          <Empty title={words.noTakeFits}>
            <Button variant="outline-secondary" onClick={narrowed.clear}>
              Show all {facts.length}
            </Button>
          </Empty>
        )}
        <TakeList takes={shown} />
      </Panel>
    </div>
  );
};
