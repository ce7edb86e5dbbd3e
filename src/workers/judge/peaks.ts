import type { ScopeCounts } from '#core/scopes/drawScope.ts';
import type { ScopeId } from '#core/scopes/scopeList.ts';

type Counts = Uint16Array | Uint32Array;

/** Keeps the most that each level was seen at, by pane and scope, until it is forgotten. */
export const createPeaks = () => {
  const kept = new Map<string, Counts>();
  const keyOf = (pane: string, scope: ScopeId, part: string) => `${pane} ${scope} ${part}`;

  const raised = <T extends Counts>(key: string, counts: T): T => {
    const before = kept.get(key);
    if (!before || before.length !== counts.length) {
      const fresh = counts.slice() as T;
      kept.set(key, fresh);
      return fresh;
    }
    for (let i = 0; i < counts.length; i += 1) if (counts[i] > before[i]) before[i] = counts[i];
    return before as T;
  };

  return {
    over: (pane: string, scope: ScopeId, { waveform, histogram, vectorscope }: ScopeCounts): ScopeCounts => ({
      waveform: (plane, columns) => {
        const now = waveform(plane, columns);
        return { ...now, counts: raised(keyOf(pane, scope, `wave ${plane}`), now.counts) };
      },
      histogram: (plane) => raised(keyOf(pane, scope, `histogram ${plane}`), histogram(plane)),
      vectorscope: () => {
        const now = vectorscope();
        return { ...now, counts: raised(keyOf(pane, scope, 'colour'), now.counts) };
      },
    }),
    forget: (pane: string) => {
      for (const key of kept.keys()) if (key.startsWith(`${pane} `)) kept.delete(key);
    },
  };
};
