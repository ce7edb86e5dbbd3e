import type { ReactNode } from 'react';
import Button from 'react-bootstrap/Button';
import type { Verdict } from '#core/verdict/index.ts';
import { StateMark } from './StateMark.tsx';

/** Sentences with mark, number and what to do; the picked one is open. */
export const VerdictList = ({
  verdicts,
  picked,
  onPick,
  opened,
}: {
  verdicts: readonly Verdict[];
  picked?: string;
  onPick: (id?: string) => void;
  /** What stands under the picked one. */
  opened: (verdict: Verdict) => ReactNode;
}) => (
  <ul className="verdict-list">
    {verdicts.map((verdict) => (
      <li
        key={verdict.id}
        className={picked === verdict.id ? 'picked' : undefined}
        data-verdict={verdict.id}
        data-state={verdict.state}
      >
        <Button
          variant="bare"
          className="verdict-row"
          aria-expanded={picked === verdict.id}
          onClick={() => onPick(picked === verdict.id ? undefined : verdict.id)}
        >
          <StateMark state={verdict.state} />
          <span className="verdict-title">{verdict.title}</span>
          <span className="verdict-figure num">{verdict.figure}</span>
          <span className="verdict-advice">{verdict.advice}</span>
        </Button>
        {picked === verdict.id && opened(verdict)}
      </li>
    ))}
  </ul>
);
