'use client';

import { X } from 'lucide-react';
import Button from 'react-bootstrap/Button';
import { panelStep, type PanelControl } from '#store/records/panel.ts';
import { NumberField } from '#ui/forms/NumberField.tsx';
import type { NumberRule } from '#ui/forms/numberText.ts';
import type { Column } from '#ui/parts/column.ts';
import { DataTable } from '#ui/parts/DataTable.tsx';
import { TableScroll } from '#ui/parts/TableScroll.tsx';
import { words } from '#ui/wording/match.ts';
import { characterWords, responseWords } from './panelModel.ts';

/** A whole step of a panel, as the store has it. */
const STEP: NumberRule = { schema: panelStep, says: words.stepRule };

/** The controls of a panel: where they stand, how far they go, what a step of them does. */
export const ControlList = ({
  panel,
  canLearn,
  onChange,
  onRemove,
  onLearn,
}: {
  panel: readonly PanelControl[];
  /** The marks are read: what a turn does can be seen. */
  canLearn: boolean;
  onChange: (id: string, fields: Partial<PanelControl>) => void;
  onRemove: (id: string) => void;
  onLearn: (control: PanelControl) => void;
}) => {
  const field = (label: string, control: PanelControl, key: 'at' | 'low' | 'high') => (
    <NumberField
      isInline
      size="sm"
      className="panel-step"
      label={label}
      rule={STEP}
      value={control[key]}
      onSet={(value) => onChange(control.id, { [key]: value })}
    />
  );
  const columns: readonly Column<PanelControl>[] = [
    { id: 'name', header: words.panelControl, cell: ({ name }) => name },
    { id: 'at', header: words.standsAt, cell: (one) => field(words.standsAtOf(one.name), one, 'at') },
    {
      id: 'range',
      header: words.fromTo,
      cell: (one) => (
        <span className="panel-range">
          {field(words.lowOf(one.name), one, 'low')}
          {field(words.highOf(one.name), one, 'high')}
        </span>
      ),
    },
    {
      id: 'does',
      header: words.aStep,
      className: 'words',
      cell: ({ response }) =>
        response ? (
          <>
            {responseWords(response)} <span className="quiet">{characterWords(response)}</span>
          </>
        ) : (
          <span className="quiet">{words.notLearnt}</span>
        ),
    },
    {
      id: 'tools',
      header: <span className="visually-hidden">{words.learn}</span>,
      cell: (one) => (
        <span className="panel-tools">
          <Button
            size="sm"
            variant="outline-secondary"
            disabled={!canLearn}
            aria-label={words.learnOf(one.name)}
            onClick={() => onLearn(one)}
          >
            {words.learn}
          </Button>
          <Button
            size="sm"
            variant="bare"
            aria-label={words.removeControl(one.name)}
            onClick={() => onRemove(one.id)}
          >
            <X size={14} aria-hidden="true" />
          </Button>
        </span>
      ),
    },
  ];
  return (
    <TableScroll label={words.ownPanel}>
      <DataTable
        className="figures"
        label={words.ownPanel}
        columns={columns}
        rows={panel}
        rowKey={({ id }) => id}
      />
    </TableScroll>
  );
};
