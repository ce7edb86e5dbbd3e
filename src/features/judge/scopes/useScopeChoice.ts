'use client';

import type { ScopeId, ScopeScale } from '#core/scopes/scopeList.ts';
import { useJudgeView } from '../useJudgeView.ts';

export type ScopeSlot = 'first' | 'second';

/** What stands in a scope's place, and the ways to change it; all of it stands in the address. */
export const useScopeChoice = (slot: ScopeSlot) => {
  const [look, setLook] = useJudgeView();
  const first = slot === 'first';
  return {
    slot,
    scope: first ? look.scope : look.second,
    scale: first ? look.scale : look.secondScale,
    /** What the scope is made of: `frame`, a column, or a patch by its id. */
    of: look.of,
    isLarge: look.large === slot,
    pickScope: (scope: ScopeId) => void setLook(first ? { scope } : { second: scope }),
    pickScale: (scale: ScopeScale) => void setLook(first ? { scale } : { secondScale: scale }),
    pickOf: (of: string) => void setLook({ of }),
    enlarge: () => void setLook({ large: look.large === slot ? 'picture' : slot }),
  };
};

export type ScopeChoice = ReturnType<typeof useScopeChoice>;
