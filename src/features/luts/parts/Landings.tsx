import { useMemo } from 'react';
import { printStopsDecimal } from '#core/units.ts';
import type { Column } from '#ui/parts/column.ts';
import { DataTable } from '#ui/parts/DataTable.tsx';
import type { LandingRow } from '../landings.ts';
import { words } from '#ui/wording/lutsParts.ts';

const percent = (v: number) => (100 * v).toFixed(1).replace('-', '−');
const printCandelas = (light: number) => (light < 10 ? light.toFixed(1) : light.toFixed(0));

/** A tone, and where it lands through another LUT where there is one. */
type Landing = LandingRow & { readonly other?: number };

const COLUMNS: readonly Column<Landing>[] = [
  { id: 'tone', header: words.tone, cell: ({ name }) => name },
  { id: 'stops', header: words.stops, className: 'num', cell: ({ stops }) => printStopsDecimal(stops) },
  { id: 'in', header: words.in, className: 'num', cell: (row) => percent(row.in) },
  { id: 'out', header: words.out, className: 'num', cell: (row) => <strong>{percent(row.out)}</strong> },
];
const OTHER: Column<Landing> = {
  id: 'other',
  header: words.other,
  className: 'num',
  cell: ({ other }) => other !== undefined && percent(other),
};
const LIGHT: Column<Landing> = {
  id: 'light',
  header: words.cdM,
  className: 'num',
  cell: ({ light }) => light !== undefined && printCandelas(light),
};

/** Where tones of the recording land: in and out, side by side. */
export const Landings = ({
  rows,
  others,
}: {
  rows: readonly LandingRow[];
  others?: readonly LandingRow[];
}) => {
  const isLit = rows.some(({ light }) => light !== undefined);
  const compares = others !== undefined;
  const columns = useMemo(
    () => [...COLUMNS, ...(compares ? [OTHER] : []), ...(isLit ? [LIGHT] : [])],
    [compares, isLit],
  );
  return (
    <DataTable
      label={words.whereTonesLand}
      className="figures lut-landings"
      columns={columns}
      rows={rows.map((row, i) => ({ ...row, other: others?.[i].out }))}
      rowKey={({ id }) => id}
      rowProps={({ id, out }) => ({
        className: id === 'card' || id.startsWith('skin') ? undefined : 'dim',
        'data-tone': id,
        'data-out': out.toFixed(5),
      })}
    />
  );
};
