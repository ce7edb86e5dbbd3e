'use client';

import type { ModelStep, Match } from '#core/match/solveMatch.ts';
import type { OperationKind } from '#core/correction/operations.ts';
import type { Column } from '#ui/parts/column.ts';
import { DataTable } from '#ui/parts/DataTable.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { words } from '#ui/wording/match.ts';

const NAMES: { readonly [K in OperationKind]: string } = {
  exposure: words.stepExposure,
  balance: words.stepBalance,
  black: words.stepBlack,
  contrast: words.stepContrast,
  saturation: words.stepSaturation,
  matrix: words.stepMatrix,
};

const takenWords = ({ kind, kept, untried }: ModelStep) =>
  untried
    ? words.tooFew
    : kind === 'exposure' || kind === 'balance'
      ? words.alwaysTaken
      : kept
        ? words.yes
        : words.no;

const columns: readonly Column<ModelStep>[] = [
  { id: 'step', header: words.step, cell: ({ kind }) => NAMES[kind] },
  {
    id: 'before',
    header: `${words.before} ΔE`,
    className: 'num',
    cell: ({ before, untried }) => (untried ? '–' : before.toFixed(1)),
  },
  {
    id: 'after',
    header: `${words.after} ΔE`,
    className: 'num',
    cell: ({ after, untried }) => (untried ? '–' : after.toFixed(1)),
  },
  { id: 'taken', header: words.taken, cell: takenWords },
];

/** What each larger model gains, and which were taken. */
export const ModelSteps = ({ match }: { match: Match }) => (
  <Panel title={words.steps} note={words.stepsNote}>
    <DataTable
      className="figures words"
      columns={columns}
      rows={match.steps}
      rowKey={({ kind }) => kind}
      label={words.steps}
    />
  </Panel>
);
