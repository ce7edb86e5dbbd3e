'use client';

import { dequal } from 'dequal';
import { ChevronDown, ChevronUp } from 'lucide-react';
import { useRef, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { useCard, useSelection } from '../bench/hooks.ts';
import { useWhenIdle } from '../useWhenIdle.ts';
import { CELLS, type Cell } from './cells.ts';
import type { CellInput } from './reason.ts';
import { Chooser } from './Chooser.tsx';
import { later } from '../later.tsx';
import { words } from '#ui/wording/setCard.ts';

const CellPopover = later(() => import('./CellPopover.tsx').then((part) => part.CellPopover));

const CardCell = ({ cell, input }: { cell: Cell; input: CellInput }) => {
  /** Undefined until it was pressed. */
  const [open, setOpen] = useState<boolean>();
  const target = useRef<HTMLButtonElement>(null);
  const { plan, defaults } = input.selection;
  const instead = cell.instead?.(input);
  const note = instead ?? cell.note?.(input);
  const isChanged = cell.owns.some((field) => !dequal(plan[field], defaults[field]));
  const close = () => {
    setOpen(false);
    target.current?.focus();
  };
  return (
    <>
      <Button
        ref={target}
        variant="bare"
        className={`cell${cell.aim ? ' cell-aim' : ''}${open ? ' cell-open' : ''}`}
        data-cell={cell.id}
        aria-haspopup="dialog"
        aria-expanded={open === true}
        onClick={() => setOpen(!open)}
      >
        <span className="cell-label">
          {cell.named?.(input) ?? cell.label}
          {isChanged && <span className="notch" title={words.setByHand} />}
        </span>
        <span className={`cell-value${instead ? ' cell-none' : ''}`}>{cell.print(input)}</span>
        {note && <span className="cell-note">{note}</span>}
      </Button>
      {open !== undefined && (
        <CellPopover
          cell={cell}
          input={input}
          target={target}
          show={open}
          isChanged={isChanged}
          onClose={close}
        />
      )}
    </>
  );
};

/** What to dial in, along the top of every screen. */
export const SetCard = () => {
  const selection = useSelection();
  const { numbers, profile } = useCard();
  useWhenIdle(CellPopover.fetch);
  /** On a small screen it is folded to what is aimed for. */
  const [isOpen, setOpen] = useState(false);
  const input = { selection, numbers, draftName: profile.isDraft ? profile.name : undefined };
  return (
    <section className={`set-card${isOpen ? ' set-card-open' : ''}`} aria-label={words.setCard}>
      <Chooser />
      <div className="set-cells">
        {CELLS.map((cell) => (
          <CardCell key={cell.id} cell={cell} input={input} />
        ))}
      </div>
      <Button
        variant="bare"
        className="card-fold"
        aria-expanded={isOpen}
        aria-label={isOpen ? words.foldTheSetCard : words.wholeSetCard}
        onClick={() => setOpen(!isOpen)}
      >
        {isOpen ? <ChevronUp size={20} aria-hidden="true" /> : <ChevronDown size={20} aria-hidden="true" />}
      </Button>
    </section>
  );
};
