import type { VerdictState } from '#core/verdict/index.ts';

const STATE_WORDS = { holds: 'holds', watch: 'watch', lost: 'lost' } as const satisfies Record<
  VerdictState,
  string
>;

/** Shape, word and colour: ring = holds, diamond = watch, hatched square = lost. */
export const StateMark = ({ state }: { state: VerdictState }) => (
  <svg
    className={`state state-${state}`}
    viewBox="0 0 16 16"
    width="16"
    height="16"
    role="img"
    aria-label={STATE_WORDS[state]}
  >
    {state === 'holds' && <circle cx="8" cy="8" r="5" />}
    {state === 'watch' && <path d="M8 2.2 L13.8 8 L8 13.8 L2.2 8 Z" />}
    {state === 'lost' && (
      <>
        <rect x="2.5" y="2.5" width="11" height="11" />
        <path d="M2.5 8 L8 2.5 M2.5 13.5 L13.5 2.5 M8 13.5 L13.5 8" />
      </>
    )}
  </svg>
);
