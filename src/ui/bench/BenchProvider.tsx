'use client';

import { parseAsArrayOf, parseAsString, useQueryState, useQueryStates } from 'nuqs';
import {
  createContext,
  use,
  useCallback,
  useDeferredValue,
  useMemo,
  useSyncExternalStore,
  type ReactNode,
} from 'react';
import { useStore } from 'zustand';
import { useShallow } from 'zustand/react/shallow';
import { startJudge } from '#workers/judge/client.ts';
import { startLuts } from '#workers/luts/client.ts';
import { openBook, type Book, type BookState } from '#store/book.ts';
import { Database } from '#store/database.ts';
import { planChange, type PlanRecord } from '#store/records/plan.ts';
import { resolveSelection, type Selection } from '#store/selection.ts';
import type { Temperature } from '#core/colour/temperature.ts';
import type { SetCardNumbers } from '#core/exposure/setCard.ts';
import type { Distribution } from '#core/scopes/distribution.ts';
import type { Verdict } from '#core/verdict/index.ts';
import {
  cardNumbersOf,
  dialledLight,
  distributionOf,
  driftFigures,
  driftOf,
  linkedFields,
  verdictsOf,
} from './benchModel.ts';
import { createLutShelf, type LutShelf } from './lutShelf.ts';
import { createSession, type Session, type SessionState } from './session.ts';
import { createStrip, type Strip } from './strip.ts';
import { useMeasuring } from './useMeasuring.ts';

type Opened = {
  readonly database: Database;
  readonly book: Book;
  readonly session: Session;
  /** LUT files and the worker that bakes. */
  readonly luts: LutShelf;
  /** The last minute of a feed. */
  readonly strip: Strip;
};

export type Bench = Opened & {
  readonly records: BookState;
  readonly bench: SessionState;
  readonly selection: Selection;
  readonly numbers: SetCardNumbers;
  readonly distribution?: Distribution;
  readonly verdicts: readonly Verdict[];
  /** The light that the camera renders neutral as it is dialled, lean taken in. */
  readonly light?: Temperature;
  /** Rules of the verdicts that are silent, and the way to change that. */
  readonly muted: readonly string[];
  readonly mute: (ids: readonly string[]) => void;
  readonly select: (ids: { shoot?: string; setup?: string; camera?: string }) => void;
  /** Changes fields of the plan; shows at once, undone as one step. */
  readonly editPlan: (label: string, fields: Partial<PlanRecord>) => void;
  /** The address of another step of the work, with what is selected. */
  readonly hrefTo: (path: string) => string;
};

const BenchContext = createContext<Bench | undefined>(undefined);

/** The bench; only inside BenchProvider. */
export const useBench = (): Bench => {
  const bench = use(BenchContext);
  if (!bench) throw new TypeError('useBench is used outside BenchProvider');
  return bench;
};

let opened: Opened | undefined;

/** Opens records, worker and session once for this tab. */
const openOnce = (): Opened => {
  if (!opened) {
    const database = new Database();
    const session = createSession(startJudge());
    opened = {
      database,
      book: openBook(database),
      session,
      luts: createLutShelf(session.judge, database, startLuts),
      strip: createStrip(),
    };
  }
  return opened;
};

const never = () => () => undefined;
const onServer = () => undefined;

/** undefined on the server and while the page wakes up. */
const useOpened = (): Opened | undefined =>
  useSyncExternalStore<Opened | undefined>(never, openOnce, onServer);

/** Rules of the verdicts that are silent. */
const NO_RULES = parseAsArrayOf(parseAsString).withDefault([]);

const urlKeys = { shoot: parseAsString, setup: parseAsString, camera: parseAsString };

const unmeasured = ({ measurement: _measured, ...rest }: SessionState): Omit<SessionState, 'measurement'> =>
  rest;

type Waiting = { readonly status: 'loading' | 'failed' | 'empty'; readonly problem?: string };

