'use client';

import { useSearchParams } from 'next/navigation';
import { parseAsArrayOf, parseAsString, useQueryState, useQueryStates } from 'nuqs';
import { createContext, use, useCallback, useMemo } from 'react';
import { useStore } from 'zustand';
import { useShallow } from 'zustand/react/shallow';
import type { Temperature } from '#core/colour/temperature.ts';
import type { SetCardNumbers } from '#core/exposure/setCard.ts';
import type { ProfileData } from '#core/profile/index.ts';
import type { Distribution } from '#core/scopes/distribution.ts';
import type { Verdict } from '#core/verdict/index.ts';
import type { BookState } from '#store/book.ts';
import { kitOfShoot } from '#store/kitOfShoot.ts';
import { planChange, type PlanRecord } from '#store/records/plan.ts';
import type { ProfileRecord } from '#store/records/profile.ts';
import type { Selection } from '#store/selection.ts';
import { linkedFields } from './benchModel.ts';
import { room } from './room.ts';
import type { Services } from './services.ts';
import type { MeasureTarget, SessionState } from './session/state.ts';

/** The card for what is selected, and the profile it goes by: the plan's, or one that is being solved. */
export type Card = {
  readonly numbers: SetCardNumbers;
  readonly profile: { readonly name: string; readonly data: ProfileData; readonly isDraft: boolean };
  /** What a frame is measured against. */
  readonly target: MeasureTarget;
  /** The light that the camera renders neutral as it is dialled, lean taken in. */
  readonly light: Temperature;
};

/** What is said of the frame on the bench. */
export type Judgement = {
  readonly distribution?: Distribution;
  readonly verdicts: readonly Verdict[];
  /** Number of the opened source that the verdicts are about. */
  readonly opening?: number;
  /** Measured, and the rules were heard: until then nothing holds and nothing is lost. */
  readonly isJudged: boolean;
};

export const ServicesContext = createContext<Services | undefined>(undefined);
export const SelectionContext = createContext<Selection | undefined>(undefined);
export const CardContext = createContext<Card | undefined>(undefined);
export const JudgementContext = createContext<Judgement | undefined>(undefined);

const inside = <T>(value: T | undefined): T => {
  if (value === undefined) throw new TypeError('the bench is used outside BenchProvider');
  return value;
};

/** Records, workers and session of this window; never a reason to draw anew. */
export const useBench = (): Services => inside(use(ServicesContext));

/** Part of what is on the bench; draws anew when that part changes. */
export const useSession = <T>(part: (state: SessionState) => T): T =>
  useStore(useBench().session, useShallow(part));

/** Part of the records, as the shoot at hand sees them: nothing of the demo's kit in one's own; without one all. */
export const useRecords = <T = BookState>(part: (state: BookState) => T = (all) => all as T): T => {
  const shoot = use(SelectionContext)?.shoot;
  return useStore(useBench().book, (all) => part(shoot ? kitOfShoot(all, shoot) : all));
};

/** Shoot, set-up, camera and plan that the address names. */
export const useSelection = (): Selection => inside(use(SelectionContext));
export const useCard = (): Card => inside(use(CardContext));
export const useJudgement = (): Judgement => inside(use(JudgementContext));

/** A second profile, to be drawn beside the one in use. */
export const useComparedProfile = (): ProfileRecord | undefined => {
  const id = useSession(({ comparedId }) => comparedId);
  return useRecords(({ profiles }) => (id === undefined ? undefined : profiles.get(id)));
};

// What the address keeps, and every step of the work with it.
const urlKeys = { shoot: parseAsString, setup: parseAsString, camera: parseAsString };
const NO_RULES = parseAsArrayOf(parseAsString).withDefault([]);

/** The ids in the address. */
export const useUrlIds = () => useQueryStates(urlKeys, { history: 'push' });

/** Rules of the verdicts that are silent, and the way to change that. */
export const useMuted = (): readonly [readonly string[], (ids: readonly string[]) => void] => {
  const [muted, setMuted] = useQueryState('mute', NO_RULES);
  const mute = useCallback((ids: readonly string[]) => void setMuted([...ids]), [setMuted]);
  return [muted, mute];
};

/** Chooses another shoot, set-up or camera. */
export const useSelect = () => {
  const [, setUrl] = useUrlIds();
  const { shoot, setup } = useSelection();
  return useCallback(
    (ids: { readonly shoot?: string; readonly setup?: string; readonly camera?: string }) =>
      void setUrl({
        shoot: ids.shoot ?? shoot.id,
        setup: ids.setup ?? (ids.shoot ? null : setup.id),
        camera: ids.camera ?? null,
      }),
    [setUrl, shoot.id, setup.id],
  );
};

/** The address of another step of the work, with everything that the address keeps. */
export const useHrefTo = (): ((path: string, part?: string) => string) => {
  const { shoot, setup, camera } = useSelection();
  const search = useSearchParams();
  return useMemo(() => {
    const kept = new URLSearchParams(search.toString());
    kept.set('shoot', shoot.id);
    kept.set('setup', setup.id);
    kept.set('camera', camera.id);
    return (path, part) => {
      if (part === undefined) return `${path}?${kept.toString()}`;
      const there = new URLSearchParams(kept);
      there.set('part', part);
      return `${path}?${there.toString()}`;
    };
  }, [search, shoot.id, setup.id, camera.id]);
};

/** Changes fields of the plan; shows at once, undone as one step. */
export const useEditPlan = () => {
  const { book } = useBench();
  const selection = useSelection();
  return useCallback(
    (label: string, fields: Partial<PlanRecord>) => {
      const task = room.getState().room;
      if (task) {
        task.edit(fields);
        return;
      }
      const plan = book.getState().plans.get(selection.plan.id) ?? selection.plan;
      void book.edit({ label, changes: [planChange(plan, linkedFields({ ...selection, plan }, fields))] });
    },
    [book, selection],
  );
};
