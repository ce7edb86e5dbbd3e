'use client';

import { CircleHelp, Redo2, SunMoon, Undo2 } from 'lucide-react';
import Link from 'next/link';
import { usePathname, useRouter } from 'next/navigation';
import { useDeferredValue, useEffect, useRef, useState, type ReactNode } from 'react';
import Button from 'react-bootstrap/Button';
import { BenchProvider } from '../bench/BenchProvider.tsx';
import { useBench, useEditPlan, useHrefTo, useRecords, useSelection } from '../bench/hooks.ts';
import { openEarly } from '../bench/services.ts';
import { nudged } from '../ladder/ladderModel.ts';
import { SetCard } from '../setCard/SetCard.tsx';
import { printStops } from '#core/units.ts';
import { useWhenIdle } from '../useWhenIdle.ts';
import { useFirstStart } from '../firstStart/firstStart.ts';
import { LogContext } from './LogContext.ts';
import { Mark } from './Mark.tsx';
import { Notices } from './Notices.tsx';
import { loadStopped } from './Stopped.tsx';
import { STEPS } from './steps.ts';
import { useLogTake } from './useLogTake.ts';
import { useKey } from './useKey.ts';
import { useTitle } from './useTitle.ts';
import { useSurround } from './surround.ts';
import { useUnsaved } from './useUnsaved.ts';
import { Waiting } from './Waiting.tsx';
import { later } from '../later.tsx';
import { words } from '#ui/wording/shell.ts';

/** The card is seen first; the ladder comes into its place beside it. */
const LadderSheet = later(() => import('../ladder/LadderSheet.tsx').then((part) => part.LadderSheet));
const FirstStart = later(() => import('../firstStart/FirstStart.tsx').then((part) => part.FirstStart));
const Help = later(() => import('../help/Help.tsx').then((part) => part.Help));

/** A link with all that stands in the address by now: a key may come before what was just set there is drawn. */
const asAddressed = (href: string): string => {
  const url = new URL(href, window.location.href);
  const now = new URLSearchParams(window.location.search);
  for (const key of ['shoot', 'setup', 'camera']) now.set(key, url.searchParams.get(key) ?? '');
  return `${url.pathname}?${now.toString()}`;
};

const OrderOfWork = () => {
  const path = usePathname();
  const hrefTo = useHrefTo();
  const steps = useRef<HTMLElement>(null);
  // On a phone the steps are wider than the screen. A link's own ref is called with every change of the address.
  useEffect(() => {
    const open = steps.current?.querySelector('[aria-current]');
    open?.scrollIntoView?.({ block: 'nearest', inline: 'nearest' });
  }, [path]);
  return (
    <nav className="order" aria-label={words.orderOfWork} ref={steps}>
      {STEPS.map(({ key, name, path: to, icon: Icon }) => (
        <Link
          key={key}
          href={hrefTo(to)}
          className="order-step"
          aria-current={path === to ? 'page' : undefined}
        >
          <span className="order-number">{key}</span>
          <Icon size={18} aria-hidden="true" className="order-icon" />
          {name}
        </Link>
      ))}
    </nav>
  );
};

const Footer = ({ onHelp }: { onHelp: () => void }) => {
  const { book } = useBench();
  const { undoable, redoable } = useRecords();
  const { surround, next } = useSurround();
  return (
    <div className="order-foot">
      <Button
        variant="bare"
        aria-label={words.undoNamed(undoable ?? '')}
        title={words.undoNamed(undoable ?? '')}
        disabled={!undoable}
        onClick={() => void book.undo()}
      >
        <Undo2 size={18} aria-hidden="true" />
      </Button>
      <Button
        variant="bare"
        aria-label={words.redoNamed(redoable ?? '')}
        title={words.redoNamed(redoable ?? '')}
        disabled={!redoable}
        onClick={() => void book.redo()}
      >
        <Redo2 size={18} aria-hidden="true" />
      </Button>
      <Button
        variant="bare"
        aria-label={words.surroundIs(surround)}
        title={words.surroundKey(surround)}
        onClick={next}
      >
        <SunMoon size={18} aria-hidden="true" />
      </Button>
      <Button variant="bare" aria-label={words.help} title={words.helpKeysWordsGuideKey} onClick={onHelp}>
        <CircleHelp size={18} aria-hidden="true" />
      </Button>
    </div>
  );
};

const Frame = ({ children }: { children: ReactNode }) => {
  const { book } = useBench();
  const selection = useSelection();
  const editPlan = useEditPlan();
  const hrefTo = useHrefTo();
  const router = useRouter();
  const { next } = useSurround();
  const { log, said, hush } = useLogTake();
  const unsaved = useUnsaved();
  const isFilling = useRecords((state) => state.isFilling);
  useWhenIdle(loadStopped);
  const { doors, stop } = useFirstStart();
  /** Undefined until it was asked for. */
  const [help, setHelp] = useState<boolean>();
  const title = useTitle();
  const { placement } = selection.plan;
  const nudge = (thirds: number) => {
    const to = nudged(placement, thirds);
    if (to !== placement) editPlan(`Placement ${printStops(to)}`, { placement: to });
  };
  // The card is seen first; the step’s own screen is drawn right after it.
  const step = useDeferredValue(children, null);
  useKey('step', (event) => {
    const to = STEPS.find(({ key }) => key === event.key);
    if (to) router.push(asAddressed(hrefTo(to.path)));
  });
  useKey('log', () => void log());
  useKey('brighter', () => nudge(1));
  useKey('darker', () => nudge(-1));
  useKey('undo', () => void book.undo());
  useKey('redo', () => void book.redo());
  useKey(
    'card',
    () => void import('../bench/switchCard.ts').then((part) => part.switchCard(selection.plan, editPlan)),
  );
  useKey('surround', next);
  useKey('help', () => setHelp(true));
  return (
    <LogContext value={() => void log()}>
      <div className="shell" data-unsaved={unsaved} data-stored={unsaved === 0 && !isFilling}>
        <header className="brand">
          <Link href={hrefTo('/plan')} aria-label={words.candelumToPlan}>
            <Mark />
          </Link>
        </header>
        <SetCard />
        <div className="order-column">
          <OrderOfWork />
          <Footer onHelp={() => setHelp(true)} />
          {unsaved > 0 && <p className="unsaved">Saving…</p>}
        </div>
        <main className="work">
          <h1 className="visually-hidden">{title}</h1>
          <Notices said={said} hush={hush} />
          {(doors || stop !== undefined) && <FirstStart />}
          {step}
          <div className="work-foot">
            <Button variant="outline-secondary" onClick={next}>
              {words.surround}
            </Button>
            <Button variant="outline-secondary" onClick={() => setHelp(true)}>
              {words.help}
            </Button>
          </div>
        </main>
        <LadderSheet />
      </div>
      {help !== undefined && <Help show={help} onHide={() => setHelp(false)} />}
    </LogContext>
  );
};

// Not when the page has woken up: by then the records can be there.
openEarly();

/** Card on top, order of work at the left, ladder at the right, the work in the middle. */
export const Shell = ({ children }: { children: ReactNode }) => (
  <BenchProvider fallback={(waiting) => <Waiting {...waiting} />}>
    <Frame>{children}</Frame>
  </BenchProvider>
);
