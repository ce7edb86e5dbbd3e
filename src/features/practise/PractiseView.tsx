'use client';

import { useMemo } from 'react';
import { Empty } from '#ui/parts/Empty.tsx';
import { ScreenParts } from '#ui/parts/ScreenParts.tsx';
import { later } from '#ui/later.tsx';
import { words } from '#ui/wording/practise.ts';
import type { TakeRecord } from '#store/records/take.ts';
import type { PracticeScene } from '#core/practice/world.ts';
import { CourseView } from './course/CourseView.tsx';
import { DrillsView } from './DrillsView.tsx';
import { TodayView } from './TodayView.tsx';
import { useDrills, useGiven, useOwnTakes, useScenes } from './usePractice.ts';
import { useTasks } from './useTasks.ts';

const LessonIntro = later(() => import('./course/LessonIntro.tsx').then((part) => part.LessonIntro));
const RoundView = later(() => import('./RoundView.tsx').then((part) => part.RoundView));
const ProgressView = later(() => import('./ProgressView.tsx').then((part) => part.ProgressView));

const PARTS = {
  today: { name: words.today, View: TodayView },
  course: { name: words.course, View: CourseView },
  drills: { name: words.drills, View: DrillsView },
  progress: { name: words.progress, View: ProgressView },
} as const;

/** The round of the address, with the camera and profile that are chosen above. */
const Round = ({ scenes, takes }: { scenes: readonly PracticeScene[]; takes: readonly TakeRecord[] }) => {
  const [round, setTasks] = useTasks();
  const given = useGiven(scenes, takes);
  const drills = useDrills();
  // A link may ask for takes or a bracket where there are none.
  const tasks = useMemo(
    () => round?.tasks.filter(({ drill }) => drills?.some(({ id }) => id === drill)) ?? [],
    [round, drills],
  );
  if (!round || !drills) return null;
  return (
    <>
      {round.lesson !== null && <LessonIntro id={round.lesson} />}
      <RoundView
        key={round.text}
        tasks={tasks}
        given={given}
        shootId={round.check ?? undefined}
        onLeave={() => setTasks(undefined)}
      />
    </>
  );
};

/** Practise: what is due, every drill, and how one gets on. */
export const PractiseView = () => {
  const [round] = useTasks();
  const { scenes, problem } = useScenes();
  const takes = useOwnTakes();
  return (
    <div className="practise">
      {problem !== undefined && <Empty title={words.notOpened(problem)} />}
      {round && !(scenes && takes) && problem === undefined && <Empty title={words.opening} />}
      {round && scenes && takes && <Round scenes={scenes} takes={takes} />}
      {!round && <ScreenParts of={words.practise} parts={PARTS} first="today" />}
    </div>
  );
};
