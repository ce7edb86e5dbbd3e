'use client';

import {
  DndContext,
  DragOverlay,
  MouseSensor,
  pointerWithin,
  TouchSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import { useState, type ReactNode } from 'react';
import { useStore } from 'zustand';
import { printInstant } from '#core/day/clock.ts';
import { cameraClockId } from '#store/records/clip.ts';
import type { TakeFacts } from '#store/takeFacts.ts';
import type { ClipLine } from '#ui/bench/clips/clipLines.ts';
import { useCardSurvey } from '#ui/bench/clips/useCardSurvey.ts';
import { useRecords } from '#ui/bench/hooks.ts';
import { words } from '#ui/wording/clips.ts';
import { takesNear } from './takesNear.ts';
import { useNewTake } from './useNewTake.ts';
import { useTakeChoice } from './useTakeChoice.ts';

/** Takes offered while a clip is held, the nearest by the clock. */
const MOST_OFFERED = 24;
const [NO_TAKE, NEW_TAKE] = ['no-take', 'new-take'];

const Target = ({ id, children, says }: { id: string; children: ReactNode; says?: string }) => {
  const { setNodeRef, isOver } = useDroppable({ id });
  return (
    <li ref={setNodeRef} className={`take-target${isOver ? ' is-over' : ''}`} title={says}>
      {children}
    </li>
  );
};

/** The takes that a held clip can be dropped on. */
const TakeTray = ({ line, takes }: { line: ClipLine; takes: readonly TakeFacts[] }) => {
  const { clip, camera } = line;
  const clockId = cameraClockId(clip.shootId, clip.cameraId);
  const byHand = useRecords(({ cameraClocks }) => cameraClocks.get(clockId)?.offset);
  const read = useStore(useCardSurvey(), ({ clocks }) => clocks[clockId]?.[0]?.offset);
  const near = takesNear(clip, takes, { camera, offset: byHand ?? read ?? 0, most: MOST_OFFERED });
  return (
    <div className="take-tray">
      <p>{words.dropOnTake(clip.file.name)}</p>
      <ul>
        {near.map((take) => (
          <Target key={take.id} id={take.id}>
            <b>
              {take.setup} {take.number}
            </b>
            <span className="quiet num"> {printInstant(take.loggedAt)}</span>
          </Target>
        ))}
        <Target id={NO_TAKE}>{words.noTake}</Target>
        {!line.take && <Target id={NEW_TAKE}>{words.newTake}</Target>}
      </ul>
    </div>
  );
};

/** What a clip is held by: its picture. Held, it is dropped on its take; by keys the take is chosen in its column. */
export const ClipHandle = ({ line, children }: { line: ClipLine; children: ReactNode }) => {
  const { setNodeRef, listeners, isDragging } = useDraggable({
    id: line.clip.id,
    data: { line },
    disabled: line.clip.state !== 'surveyed',
  });
  return (
    <span
      ref={setNodeRef}
      {...listeners}
      // The picture itself is not what is dragged.
      onDragStart={(event) => event.preventDefault()}
      className={`clip-handle${isDragging ? ' is-held' : ''}`}
    >
      {children}
    </span>
  );
};

/** Clips that can be dragged to their takes. */
export const ClipDrag = ({ takes, children }: { takes: readonly TakeFacts[]; children: ReactNode }) => {
  const [held, setHeld] = useState<ClipLine>();
  const choose = useTakeChoice();
  const makeTake = useNewTake();
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 6 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 250, tolerance: 6 } }),
  );
  const drop = ({ over }: DragEndEvent) => {
    setHeld(undefined);
    if (!held || !over) return;
    if (over.id === NEW_TAKE) void makeTake(held.clip);
    else void choose(held.clip, over.id === NO_TAKE ? undefined : String(over.id));
  };
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={pointerWithin}
      onDragStart={({ active }) => setHeld(active.data.current?.line as ClipLine | undefined)}
      onDragEnd={drop}
      onDragCancel={() => setHeld(undefined)}
    >
      {children}
      {held && <TakeTray line={held} takes={takes} />}
      <DragOverlay dropAnimation={null} zIndex={1050}>
        {held && <span className="clip-held">{held.clip.file.name}</span>}
      </DragOverlay>
    </DndContext>
  );
};
