'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useMemo, useState } from 'react';
import { drillsFor } from '#core/practice/drillList.ts';
import type { Drill, Task } from '#core/practice/types.ts';
import type { PracticeResult } from '#core/practice/result.ts';
import type { PracticeScene, PracticeWorld } from '#core/practice/world.ts';
import { profileOf } from '#core/practice/world.ts';
import { keepPractice, peopleOf, practiceOf } from '#store/practice.ts';
import { latestTakes } from '#store/takes.ts';
import type { TakeRecord } from '#store/records/take.ts';
import type { PracticeRecord } from '#store/records/practice.ts';
import { useBench, useRecords } from '#ui/bench/hooks.ts';
import { useHome } from './task/useRoom.ts';
import { usePerson } from './person.ts';
import { needsMet, practiceScenes, practiceWorld } from './world.ts';

/** The scenes once they are there, or why they are not. */
export const useScenes = (): { readonly scenes?: readonly PracticeScene[]; readonly problem?: string } => {
  const [found, setFound] = useState<{ scenes?: readonly PracticeScene[]; problem?: string }>({});
  useEffect(() => {
    let gone = false;
    practiceScenes().then(
      (scenes) => gone || setFound({ scenes }),
      (error: unknown) => gone || setFound({ problem: String(error) }),
    );
    return () => {
      gone = true;
    };
  }, []);
  return found;
};

/** Takes are looked through so far back. */
const MOST_TAKES = 60;

/** The latest takes of the chosen shoot; undefined while they are read. */
export const useOwnTakes = (): readonly TakeRecord[] | undefined => {
  const { database } = useBench();
  const { id } = useHome().shoot;
  return useLiveQuery(() => latestTakes(database, id, MOST_TAKES).catch(() => []), [database, id]);
};

/** The drills that can be done with what there is of one's own; undefined while the takes are read. */
export const useDrills = (): readonly Drill[] | undefined => {
  const takes = useOwnTakes();
  const profiles = useRecords((records) => records.profiles);
  return useMemo(() => takes && drillsFor(needsMet({ profiles }, takes)), [takes, profiles]);
};

/** What tasks are drawn from, with the camera and profile that are chosen above. */
export const useGiven = (scenes: readonly PracticeScene[], takes: readonly TakeRecord[]) => {
  const records = useRecords();
  const { camera, profile } = useHome();
  return useMemo(() => {
    const world: PracticeWorld = practiceWorld(records, scenes, takes);
    const mine = world.cameras.find(({ id }) => id === camera.id) ?? world.cameras[0];
    return { world, camera: mine, profileId: profileOf(mine, profile.id).id };
  }, [records, scenes, takes, camera, profile]);
};
export type Given = ReturnType<typeof useGiven>;

const NONE: readonly PracticeRecord[] = [];
const NOBODY: readonly string[] = [];

/** What the person at this machine has done, oldest first; undefined while it is read. */
export const useResults = (): readonly PracticeRecord[] | undefined => {
  const { database } = useBench();
  const person = usePerson();
  return useLiveQuery(() => practiceOf(database, person).catch(() => NONE), [database, person]);
};

export const usePeople = (): readonly string[] => {
  const { database } = useBench();
  return useLiveQuery(() => peopleOf(database).catch(() => NOBODY), [database]) ?? NOBODY;
};

/** Keeps a result; gives the reason where that fails. */
export const useKeep = () => {
  const { database } = useBench();
  const person = usePerson();
  return async (
    task: Task,
    result: PracticeResult,
    shootId: string | undefined,
  ): Promise<string | undefined> => {
    const record: PracticeRecord = {
      ...result,
      id: crypto.randomUUID(),
      person,
      camera: task.camera.name,
      profile: profileOf(task.camera, task.profileId).name,
      marks: [...result.marks],
      ...(shootId === undefined ? {} : { shootId }),
    };
    try {
      await keepPractice(database, record);
      return undefined;
    } catch (error) {
      return error instanceof Error ? error.message : String(error);
    }
  };
};
