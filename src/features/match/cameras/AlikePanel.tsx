'use client';

import { alikeRows, type AlikeRow, type AlikeState } from '#core/match/alike.ts';
import type { VerdictState } from '#core/verdict/types.ts';
import { roomCamera } from '#ui/bench/roomCamera.ts';
import type { Column } from '#ui/parts/column.ts';
import { DataTable } from '#ui/parts/DataTable.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { StateMark } from '#ui/parts/StateMark.tsx';
import { words } from '#ui/wording/match.ts';
import type { MatchPair } from './useMatchPair.ts';

const MARKS = { same: 'holds', may: 'holds', look: 'watch', differs: 'lost' } as const satisfies Record<
  AlikeState,
  VerdictState
>;

const columnsFor = (camera: string, hero: string): readonly Column<AlikeRow>[] => [
  {
    id: 'what',
    header: words.setting,
    cell: ({ name, state, says }) => (
      <>
        <StateMark state={MARKS[state]} /> {name}
        <span className="quiet match-says">{says}</span>
      </>
    ),
  },
  { id: 'camera', header: camera, className: 'num', cell: (row) => row.camera },
  { id: 'hero', header: hero, className: 'num', cell: (row) => row.hero },
];

/** What both cameras must have in common before anything is matched, as they are planned. */
export const AlikePanel = ({ pair: { selections } }: { pair: MatchPair }) => {
  const { camera, hero } = selections;
  const rows = alikeRows(roomCamera(camera), roomCamera(hero), hero.setup.fps);
  const off = rows.filter(({ state }) => state === 'differs').length;
  return (
    <Panel title={words.alike} note={off === 0 ? words.alikeAll : words.alikeOff(off)}>
      <DataTable
        className="figures words"
        columns={columnsFor(camera.camera.name, hero.camera.name)}
        rows={rows}
        rowKey={({ id }) => id}
        label={words.alike}
      />
    </Panel>
  );
};
