'use client';

import { dequal } from 'dequal';
import { useRef, useState } from 'react';
import Overlay from 'react-bootstrap/Overlay';
import Popover from 'react-bootstrap/Popover';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { useCard, useEditPlan, useRecords, useSelection } from '../bench/hooks.ts';
import { Arithmetic } from '../parts/Arithmetic.tsx';
import { Folded } from '../parts/Folded.tsx';
import { CELLS, type Cell } from './cells.tsx';
import { REASONS, type CellInput } from './reasons.ts';
import { Chooser } from './Chooser.tsx';
import { NumberEditor } from './NumberEditor.tsx';

const Editor = ({ cell, input }: { cell: Cell; input: CellInput }) => {
  const editPlan = useEditPlan();
  const records = useRecords();
  const { editor, label } = cell;
  const { plan } = input.selection;
  if (editor.kind === 'computed') return null;
  if (editor.kind === 'number') {
    const numbers = [{ ...editor, label }, ...(cell.also ? [cell.also] : [])];
    return numbers.map((number, i) => (
      <NumberEditor
        key={number.label}
        label={number.label}
        unit={number.unit}
        value={number.current(plan)}
        first={i === 0}
        {...number.limits(input)}
        onSet={(value) => editPlan(`${number.label} ${value}`, number.fields(value))}
      />
    ));
  }
  const choices = editor.choices(input, records);
  return (
    <Form.Select
      className="cell-choices"
      aria-label={label}
      htmlSize={Math.min(8, Math.max(2, choices.length))}
      value={editor.current(plan)}
      autoFocus
      onChange={(event) => {
        const choice = choices.find(({ value }) => value === event.target.value);
        editPlan(`${label} ${choice?.name ?? ''}`.trim(), editor.fields(event.target.value, input, records));
      }}
    >
      {choices.map(({ value, name }) => (
        <option key={value} value={value}>
          {name}
        </option>
      ))}
    </Form.Select>
  );
};

const CardCell = ({ cell, input }: { cell: Cell; input: CellInput }) => {
  const editPlan = useEditPlan();
  const [open, setOpen] = useState(false);
  const target = useRef<HTMLButtonElement>(null);
  const { plan, defaults } = input.selection;
  const changed = cell.owns.some((field) => !dequal(plan[field], defaults[field]));
  const { why, lines } = REASONS[cell.id](input);
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
        aria-expanded={open}
        onClick={() => setOpen(!open)}
      >
        <span className="cell-label">
          {cell.named?.(input) ?? cell.label}
          {changed && <span className="notch" title="Set by hand" />}
        </span>
        <span className="cell-value">{cell.print(input)}</span>
      </Button>
      <Overlay target={target} show={open} placement="bottom" rootClose transition={false} onHide={close}>
        <Popover
          className="cell-popover"
          role="dialog"
          aria-label={cell.label}
          onKeyDown={(event) => {
            if (event.key === 'Escape' || event.key === 'Enter') close();
          }}
        >
          <Popover.Body>
            <p className="cell-why">{why}</p>
            <Editor cell={cell} input={input} />
            {changed && (
              <Button
                variant="outline-secondary"
                size="sm"
                className="mt-2"
                onClick={() =>
                  editPlan(
                    `${cell.label} back to start`,
                    Object.fromEntries(cell.owns.map((field) => [field, defaults[field]])),
                  )
                }
              >
                Back to the camera’s start value
              </Button>
            )}
            <Folded className="cell-arithmetic" title="The arithmetic">
              <Arithmetic lines={lines} />
            </Folded>
          </Popover.Body>
        </Popover>
      </Overlay>
    </>
  );
};

/** What to dial in, along the top of every screen. */
export const SetCard = () => {
  const selection = useSelection();
  const { numbers, profile } = useCard();
  const input = { selection, numbers, draftName: profile.isDraft ? profile.name : undefined };
  return (
    <header className="set-card" aria-label="Set card">
      <Chooser />
      <div className="set-cells">
        {CELLS.map((cell) => (
          <CardCell key={cell.id} cell={cell} input={input} />
        ))}
      </div>
    </header>
  );
};
