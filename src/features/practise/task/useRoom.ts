'use client';

import { useLayoutEffect, useMemo, useRef } from 'react';
import { useStore } from 'zustand';
import { drillOf } from '#core/practice/drillList.ts';
import type { Answers, Knob, NumberAsk, Standing, Task } from '#core/practice/types.ts';
import type { PlanRecord } from '#store/records/plan.ts';
import type { SetupRecord } from '#store/records/setup.ts';
import type { Selection } from '#store/selection.ts';
import { useRecords, useSelection } from '#ui/bench/hooks.ts';
import { room } from '#ui/bench/room.ts';
import { words } from '#ui/wording/practise.ts';

/** The set-up that is chosen, also while a task stands in its place. */
export const useHome = (): Selection => {
  const here = useSelection();
  return useStore(room, (state) => state.room?.home) ?? here;
};

/** The answer that is given on the ladder. */
const placeOf = (task: Task): NumberAsk | undefined =>
  task.asks.find((ask): ask is NumberAsk => ask.kind === 'number' && ask.by === 'ladder');

const KNOB_KEYS = ['iris', 'shutter', 'iso', 'ndStops', 'kelvin', 'tint'] as const satisfies readonly Knob[];

/** What is drawn beside the ladder: what must be kept, and, once it was judged, where the tone came to lie. */
const spotsOf = (task: Task, answers: Answers | undefined): SetupRecord['spots'] => {
  const at = (id: string, name: string, value: number) =>
    ({ id, name, role: 'keep', unit: 'stops', value }) as const;
  const ends = task.keep?.map((value, i) =>
    at(`keep-${i}`, i === 0 ? words.darkest : words.brightest, value),
  );
  const placed = task.asks.flatMap((ask) => {
    const answer = answers?.[ask.id];
    return ask.kind === 'number' && ask.unit === 'stops' && ask.by === 'camera' && typeof answer === 'number'
      ? [at(ask.id, words.yours, answer - task.placement)]
      : [];
  });
  return [...(ends ?? []), ...placed];
};

type Given = {
  readonly onTurn: (standing: Standing) => void;
  readonly onPlace: (id: string, placement: number) => void;
  /** What was changed on the card belongs to the task. */
  readonly onKept: () => void;
  /** It was judged: nothing is turned any more. */
  readonly isOver: boolean;
};

/**
 * Card and ladder show the task as long as it is on: its camera, profile and placement, and the camera as it stands.
 * What is turned on the card turns the camera; the card dragged on the ladder is the answer where that is asked. A
 * task that asks for the card's own numbers leaves both alone.
 */
export const useRoom = (
  task: Task,
  standing: Standing | undefined,
  answers: Answers,
  { onTurn, onPlace, onKept, isOver }: Given,
): void => {
  const home = useHome();
  const records = useRecords();
  const place = placeOf(task);
  const placed = place && answers[place.id];
  const placement = typeof placed === 'number' ? placed : task.placement;
  const spots = useMemo(() => spotsOf(task, isOver ? answers : undefined), [task, isOver, answers]);
  const selection = useMemo((): Selection | undefined => {
    const camera = records.cameras.get(task.camera.id);
    const profile = records.profiles.get(task.profileId);
    if (!camera || !profile || (!standing && !place)) return undefined;
    const id = 'practise';
    const plan: PlanRecord = {
      ...home.plan,
      id,
      setupId: id,
      cameraId: camera.id,
      profileId: profile.id,
      placement,
      ...standing,
    };
    const name = task.stage?.scene.name ?? drillOf(task.drill)?.name ?? words.practise;
    return {
      shoot: { ...home.shoot, name: words.practise },
      setup: {
        ...home.setup,
        id,
        name,
        spots,
        subjectIds: [],
        lightIds: [],
        fps: task.stage?.fps ?? home.setup.fps,
      },
      camera,
      profile,
      plan,
      defaults: plan,
      subjects: !task.subject ? [] : [{ ...task.subject, shootId: home.shoot.id }],
      monitors: [],
      problems: [],
    };
  }, [home, records, task, standing, place, placement, spots]);

  const latest = useRef<(fields: Partial<PlanRecord>) => void>(undefined);
  useLayoutEffect(() => {
    latest.current = (fields) => {
      const isPlaced = !isOver && place !== undefined && fields.placement !== undefined;
      const turned = KNOB_KEYS.filter((key) => fields[key] !== undefined && task.stage?.free.includes(key));
      if (isPlaced) onPlace(place.id, fields.placement!);
      else if (!isOver && standing && turned.length > 0)
        onTurn({ ...standing, ...Object.fromEntries(turned.map((key) => [key, fields[key]])) });
      else onKept();
    };
  });
  useLayoutEffect(() => {
    if (!selection) return;
    room.setState({ room: { selection, home, edit: (fields) => latest.current?.(fields) } });
  }, [selection, home]);
  // Before the next task puts itself there.
  useLayoutEffect(() => () => room.setState({ room: undefined }), []);
};
