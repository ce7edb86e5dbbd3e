'use client';

import { usePathname } from 'next/navigation';
import {
  useDeferredValue,
  useEffect,
  useLayoutEffect,
  useMemo,
  useReducer,
  useState,
  type ReactNode,
} from 'react';
import { useStore } from 'zustand';
import { resolveSelection } from '#store/selection.ts';
import { cardNumbersOf, dialledLight, distributionOf } from './benchModel.ts';
import {
  CardContext,
  JudgementContext,
  SelectionContext,
  ServicesContext,
  useBench,
  useCard,
  useMuted,
  useRecords,
  useSelection,
  useSession,
  useUrlIds,
  type Card,
} from './hooks.ts';
import { lastPlace, rememberPlace } from './lastPlace.ts';
import { leftOutSetups } from './leftOut.ts';
import { room } from './room.ts';
import { openServices, type Services } from './services.ts';
import { useMeasuring } from './useMeasuring.ts';
import { useRules } from './useRules.ts';

/**
 * undefined on the server and while the page wakes up; there before that is painted, for what waits for an ordinary
 * effect waits for all that is on its way.
 */
const useServices = (): Services | undefined => {
  const [services, open] = useReducer<Services | undefined, []>(openServices, undefined);
  useLayoutEffect(open, [open]);
  return services;
};

type Waiting = { readonly status: 'loading' | 'failed' | 'empty'; readonly problem?: string };
type Parts = { readonly children: ReactNode; readonly fallback: (waiting: Waiting) => ReactNode };

const SelectionProvider = ({ children, fallback }: Parts) => {
  const records = useStore(useBench().book);
  const [url] = useUrlIds();
  const [leftOut] = useState(leftOutSetups);
  const selection = useMemo(
    () =>
      records.status === 'ready' ? resolveSelection(records, url, leftOut, lastPlace(url.shoot)) : undefined,
    [records, url, leftOut],
  );
  const task = useStore(room, (state) => state.room?.selection);
  const path = usePathname();
  const { shoot, setup, camera } = selection ?? {};
  useEffect(() => {
    if (shoot && setup && camera) rememberPlace(path, shoot.id, setup.id, camera.id);
  }, [path, shoot, setup, camera]);
  if (!selection)
    return fallback({
      status: records.status === 'ready' ? 'empty' : records.status,
      problem: records.problem,
    });
  return <SelectionContext value={task ?? selection}>{children}</SelectionContext>;
};

const CardProvider = ({ children }: { children: ReactNode }) => {
  const selection = useSelection();
  const draft = useSession((state) => state.draft);
  const turned = useSession(({ frame, stage }) => (frame?.scene === undefined ? undefined : stage?.turned));
  const { kelvin, tint } = turned ?? {};
  const light = useMemo(() => dialledLight(selection, { kelvin, tint }), [selection, kelvin, tint]);
  const numbers = useMemo(() => cardNumbersOf(selection, draft?.data), [selection, draft]);
  const card = useMemo((): Card => {
    const data = draft?.data ?? selection.profile.data;
    const { clipStops, floorStops } = numbers;
    return {
      numbers,
      profile: { name: draft?.name ?? selection.profile.name, data, isDraft: draft !== undefined },
      target: { profile: data, clipStops, floorStops },
      light,
    };
  }, [selection.profile, draft, numbers, light]);
  return <CardContext value={card}>{children}</CardContext>;
};

const JudgementProvider = ({ children }: { children: ReactNode }) => {
  const selection = useSelection();
  const { plan, camera, profile } = selection;
  const { placement } = plan;
  const { coding } = camera;
  const profiles = useRecords((records) => records.profiles);
  const kit = useMemo(
    () => ({ profileIds: camera.profileIds, setId: profile.id, profiles }),
    [camera, profile, profiles],
  );
  const cameras = useRecords((records) => records.cameras);
  const matches = useMemo(() => ({ of: selection, cameras }), [selection, cameras]);
  const { numbers, light } = useCard();
  const [muted] = useMuted();
  // What is measured of moving pictures comes several times a second: the page is drawn for it in slices, so that it
  // never stands still.
  const found = useDeferredValue(useSession(({ measured }) => measured));
  // The frame on the bench is none of a task.
  const isTask = useStore(room, (state) => state.room !== undefined);
  const { measurement, opening } = (isTask ? undefined : found) ?? {};
  const { kind, samples } = useSession((state) => ({ kind: state.frame?.kind, samples: state.samples }));
  const distribution = useMemo(
    () => measurement && distributionOf(measurement, numbers),
    [measurement, numbers],
  );
  const rules = useRules(opening);
  const verdicts = useMemo(
    () =>
      rules && measurement && distribution
        ? rules(measurement, distribution, {
            numbers,
            placement,
            light,
            coding,
            kind,
            kit,
            samples,
            matches,
            muted,
          })
        : [],
    [rules, measurement, distribution, numbers, placement, light, coding, kind, kit, samples, matches, muted],
  );
  const isJudged = rules !== undefined && measurement !== undefined;
  const value = useMemo(
    () => ({ distribution, verdicts, opening, isJudged }),
    [distribution, verdicts, opening, isJudged],
  );
  return <JudgementContext value={value}>{children}</JudgementContext>;
};

const Measuring = () => {
  useMeasuring();
  return null;
};

/** Everything below has the records, the session, what is selected, its card, and what is said of the frame. */
export const BenchOver = ({ services, children, fallback }: Parts & { readonly services: Services }) => (
  <ServicesContext value={services}>
    <SelectionProvider fallback={fallback}>
      <CardProvider>
        <JudgementProvider>
          <Measuring />
          {children}
        </JudgementProvider>
      </CardProvider>
    </SelectionProvider>
  </ServicesContext>
);

/** Opens the records, the workers and the session, and gives them to everything below. */
export const BenchProvider = ({ children, fallback }: Parts) => {
  const services = useServices();
  if (!services) return fallback({ status: 'loading' });
  return (
    <BenchOver services={services} fallback={fallback}>
      {children}
    </BenchOver>
  );
};
