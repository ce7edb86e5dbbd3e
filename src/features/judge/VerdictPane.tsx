'use client';

import Button from 'react-bootstrap/Button';
import { VERDICT_RULES, summarise, type Verdict } from '#core/verdict/index.ts';
import { useEditPlan, useJudgement, useMuted, useSelection, useSession } from '#ui/bench/hooks.ts';
import { planChange } from '#ui/bench/corrections.ts';
import { Arithmetic } from '#ui/parts/Arithmetic.tsx';
import { Empty } from '#ui/parts/Empty.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { VerdictList } from '#ui/parts/VerdictList.tsx';
import { FrameMeterLine } from './FrameMeterLine.tsx';
import { toolsFor } from './picture/tools.ts';
import { useLog } from '#ui/shell/LogContext.ts';
import { words } from '#ui/wording/judge.ts';

const ruleOf = (id: string) => VERDICT_RULES.find((rule) => rule.id === id);

/** Threshold, arithmetic, and what can be done with a verdict. */
const OpenVerdict = ({ verdict }: { verdict: Verdict }) => {
  const selection = useSelection();
  const editPlan = useEditPlan();
  const [muted, mute] = useMuted();
  const change = verdict.correction && planChange(verdict.correction, selection);
  return (
    <div className="verdict-open">
      <p className="quiet">Threshold: {ruleOf(verdict.id)?.threshold ?? ''}</p>
      <Arithmetic lines={verdict.arithmetic} />
      <div className="verdict-acts">
        {change && (
          <Button variant="outline-secondary" size="sm" onClick={() => editPlan(change.label, change.fields)}>
            Plan: {change.label}
          </Button>
        )}
        <Button variant="outline-secondary" size="sm" onClick={() => mute([...muted, verdict.id])}>
          {words.mute}
        </Button>
      </div>
    </div>
  );
};

/** Sentences with number, place and remedy; picking one shows its place in the picture. */
export const VerdictPane = ({ picked, onPick }: { picked?: string; onPick: (id?: string) => void }) => {
  const { verdicts, opening, isJudged } = useJudgement();
  const [muted, mute] = useMuted();
  const { subjects } = useSelection();
  const { patches, unfound, isOpen } = useSession(({ frame, ...state }) => ({
    patches: state.patches,
    unfound: state.unfound,
    isOpen: frame !== undefined,
  }));
  const missing = unfound.map((id) => toolsFor(subjects).find((tool) => tool.id === id)?.name ?? id);
  const log = useLog();
  const marked = patches.some(({ kind }) => kind === 'card');
  return (
    <Panel
      className="verdicts"
      data-opening={opening}
      title={words.verdict}
      note={isOpen && isJudged ? summarise(verdicts) : undefined}
      tools={
        <Button variant="primary" size="sm" onClick={log}>
          Log take <kbd>L</kbd>
        </Button>
      }
    >
      {!isOpen && (
        <Empty title={words.nothingToJudgeYet}>
          <p className="quiet">Open a frame: verdicts come with number, place and what to do.</p>
        </Empty>
      )}
      {missing.length > 0 && (
        <p className="verdict-hint" role="status">
          Not found again in this picture: {missing.join(', ')}. Drag over{' '}
          {missing.length > 1 ? 'them' : 'it'} once.
        </p>
      )}
      {isOpen && !marked && missing.length === 0 && (
        <p className="verdict-hint">
          Drag over the grey card in the picture: then its placement is judged against the plan.
        </p>
      )}
      <VerdictList
        verdicts={verdicts}
        picked={picked}
        onPick={onPick}
        opened={(verdict) => <OpenVerdict verdict={verdict} />}
      />
      <FrameMeterLine />
      {muted.length > 0 && (
        <p className="verdict-muted quiet">
          Muted: {muted.map((id) => ruleOf(id)?.name ?? id).join(', ')}.{' '}
          <Button variant="link" size="sm" onClick={() => mute([])}>
            {words.unmuteAll}
          </Button>
        </p>
      )}
    </Panel>
  );
};