const Inner = ({
  opened,
  children,
  fallback,
}: {
  opened: Opened;
  children: ReactNode;
  fallback: (w: Waiting) => ReactNode;
}) => {
  const { book, session } = opened;
  const records = useStore(book);
  // What is measured of moving pictures comes several times a second: the page is drawn for it in slices, so that it
  // never stands still.
  const rest = useStore(session, useShallow(unmeasured));
  const latest = useStore(session, ({ measurement: one }) => one);
  const measured = useDeferredValue(latest);
  const bench = useMemo((): SessionState => ({ ...rest, measurement: measured }), [rest, measured]);
  const [url, setUrl] = useQueryStates(urlKeys, { history: 'push' });
  const selection = useMemo(
    () => (records.status === 'ready' ? resolveSelection(records, url) : undefined),
    [records, url],
  );
  const numbers = useMemo(
    () => selection && cardNumbersOf(selection, bench.draft?.data),
    [selection, bench.draft],
  );
  const { measurement, samples } = bench;
  const { kind, scene } = bench.frame ?? {};
  const turned = bench.stage?.turned;
  const [muted, setMuted] = useQueryState('mute', NO_RULES);
  const distribution = useMemo(
    () => (measurement && numbers ? distributionOf(measurement, numbers) : undefined),
    [measurement, numbers],
  );
  const placement = selection?.plan.placement ?? 0;
  const light = useMemo(
    () => selection && dialledLight(selection, scene === undefined ? {} : turned),
    [selection, scene, turned],
  );
  const verdicts = useMemo(
    () =>
      measurement && numbers && distribution && selection
        ? verdictsOf(measurement, distribution, {
            numbers,
            placement,
            light,
            recorded: kind === 'still' || kind === 'clip' ? selection.camera.coding : undefined,
            drift: samples && driftFigures(driftOf(samples, numbers, light), placement),
            muted,
          })
        : [],
    [measurement, numbers, distribution, selection, placement, samples, muted, light, kind],
  );

  useMeasuring(opened, numbers && (bench.draft?.data ?? selection?.profile.data), numbers, light);

  const select = useCallback(
    (ids: { shoot?: string; setup?: string; camera?: string }) => {
      void setUrl({
        shoot: ids.shoot ?? selection?.shoot.id ?? null,
        setup: ids.setup ?? (ids.shoot ? null : (selection?.setup.id ?? null)),
        camera: ids.camera ?? null,
      });
    },
    [setUrl, selection],
  );
  const editPlan = useCallback(
    (label: string, fields: Partial<PlanRecord>) => {
      if (!selection) return;
      const plan = book.getState().plans.get(selection.plan.id) ?? selection.plan;
      void book.edit({ label, changes: [planChange(plan, linkedFields({ ...selection, plan }, fields))] });
    },
    [book, selection],
  );
  const hrefTo = useCallback(
    (path: string) =>
      selection
        ? `${path}?shoot=${selection.shoot.id}&setup=${selection.setup.id}&camera=${selection.camera.id}`
        : path,
    [selection],
  );

  const mute = useCallback((ids: readonly string[]) => void setMuted([...ids]), [setMuted]);

  const value = useMemo<Bench | undefined>(
    () =>
      selection && numbers
        ? {
            ...opened,
            records,
            bench,
            selection,
            numbers,
            distribution,
            verdicts,
            light,
            muted,
            mute,
            select,
            editPlan,
            hrefTo,
          }
        : undefined,
    [
      opened,
      records,
      bench,
      selection,
      numbers,
      distribution,
      verdicts,
      light,
      muted,
      mute,
      select,
      editPlan,
      hrefTo,
    ],
  );
  if (!value) {
    return fallback({
      status: records.status === 'ready' ? 'empty' : records.status,
      problem: records.problem,
    });
  }
  return <BenchContext value={value}>{children}</BenchContext>;
};

/** Opens the records, the worker and the session, and gives them to everything below. */
export const BenchProvider = ({
  children,
  fallback,
}: {
  children: ReactNode;
  fallback: (w: Waiting) => ReactNode;
}) => {
  const opened = useOpened();
  if (!opened) return fallback({ status: 'loading' });
  return (
    <Inner opened={opened} fallback={fallback}>
      {children}
    </Inner>
  );
};
