'use client';

import { useMemo } from 'react';
import { useSelection } from '#ui/bench/hooks.ts';
import { cardRecipe } from '#ui/luts/lutSource.ts';
import { words } from '#ui/wording/grade.ts';
import type { Through } from '#workers/judge/protocol.ts';
import type { LutSpec } from '#workers/luts/lutSpec.ts';
import type { GradeAtHand } from './useGrade.ts';

/** What can be looked at: one picture, or the graded one wiped over that of the set. */
export type Shows = 'wipe' | 'graded' | 'onSet' | 'automatic';

type Named = { readonly through: Through; readonly name: string };
type Pictures = { readonly [P in 'graded' | 'onSet']: Named } & {
  readonly [P in 'automatic' | 'matte']?: Named;
};

/** The pictures of a grade. @param matte The row whose matte is shown */
export const useGradePictures = (
  hand: GradeAtHand,
  automatic: LutSpec | undefined,
  matte: string | undefined,
): Pictures => {
  const selection = useSelection();
  const { output } = hand.grade.recipe;
  return useMemo(() => {
    const recipe = cardRecipe(selection);
    const of = (spec: Through['spec'], out: Through['output']): Through => ({ spec, output: out });
    return {
      graded: { through: of(hand.moved, output), name: words.graded },
      onSet: { through: of({ kind: 'recipe', recipe }, recipe.output), name: words.onSet },
      ...(automatic ? { automatic: { through: of(automatic, output), name: words.automatic } } : {}),
      ...(matte === undefined
        ? {}
        : {
            matte: { through: of({ ...hand.spec, matte } as Through['spec'], 'bt1886'), name: words.matte },
          }),
    };
  }, [selection, hand.spec, hand.moved, output, automatic, matte]);
};

/** Which of them is shown, and which is wiped over it. A matte goes first. */
export const chosen = (
  { graded, onSet, automatic, matte }: Pictures,
  show: Shows,
): { readonly shown: Named; readonly wiped?: Named } => {
  if (matte) return { shown: matte };
  if (show === 'wipe') return { shown: onSet, wiped: graded };
  return { shown: { graded, onSet, automatic: automatic ?? graded }[show] };
};
