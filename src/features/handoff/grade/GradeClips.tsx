'use client';

import * as z from 'zod/mini';
import { useClips } from '#ui/bench/clips/useClips.ts';
import { useBench, useSelection } from '#ui/bench/hooks.ts';
import { useTakeIndex } from '#ui/bench/useTakeIndex.ts';
import type { ClipRecord } from '#store/records/clip.ts';
import { NumberField } from '#ui/forms/NumberField.tsx';
import type { Column } from '#ui/parts/column.ts';
import { DataTable } from '#ui/parts/DataTable.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { words } from '#ui/wording/grade.ts';
import { printSigned } from '#core/units.ts';
import type { GradeAtHand } from './useGrade.ts';

const NONE = { stops: 0, mired: 0 };
type Moved = keyof typeof NONE;

const within = (most: number) => z.number().check(z.minimum(-most), z.maximum(most));
/** What moves for one clip alone. A further one is a row. */
const FIELDS = {
  stops: {
    name: words.exposure,
    of: words.exposureOf,
    rule: { schema: within(6), says: words.typeStops },
    step: 1 / 12,
    digits: 2,
  },
  mired: {
    name: words.warmth,
    of: words.warmthOf,
    rule: { schema: within(400), says: words.typeMired },
    step: 1,
    digits: 0,
  },
} as const;

const columnOf = (id: Moved, set: (clip: ClipRecord, v: number) => void): Column<ClipRecord> => {
  const { name, of, rule, step, digits } = FIELDS[id];
  return {
    id,
    header: name,
    cell: (clip) => (
      <NumberField
        label={of(clip.file.name)}
        isInline
        size="sm"
        rule={rule}
        step={step}
        print={(v) => (v === 0 ? '0' : printSigned(v, digits))}
        value={clip.trim?.[id] ?? 0}
        onSet={(v) => set(clip, v)}
      />
    ),
  };
};

/** Clips of this camera in this set-up: all begin with the set-up's rows, two numbers move for each alone. */
export const GradeClips = ({ hand }: { hand: GradeAtHand }) => {
  const { book } = useBench();
  const { setup, camera } = useSelection();
  const { clips } = useClips();
  const { facts } = useTakeIndex();
  const here = new Set(facts.filter((take) => take.setup === setup.name).map(({ id }) => id));
  const own = clips.filter(({ cameraId, take }) => cameraId === camera.id && here.has(take?.id ?? ''));
  const set =
    (field: Moved) =>
    ({ id, file, trim = NONE }: ClipRecord, v: number) =>
      void book.patch(words.trimOf(file.name.slice(0, 60)), 'clips', id, { trim: { ...trim, [field]: v } });
  const columns: readonly Column<ClipRecord>[] = [
    {
      id: 'clip',
      header: words.clip,
      cell: ({ id, file }) => (
        <>
          {file.name}
          {hand.clip?.id === id && <small className="quiet"> {words.onBench}</small>}
        </>
      ),
    },
    columnOf('stops', set('stops')),
    columnOf('mired', set('mired')),
  ];
  return (
    <Panel title={words.clips}>
      <p className="quiet">{own.length > 0 ? words.clipsSay : words.noClips}</p>
      {own.length > 0 && (
        <DataTable label={words.clips} columns={columns} rows={own} rowKey={({ id }) => id} />
      )}
    </Panel>
  );
};
