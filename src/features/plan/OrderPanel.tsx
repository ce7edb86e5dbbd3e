'use client';

import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import {
  arrayMove,
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { GripVertical } from 'lucide-react';
import Button from 'react-bootstrap/Button';
import type { SetupRecord } from '#store/records/setup.ts';
import { setupsOf } from '#store/selection.ts';
import { reordered } from './dayModel.ts';
import { useBench, useRecords, useSelect, useSelection } from '#ui/bench/hooks.ts';
import { Panel } from '#ui/parts/Panel.tsx';
import { words } from '#ui/wording/plan.ts';

const Row = ({
  setup,
  place,
  current,
  onPick,
}: {
  setup: SetupRecord;
  place: number;
  current: boolean;
  onPick: () => void;
}) => {
  const { attributes, listeners, setNodeRef, transform, transition } = useSortable({ id: setup.id });
  return (
    <li
      ref={setNodeRef}
      className={`order-row${current ? ' taken' : ''}`}
      style={{
        transform: transform ? `translateY(${transform.y}px)` : undefined,
        transition: transition ?? undefined,
      }}
    >
      <Button
        variant="bare"
        className="icon-button"
        aria-label={words.moveNamed(setup.name)}
        {...attributes}
        {...listeners}
      >
        <GripVertical size={16} aria-hidden />
      </Button>
      <span className="num">{place}</span>
      <Button variant="bare" className="row-pick" onClick={onPick}>
        {setup.name} <span className="quiet">{setup.light}</span>
      </Button>
    </li>
  );
};

/** Set-ups in the order of the day: dragged by the handle, or space and arrow keys on it. */
export const OrderPanel = () => {
  const { book } = useBench();
  const selection = useSelection();
  const records = useRecords();
  const select = useSelect();
  const setups = setupsOf(records, selection.shoot.id);
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    if (!over || active.id === over.id) return;
    const ids = setups.map(({ id }) => id);
    const moved = arrayMove(setups, ids.indexOf(String(active.id)), ids.indexOf(String(over.id)));
    void book.edit({ label: words.orderOfTheDay, changes: reordered(setups, moved) });
  };
  return (
    <Panel title={words.orderOfTheDay} note={words.dragOrSpaceAnd}>
      <DndContext id="order" sensors={sensors} collisionDetection={closestCenter} onDragEnd={onDragEnd}>
        <SortableContext items={setups.map(({ id }) => id)} strategy={verticalListSortingStrategy}>
          <ol className="order-list">
            {setups.map((setup, i) => (
              <Row
                key={setup.id}
                setup={setup}
                place={i + 1}
                current={setup.id === selection.setup.id}
                onPick={() => select({ setup: setup.id })}
              />
            ))}
          </ol>
        </SortableContext>
      </DndContext>
    </Panel>
  );
};
