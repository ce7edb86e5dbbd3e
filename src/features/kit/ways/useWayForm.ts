'use client';

import { useCallback, useEffect, useMemo, useState } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import { UNKNOWN_GAMUT, type GamutSpec } from '#core/colour/gamut.ts';
import { soundSolution, type ProfileData, type ProfileSolution } from '#core/profile/index.ts';
import type { Result } from '#core/result.ts';
import type { Coding } from '#core/signal/scale.ts';
import { resultResolver } from '#ui/forms/resultResolver.ts';
import type { Way } from './way.ts';

type Values = Record<string, unknown>;

/** Fields in two: those that are typed, and papers that are not. */
const splitFields = (way: Way<unknown>, fields: Values): readonly [typed: Values, papers: Values] => {
  const isPaper = ([name]: [string, unknown]) => (way.papers as readonly string[]).includes(name);
  const entries = Object.entries(fields);
  return [
    Object.fromEntries(entries.filter((entry) => !isPaper(entry))),
    Object.fromEntries(entries.filter(isPaper)),
  ];
};

/**
 * The form of a way: an example until something is touched, and solved anew with each change.
 * @param begun the profile in use, which is the example
 */
export const useWayForm = (way: Way<unknown>, begun: ProfileData, coding: Coding) => {
  const [start, startPapers] = useMemo(
    () => splitFields(way, way.start(begun, coding) as Values),
    [way, begun, coding],
  );
  // A new profile takes nobody's gamut over unasked; a trimmed one keeps its own.
  const firstGamut = way.id === 'edit' ? begun.gamut : UNKNOWN_GAMUT;
  const [touchedPapers, setPapers] = useState<Values>();
  const [gamut, setGamut] = useState<GamutSpec>(firstGamut);
  /** What the fields came to last, and on which coding; none until something was touched. */
  const [answer, setAnswer] = useState<{
    readonly coding: Coding;
    readonly solved: Result<ProfileSolution>;
    /** The fields that a failure is about. */
    readonly wrong: readonly string[];
  }>();
  const isTouched = answer !== undefined;
  const papers = touchedPapers ?? startPapers;

  // Solved where the form is checked, once: a bracket takes a tenth of a second.
  const resolver = resultResolver<Values, ProfileSolution>(
    (values) => {
      const solved = soundSolution(way.solve({ ...values, ...papers }, coding, gamut));
      const wrong = solved.ok ? [] : way.fieldsAt(solved.where, { ...values, ...papers });
      setAnswer({ coding, solved, wrong });
      return solved;
    },
    (where, values) => way.fieldsAt(where, { ...values, ...papers }),
  );
  const form = useForm<Values, unknown, ProfileSolution>({
    mode: 'onChange',
    defaultValues: start,
    resolver,
  });
  const { reset, setValue, trigger, clearErrors, setError } = form;
  const typed = useWatch({ control: form.control });

  // What is not typed counts as well: it is solved anew once the change is in place.
  const [changes, setChanges] = useState(0);
  const discard = useCallback(() => {
    reset(start);
    setPapers(undefined);
    setGamut(firstGamut);
    setAnswer(undefined);
    setChanges(0);
  }, [reset, start, firstGamut]);
  useEffect(() => {
    if (!isTouched) reset(start);
  }, [isTouched, reset, start]);
  useEffect(() => {
    if (changes > 0) void trigger();
  }, [changes, trigger]);
  // Readings lean on each other: what one of them mends is no longer wrong with another.
  useEffect(() => {
    if (!answer) return;
    clearErrors();
    if (answer.solved.ok) return;
    const { reason } = answer.solved;
    answer.wrong.forEach((name) => setError(name, { type: 'solve', message: reason }));
  }, [answer, clearErrors, setError]);
  // The camera records another way now: the same numbers mean another curve.
  useEffect(() => {
    if (answer && answer.coding !== coding) void trigger();
  }, [answer, coding, trigger]);

  return {
    form,
    fields: { ...typed, ...papers },
    gamut,
    /** What the fields come to; undefined until something was touched. */
    solved: answer?.solved,
    isTouched,
    example: isTouched ? undefined : begun,
    discard,
    change: (part: Values) => {
      const [fields, more] = splitFields(way, part);
      for (const [name, value] of Object.entries(fields))
        if (!Object.is(value, typed[name])) setValue(name, value, { shouldDirty: true });
      setPapers((before = startPapers) => ({ ...before, ...more }));
      setChanges((count) => count + 1);
    },
    changeGamut: (next: GamutSpec) => {
      setGamut(next);
      setChanges((count) => count + 1);
    },
  };
};
