'use client';

import { X } from 'lucide-react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import type { MatchKind } from '#core/match/patches.ts';
import type { MatchMark, SolvedMatch } from '#workers/match/protocol.ts';
import { useMatchBench } from '#ui/bench/match/useMatchBench.ts';
import type { Column } from '#ui/parts/column.ts';
import { DataTable } from '#ui/parts/DataTable.tsx';
import { Folded } from '#ui/parts/Folded.tsx';
import { words } from '#ui/wording/match.ts';
import { KIND_NAMES } from '../matchWords.ts';

const MARKED: readonly MatchKind[] = ['card', 'skin', 'neutral', 'white', 'colour'];

/** What is marked on both, what each is, and what the match leaves of it. */
export const MarkList = ({ marks, solved }: { marks: readonly MatchMark[]; solved?: SolvedMatch }) => {
  const bench = useMatchBench();
  const found = new Map(solved?.match.patches.map((patch) => [patch.name, patch]));
  const columns: readonly Column<MatchMark>[] = [
    { id: 'mark', header: words.mark, cell: ({ name }) => name },
    {
      id: 'kind',
      header: words.kind,
      cell: ({ name, kind }) => (
        <Form.Select
          size="sm"
          aria-label={words.kindOf(name)}
          value={kind}
          onChange={(event) => bench.changeMark(name, { kind: event.target.value as MatchKind })}
        >
          {MARKED.map((one) => (
            <option key={one} value={one}>
              {KIND_NAMES[one]}
            </option>
          ))}
        </Form.Select>
      ),
    },
    {
      id: 'before',
      header: `${words.before} ΔE`,
      className: 'num',
      sortBy: ({ name }) => found.get(name)?.before,
      cell: ({ name }) => found.get(name)?.before.toFixed(1) ?? '–',
    },
    {
      id: 'after',
      header: `${words.after} ΔE`,
      className: 'num',
      sortBy: ({ name }) => found.get(name)?.after,
      cell: ({ name }) => found.get(name)?.after.toFixed(1) ?? '–',
    },
    {
      id: 'remove',
      header: <span className="visually-hidden">{words.remove}</span>,
      cell: ({ name }) => (
        <Button
          variant="bare"
          aria-label={words.removeMark(name)}
          title={words.remove}
          onClick={() => bench.removeMark(name)}
        >
          <X size={16} aria-hidden />
        </Button>
      ),
    },
  ];
  return (
    <Folded title={`${words.marks}: ${marks.length}`}>
      <div className="match-mark-list">
        <DataTable columns={columns} rows={marks} rowKey={({ name }) => name} label={words.marks} />
      </div>
    </Folded>
  );
};
