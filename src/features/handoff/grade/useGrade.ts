'use client';

import { useMemo, useState } from 'react';
import { dequal } from 'dequal';
import type { Grade, GradeRow } from '#core/grade/rows/types.ts';
import { rowsOf } from '#core/grade/start/reading.ts';
import type { Proposal } from '#core/grade/start/types.ts';
import { matchInLight } from '#store/matchOfCamera.ts';
import type { ClipRecord } from '#store/records/clip.ts';
import type { GradeRecord } from '#store/records/grade.ts';
import type { Selection } from '#store/selection.ts';
import { useClips } from '#ui/bench/clips/useClips.ts';
import { correctedRows, FIRST_GRADE, gradeBase, schoolsOf, trimmedRows } from '#ui/bench/grade/gradeModel.ts';
import { useBench, useCard, useEditPlan, useRecords, useSelection, useSession } from '#ui/bench/hooks.ts';
import { lutSpecOf } from '#ui/bench/session/lutShelf.ts';
import { useAnswer } from '#ui/bench/useAnswer.ts';
import { useBrought } from '#ui/bench/useThrough.ts';
import { useSame } from '#ui/useSame.ts';
import type { LutSpec } from '#workers/luts/lutSpec.ts';
import { words } from '#ui/wording/grade.ts';
import { useMarkedFrame } from './useMarkedFrame.ts';

/** Points along an edge of the picture while a slider moves: an eighth of the work. */
export const MOVING_POINTS = 17;

/** The clip of the records that lies on the bench, by its name. */
const clipOnBench = (
  clips: readonly ClipRecord[],
  { camera }: Selection,
  name: string | undefined,
): ClipRecord | undefined => clips.find(({ file, cameraId }) => file.name === name && cameraId === camera.id);

/** Looks of the rows, as the workers are asked for them, once their files are there. */
const useLooks = (rows: readonly GradeRow[]) => {
  const ids = useSame([...new Set(rows.flatMap(({ lut }) => lut ?? []))]);
  const luts = useRecords((book) => book.luts);
  const found = useMemo(() => ids.flatMap((id) => luts.get(id) ?? []), [ids, luts]);
  const { ready, problem } = useBrought(found);
  const looks = useMemo(
    (): { readonly [id: string]: LutSpec } =>
      ready ? Object.fromEntries(found.map((lut) => [lut.id, lutSpecOf(lut)])) : {},
    [found, ready],
  );
  return { looks, problem };
};

/** What is proposed for the picture on the bench. */
const useProposals = (base: Omit<Grade, 'rows'>, record: GradeRecord) => {
  const { session } = useBench();
  const { plan, setup } = useSelection();
  const { serial, marks } = useMarkedFrame();
  const question = {
    ...marks,
    base,
    placement: plan.placement,
    isUnderWater: setup.water !== undefined,
    schools: schoolsOf(record),
  };
  return useAnswer<readonly Proposal[]>({
    key: serial === undefined ? undefined : [serial, question],
    ask: (signal) => session.look.gradeStart(question, { signal }),
  });
};

/**
 * The trial grade of the camera in the set-up at hand: its rows as they are kept, or as they are proposed from the
 * picture on the bench until somebody touches one; moved by sliders and kept when they are let go, one step of undo.
 */
export const useGrade = () => {
  const selection = useSelection();
  const { light } = useCard();
  const { plan } = selection;
  const editPlan = useEditPlan();
  const { clips } = useClips();
  const name = useSession(({ frame }) => frame?.name);
  const clip = clipOnBench(clips, selection, name);
  const record = plan.grade ?? FIRST_GRADE;
  const isKept = plan.grade !== undefined && plan.grade.rows.length > 0;
  const match = clip?.correction?.accepted
    ? clip.correction.correction
    : matchInLight(selection, light.kelvin)?.correction;
  const base = useSame(gradeBase(selection, record, match));
  const { answer: proposals = [], problem: noStart, busy } = useProposals(base, record);
  const [moving, setMoving] = useState<{ readonly planId: string; readonly rows: readonly GradeRow[] }>();
  const stored: readonly GradeRow[] = isKept ? record.rows : rowsOf(proposals);
  const rows = useSame(moving?.planId === plan.id ? moving.rows : stored);
  const { looks, problem: noLook } = useLooks(rows);
  const isCorrected = clip?.correction?.accepted === true;
  const graded = (of: readonly GradeRow[]): Grade => ({
    ...base,
    rows: trimmedRows(correctedRows(of, isCorrected), clip?.trim),
  });
  const grade = useSame(graded(rows));
  const settled = useSame(graded(stored));
  const isMoving = grade !== settled;
  const spec = useMemo((): LutSpec => ({ kind: 'grade', grade: settled, looks }), [settled, looks]);
  const moved = useMemo(
    (): LutSpec => (isMoving ? { kind: 'grade', grade, looks, points: MOVING_POINTS } : spec),
    [isMoving, grade, looks, spec],
  );

  const write = (what: string, next: Partial<GradeRecord>) => {
    setMoving(undefined);
    const now: GradeRecord = { ...record, rows: rows as GradeRecord['rows'], ...next };
    if (!dequal(now, plan.grade)) editPlan(words.gradeEdit(what), { grade: now });
  };
  return {
    planId: plan.id,
    record,
    rows,
    /** As it is kept or proposed; scopes, figures and files are made of it. */
    grade: settled,
    spec,
    /** As a slider moves it, on fewer points: for the picture. */
    moved,
    looks,
    clip,
    isKept,
    busy,
    proposals,
    problem: noStart ?? noLook,
    /** Rows while a slider moves. */
    move: (next: readonly GradeRow[]) => setMoving({ planId: plan.id, rows: next }),
    /** What was moved is kept. */
    settle: (what: string) => {
      if (moving) write(what, {});
    },
    set: (what: string, next: readonly GradeRow[]) => write(what, { rows: next as GradeRecord['rows'] }),
    /** Fields that are not rows; while nothing is kept rows stay proposed. */
    choose: (what: string, fields: Partial<GradeRecord>) =>
      write(what, { ...(isKept ? {} : { rows: [] }), ...fields }),
    /** Every row proposed again. */
    startAgain: () => {
      setMoving(undefined);
      editPlan(words.startAgain, { grade: { ...record, rows: [] } });
    },
  };
};

export type GradeAtHand = ReturnType<typeof useGrade>;
