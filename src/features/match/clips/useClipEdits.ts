'use client';

import { useState } from 'react';
import { nudged, pasted, type Nudge } from '#core/match/clipCorrection.ts';
import type { Correction, OperationKind } from '#core/correction/operations.ts';
import type { ClipCorrection } from '#store/records/clip.ts';
import { useBench, useRecords, useSelection } from '#ui/bench/hooks.ts';
import { driftOf, type ClipStanding, type ClipToHero } from '#ui/bench/match/clipMatches.ts';
import { setupsOf } from '#store/selection.ts';

/** A clip with what stands for it. */
export type ClipRow = ClipToHero & { readonly standing?: ClipStanding };

const correctionFor = (
  { line: { clip }, hero, standing }: ClipRow,
  fields: Partial<ClipCorrection>,
): ClipCorrection => {
  const drift = driftOf(clip);
  return {
    correction: standing!.correction!,
    by: standing!.by!,
    heroId: hero.clip.id,
    residual: standing!.after,
    ...(drift ? { drift } : {}),
    accepted: standing!.accepted,
    ...fields,
  };
};

/** Everything that is done to corrections of clips, each a step of undo. */
export const useClipEdits = (rows: readonly ClipRow[]) => {
  const { book } = useBench();
  const { shoot } = useSelection();
  const records = useRecords();
  const [copied, setCopied] = useState<Correction>();
  const write = (label: string, of: readonly ClipRow[], next: (row: ClipRow) => Partial<ClipCorrection>) => {
    const changes = of.flatMap((row) =>
      row.standing?.correction
        ? [
            {
              table: 'clips' as const,
              id: row.line.clip.id,
              before: row.line.clip,
              after: { ...row.line.clip, correction: correctionFor(row, next(row)) },
            },
          ]
        : [],
    );
    if (changes.length > 0) void book.edit({ label, changes });
  };
  const set = (label: string, of: readonly ClipRow[], to: (row: ClipRow) => Correction) =>
    write(label, of, (row) => ({ correction: to(row), by: 'hand', accepted: true }));
  return {
    copied,
    copy: ({ standing }: ClipRow) => setCopied(standing?.correction),
    accept: (row: ClipRow) => write('Accept a correction', [row], () => ({ accepted: true })),
    acceptAll: () =>
      write(
        'Accept the corrections',
        rows.filter(({ line, isHero }) => !isHero && !line.clip.onPurpose),
        () => ({ accepted: true }),
      ),
    nudge: (row: ClipRow, by: Nudge) =>
      set('Nudge a correction', [row], ({ standing, pair }) =>
        nudged(standing!.correction!, by, pair!.space.dial),
      ),
    paste: (row: ClipRow, kinds?: readonly OperationKind[]) => {
      if (!copied) return;
      set('Paste a correction', [row], ({ standing }) =>
        kinds ? pasted(standing!.correction!, copied, kinds) : copied,
      );
    },
    giveToRest: (row: ClipRow) => {
      const correction = row.standing?.correction;
      if (!correction) return;
      const rest = rows.filter(
        (other) =>
          other.hero.clip.id === row.hero.clip.id &&
          other.line.clip.id !== row.line.clip.id &&
          other.line.clip.cameraId === row.line.clip.cameraId &&
          !other.line.clip.onPurpose,
      );
      set('Give a correction to the set-up', [row, ...rest], () => correction);
    },
    backToSolved: ({ line }: ClipRow) =>
      void book.patch('Take back a correction', 'clips', line.clip.id, { correction: undefined }),
    onPurpose: ({ line: { clip } }: ClipRow) =>
      void book.patch(clip.onPurpose ? 'Bring to the hero again' : 'Differs on purpose', 'clips', clip.id, {
        onPurpose: clip.onPurpose ? undefined : true,
      }),
    chooseHero: ({ line }: ClipRow) => {
      const setup = setupsOf(records, shoot.id).find(({ name }) => name === line.setup);
      if (!setup) return;
      const after = { ...setup, heroClipId: line.clip.id, heroTakeId: undefined };
      void book.edit({
        label: 'Choose the hero',
        changes: [{ table: 'setups', id: setup.id, before: setup, after }],
      });
    },
  };
};

export type ClipEdits = ReturnType<typeof useClipEdits>;
