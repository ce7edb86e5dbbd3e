'use client';

import type { RefObject } from 'react';
import Overlay from 'react-bootstrap/Overlay';
import Popover from 'react-bootstrap/Popover';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { useEditPlan, useRecords } from '../bench/hooks.ts';
import { Arithmetic } from '../parts/Arithmetic.tsx';
import { Folded } from '../parts/Folded.tsx';
import type { TermId } from '../help/glossary.ts';
import { Meaning } from '../help/Meaning.tsx';
import { CELL_EDITORS } from './cellEditors.ts';
import type { Cell } from './cells.ts';
import { NumberEditor } from './NumberEditor.tsx';
import type { CellInput } from './reason.ts';
import { REASONS } from './reasons.ts';
import { words } from '#ui/wording/setCardOpened.ts';

/** The word that stands for a cell in the glossary. */
const CELL_TERMS: Readonly<Record<Cell['id'], TermId>> = {
  profile: 'profile',
  iso: 'base',
  kelvin: 'mired',
  shutter: 'shutter',
  iris: 'stop',
  nd: 'nd',
  placement: 'placement',
  card: 'zebra',
  skin: 'skin',
  warning: 'warning',
  monitor: 'pull',
};

const Editor = ({ cell, input }: { cell: Cell; input: CellInput }) => {
  const editPlan = useEditPlan();
  const records = useRecords();
  const { label } = cell;
  const { editor, also } = CELL_EDITORS[cell.id];
  const { plan } = input.selection;
  if (editor.kind === 'computed') return null;
  if (editor.kind === 'number') {
    const numbers = [{ ...editor, label }, ...(also ? [also] : [])];
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

/** What a cell of the card opens: why it holds what it holds, how it is set, and the arithmetic. */
export const CellPopover = ({
  cell,
  input,
  target,
  show,
  isChanged,
  onClose,
}: {
  cell: Cell;
  input: CellInput;
  target: RefObject<HTMLElement | null>;
  show: boolean;
  /** Set by hand: the way back is offered. */
  isChanged: boolean;
  onClose: () => void;
}) => {
  const editPlan = useEditPlan();
  const { defaults } = input.selection;
  const { why, lines } = REASONS[cell.id](input);
  return (
    <Overlay target={target} show={show} placement="bottom" rootClose transition={false} onHide={onClose}>
      <Popover
        className="cell-popover"
        role="dialog"
        aria-label={cell.label}
        onKeyDown={(event) => {
          if (event.key === 'Escape' || event.key === 'Enter') onClose();
        }}
      >
        <Popover.Body>
          <p className="cell-why">{why}</p>
          <Editor cell={cell} input={input} />
          {isChanged && (
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
              {words.backToTheCameras}
            </Button>
          )}
          <Folded className="cell-arithmetic" title={words.whatItMeans}>
            <Meaning id={CELL_TERMS[cell.id]} />
          </Folded>
          <Folded className="cell-arithmetic" title={words.theArithmetic}>
            <Arithmetic lines={lines} />
          </Folded>
        </Popover.Body>
      </Popover>
    </Overlay>
  );
};
