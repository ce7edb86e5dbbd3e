'use client';

import { parseAsString, useQueryStates } from 'nuqs';
import {
  createContext,
  use,
  useCallback,
  useEffect,
  useMemo,
  useSyncExternalStore,
  type ReactNode,
} from 'react';
import { useStore } from 'zustand';
import { startJudge } from '#workers/judge/client.ts';
import { openBook, type Book, type BookState } from '#store/book.ts';
import { Database } from '#store/database.ts';
import type { PlanRecord } from '#store/records/plan.ts';
import { resolveSelection, type Selection } from '#store/selection.ts';
import type { SetCardNumbers } from '#core/exposure/setCard.ts';
import type { Distribution } from '#core/scopes/distribution.ts';
import type { Verdict } from '#core/verdict/index.ts';
import { cardNumbersOf, distributionOf, linkedFields, verdictsOf } from './benchModel.ts';
import { createSession, type Session, type SessionState } from './session.ts';

type Opened = { readonly database: Database; readonly book: Book; readonly session: Session };

export type Bench = Opened & {
  readonly records: BookState;
  readonly bench: SessionState;
  readonly selection: Selection;
  readonly numbers: SetCardNumbers;
  readonly distribution?: Distribution;
  readonly verdicts: readonly Verdict[];
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
    opened = { database, book: openBook(database), session: createSession(startJudge()) };
  }
  return opened;
};

const never = () => () => undefined;
const onServer = () => undefined;

/** undefined on the server and while the page wakes up. */
const useOpened = (): Opened | undefined =>
  useSyncExternalStore<Opened | undefined>(never, openOnce, onServer);

const urlKeys = { shoot: parseAsString, setup: parseAsString, camera: parseAsString };

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
  const bench = useStore(session);
  const [url, setUrl] = useQueryStates(urlKeys, { history: 'push' });
  const selection = useMemo(
    () => (records.status === 'ready' ? resolveSelection(records, url) : undefined),
    [records, url],
  );
  const numbers = useMemo(
    () => selection && cardNumbersOf(selection, bench.draft?.data),
    [selection, bench.draft],
  );
  const { measurement, frame, patches } = bench;
  const distribution = useMemo(
    () => (measurement && numbers ? distributionOf(measurement, numbers) : undefined),
    [measurement, numbers],
  );
  const placement = selection?.plan.placement ?? 0;
  const verdicts = useMemo(
    () =>
      measurement && numbers && distribution ? verdictsOf(measurement, distribution, numbers, placement) : [],
    [measurement, numbers, distribution, placement],
  );

  const profileData = numbers && (bench.draft?.data ?? selection?.profile.data);
  const clipStops = numbers?.clipStops;
  const floorStops = numbers?.floorStops;
  const serial = frame?.serial;
  useEffect(() => {
    if (serial === undefined || !profileData || clipStops === undefined || floorStops === undefined) return;
    void session.judge
      .call('measure', { profile: profileData, clipStops, floorStops, patches }, { latest: 'measure' })
      .then((outcome) => {
        if (outcome.state === 'done' && session.getState().frame?.serial === serial) {
          session.setState({ measurement: outcome.output });
        }
      });
  }, [session, serial, profileData, clipStops, floorStops, patches]);

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
      const before = book.getState().plans.get(selection.plan.id);
      const after = { ...(before ?? selection.plan), ...linkedFields(selection, fields) };
      void book.edit({ label, changes: [{ table: 'plans', id: after.id, before, after }] });
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

  const value = useMemo<Bench | undefined>(
    () =>
      selection && numbers
        ? { ...opened, records, bench, selection, numbers, distribution, verdicts, select, editPlan, hrefTo }
        : undefined,
    [opened, records, bench, selection, numbers, distribution, verdicts, select, editPlan, hrefTo],
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
