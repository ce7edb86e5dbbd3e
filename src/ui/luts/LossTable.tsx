import { useId, useMemo } from 'react';
import Form from 'react-bootstrap/Form';
import type { Losses } from '#workers/luts/protocol.ts';
import type { Column } from '../parts/column.ts';
import { DataTable } from '../parts/DataTable.tsx';
import { lossRows, lossWord } from './lossModel.ts';
import { words } from '#ui/wording/luts.ts';

type LossRow = ReturnType<typeof lossRows>[number];

const CUBE = 'CIEDE2000 over the cube, read tetrahedrally';
const LOSS_COLUMNS: readonly Column<LossRow>[] = [
  {
    id: 'mean',
    header: words.meanE,
    says: CUBE,
    className: 'num',
    cell: ({ loss }) => loss.mean.toFixed(2),
    sortBy: ({ loss }) => loss.mean,
  },
  {
    id: 'worst',
    header: words.worstE,
    says: CUBE,
    className: 'num',
    cell: ({ loss }) => loss.worst.toFixed(1),
    sortBy: ({ loss }) => loss.worst,
  },
  {
    id: 'grey',
    header: words.greyStop,
    says: words.worstOnTheGrey,
    className: 'num',
    cell: ({ loss }) => loss.stops.toFixed(3),
    sortBy: ({ loss }) => loss.stops,
  },
  { id: 'word', header: words.whoSees, className: 'lut-word', cell: ({ loss }) => lossWord(loss) },
];

/** Measured loss of each size; the picked one is what is written. */
export const LossTable = ({
  losses,
  old,
  size,
  shaped,
  onPick,
}: {
  losses?: Losses;
  old: boolean;
  size: number;
  shaped: boolean;
  onPick: (size: number, shaped: boolean) => void;
}) => {
  const name = useId();
  const columns = useMemo(
    (): readonly Column<LossRow>[] => [
      {
        id: 'points',
        header: words.points,
        cell: (row) => (
          <Form.Check
            type="radio"
            id={`${name}-${row.size}-${row.shaped}`}
            name={name}
            label={`${row.size}${row.shaped ? ' + shaper' : ''}`}
            checked={row.size === size && row.shaped === shaped}
            onChange={() => onPick(row.size, row.shaped)}
          />
        ),
      },
      ...LOSS_COLUMNS,
    ],
    [name, size, shaped, onPick],
  );
  if (!losses) return <p className="quiet">Measuring what 17, 33 and 65 points lose…</p>;
  return (
    <DataTable
      label={words.whatEachSizeLoses}
      className={`figures lut-losses${old ? ' lut-old' : ''}`}
      isBusy={old}
      columns={columns}
      rows={lossRows(losses.baked)}
      rowKey={(row) => `${row.size} ${row.shaped}`}
      rowProps={(row) => ({
        className: row.size === size && row.shaped === shaped ? 'taken' : undefined,
        'data-size': String(row.size),
        'data-shaped': String(row.shaped),
      })}
    />
  );
};
