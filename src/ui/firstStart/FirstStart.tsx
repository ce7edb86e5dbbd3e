'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect } from 'react';
import Button from 'react-bootstrap/Button';
import { X } from 'lucide-react';
import { useHrefTo, useRecords } from '../bench/hooks.ts';
import { setFirstStart, useFirstStart } from './firstStart.ts';
import { STOPS } from './stops.ts';
import { words } from '#ui/wording/firstStart.ts';

/** The address of a stop: in the demo as long as it is there, else in the shoot at hand. */
const useHrefOfStop = () => {
  const hrefTo = useHrefTo();
  const demo = useRecords(({ shoots }) => [...shoots.values()].find(({ isDemo }) => isDemo)?.id);
  return (stop: number): string => {
    const { path, part } = STOPS[stop];
    if (demo === undefined) return hrefTo(path, part);
    const search = new URLSearchParams({ shoot: demo, ...(part === undefined ? {} : { part }) });
    return `${path}?${search.toString()}`;
  };
};

/** Outlines what a stop is about. */
const useOutline = (target: string) => {
  useEffect(() => {
    const look = () => {
      const found = document.querySelector(target);
      if (!found || found.hasAttribute('data-walk')) return;
      document.querySelector('[data-walk]')?.removeAttribute('data-walk');
      found.setAttribute('data-walk', '');
      found.scrollIntoView({ block: 'nearest' });
    };
    look();
    // The screen of the stop may still be on its way.
    const watch = new MutationObserver(look);
    watch.observe(document.body, { childList: true, subtree: true });
    return () => {
      watch.disconnect();
      document.querySelector('[data-walk]')?.removeAttribute('data-walk');
    };
  }, [target]);
};

/** One stop of the walk, beside the screen it is about. */
const Walk = ({ stop }: { stop: number }) => {
  const router = useRouter();
  const hrefOf = useHrefOfStop();
  const { title, says, target } = STOPS[stop];
  useOutline(target);
  const go = (to: number) => {
    setFirstStart({ stop: to, reached: to });
    router.push(hrefOf(to));
  };
  const isLast = stop === STOPS.length - 1;
  return (
    <aside className="walk" aria-label={words.walkRoundTheDemo} aria-live="polite">
      <header>
        <strong>{title}</strong>
        <span className="quiet num">
          {stop + 1} of {STOPS.length}
        </span>
        <Button
          variant="bare"
          aria-label={words.leaveTheWalk}
          onClick={() => setFirstStart({ stop: undefined, doors: true })}
        >
          <X size={18} aria-hidden="true" />
        </Button>
      </header>
      <p>{says}</p>
      <div className="d-flex gap-2">
        {stop > 0 && (
          <Button size="sm" variant="outline-secondary" onClick={() => go(stop - 1)}>
            {words.back}
          </Button>
        )}
        <Button
          size="sm"
          variant="primary"
          autoFocus
          onClick={() => (isLast ? setFirstStart({ stop: undefined, reached: 0 }) : go(stop + 1))}
        >
          {isLast ? words.done : words.next}
        </Button>
      </div>
    </aside>
  );
};

/** Three ways to begin, for somebody who is here for the first time. */
const Doors = ({ reached }: { reached: number }) => {
  const router = useRouter();
  const hrefTo = useHrefTo();
  const hrefOf = useHrefOfStop();
  const walk = () => {
    setFirstStart({ doors: false, stop: reached, reached });
    router.push(hrefOf(reached));
  };
  return (
    <section className="doors" aria-label={words.firstTimeHere}>
      <p className="doors-title">
        <strong>{words.firstTimeHereQuestion}</strong> <span className="quiet">{words.whatYouSeeIs}</span>
      </p>
      <Button size="sm" variant="primary" onClick={walk} title={words.eightStopsOverThe}>
        {reached > 0 ? words.goOnWithThe(reached + 1) : words.lookRoundTheDemo}
      </Button>
      <Link
        className="btn btn-outline-secondary btn-sm"
        href={hrefTo('/kit', 'new')}
        onClick={() => setFirstStart({ doors: false })}
        title={words.aFewQuestionsThen}
      >
        {words.setUpMyOwn}
      </Link>
      <Link
        className="btn btn-outline-secondary btn-sm"
        href={hrefTo('/practise')}
        onClick={() => setFirstStart({ doors: false })}
        title={words.practiseSays}
      >
        {words.practise}
      </Link>
      <Button
        size="sm"
        variant="bare"
        aria-label={words.notNow}
        onClick={() => setFirstStart({ doors: false })}
      >
        <X size={18} aria-hidden="true" />
      </Button>
    </section>
  );
};

export const FirstStart = () => {
  const { doors, stop, reached } = useFirstStart();
  if (stop !== undefined && STOPS[stop]) return <Walk stop={stop} />;
  return doors ? <Doors reached={reached} /> : null;
};
