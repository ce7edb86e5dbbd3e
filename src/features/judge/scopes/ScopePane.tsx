'use client';

import { Maximize2, Minimize2 } from 'lucide-react';
import type { ReactNode } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { SCOPE_IDS, SCOPES, type ScopeId } from '#core/scopes/scopeList.ts';
import { ScaleChoice } from './ScaleChoice.tsx';
import { ScopeScreen } from './ScopeScreen.tsx';
import { ScopeSettings } from './ScopeSettings.tsx';
import { useScopeChoice, type ScopeChoice, type ScopeSlot } from './useScopeChoice.ts';
import { useScopeDrawing } from './useScopeDrawing.ts';
import { words } from '#ui/wording/judgeScopes.ts';

const ScopePicker = ({ slot, scope, pickScope }: ScopeChoice) => (
  <Form.Select
    size="sm"
    className="scope-pick"
    aria-label={words.scope(slot === 'first' ? 'First' : 'Second')}
    title={SCOPES[scope].says}
    value={scope}
    onChange={(event) => pickScope(event.target.value as ScopeId)}
  >
    {SCOPE_IDS.map((id) => (
      <option key={id} value={id}>
        {SCOPES[id].name}
      </option>
    ))}
  </Form.Select>
);

const EnlargeButton = ({ isLarge, enlarge }: ScopeChoice) => (
  <Button
    variant="outline-secondary"
    size="sm"
    className="icon-button"
    aria-label={isLarge ? words.backToItsPlace : words.large}
    title={isLarge ? words.backToItsPlace : words.changePlacesWithThe}
    aria-pressed={isLarge}
    onClick={enlarge}
  >
    {isLarge ? <Minimize2 size={14} aria-hidden /> : <Maximize2 size={14} aria-hidden />}
  </Button>
);

/** A scope that can be changed for another, read off, and made large. */
export const ScopePane = ({
  slot,
  lead,
}: {
  slot: ScopeSlot;
  /** Stands before the name: the way to what else may be in this place. */
  lead?: ReactNode;
}) => {
  const choice = useScopeChoice(slot);
  const drawing = useScopeDrawing(choice);
  const { scope, of, isLarge } = choice;
  const axis = SCOPES[scope].plane === 'chroma' ? 'Cb, Cr' : drawing.axis.name;
  return (
    <section className={`panel scope scope-${slot}${isLarge ? ' scope-large' : ''}`} data-scope={scope}>
      <header className="panel-head">
        {lead}
        <ScopePicker {...choice} />
        {slot === 'first' && (
          <span className="quiet scope-note">
            {axis}
            {of === 'frame' ? '' : ', part'}
          </span>
        )}
        <div className="panel-tools">
          {slot === 'first' && <ScaleChoice {...choice} />}
          <ScopeSettings choice={choice} drawing={drawing} />
          <EnlargeButton {...choice} />
        </div>
      </header>
      <div className="panel-body">
        <ScopeScreen choice={choice} drawing={drawing} />
      </div>
    </section>
  );
};
