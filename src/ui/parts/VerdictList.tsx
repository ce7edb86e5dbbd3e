import type { ReactNode } from 'react';
import Accordion from 'react-bootstrap/Accordion';
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
  <Accordion
    as="ul"
    bsPrefix="verdict-list"
    activeKey={picked ?? null}
    onSelect={(id) => onPick(typeof id === 'string' ? id : undefined)}
  >
    {verdicts.map((verdict) => (
      <Accordion.Item
        key={verdict.id}
        as="li"
        bsPrefix="verdict"
        eventKey={verdict.id}
        className={picked === verdict.id ? 'picked' : undefined}
        data-verdict={verdict.id}
        data-state={verdict.state}
      >
        <Accordion.Button bsPrefix="verdict-row">
          <StateMark state={verdict.state} />
          <span className="verdict-title">{verdict.title}</span>
          <span className="verdict-figure num">{verdict.figure}</span>
          <span className="verdict-advice">{verdict.advice}</span>
        </Accordion.Button>
        {picked === verdict.id && opened(verdict)}
      </Accordion.Item>
    ))}
  </Accordion>
);
