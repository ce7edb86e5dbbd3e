'use client';

import { Trash2 } from 'lucide-react';
import Button from 'react-bootstrap/Button';
import type { InterpolatedCorrection } from '#core/correction/interpolate.ts';
import type { CameraMatch } from '#store/records/camera.ts';
import { matchInLight } from '#store/matchOfCamera.ts';
import { outsideWords } from '#ui/bench/match/outsideWords.ts';
import { correctionWords } from '#ui/bench/match/correctionWords.ts';
import { useBench } from '#ui/bench/hooks.ts';
import { printKelvin } from '#ui/format.ts';
import type { Column } from '#ui/parts/column.ts';
import { DataTable } from '#ui/parts/DataTable.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { words } from '#ui/wording/match.ts';
import type { MatchPair } from './useMatchPair.ts';

/** Which of what is kept is used in the light at hand. */
const usedWords = (here: InterpolatedCorrection | undefined): string => {
  if (!here) return words.noneKept;
  const [first, second] = here.from.map(printKelvin);
  const far = outsideWords(here);
  if (far !== undefined) return far;
  const does = correctionWords(here.correction).join(', ');
  return second === undefined ? words.usedHere(does) : words.mixedHere(first, second, does);
};

/** What is kept for this camera and hero, a light each, and what holds in the light at hand. */
export const KeptMatches = ({ pair }: { pair: MatchPair }) => {
  const { book } = useBench();
  const { camera, profile } = pair.selections.camera;
  const heroId = pair.selections.hero.camera.id;
  const own = (camera.matches ?? []).filter(
    (match) => match.heroCameraId === heroId && match.profileId === profile.id,
  );
  const remove = (id: string) =>
    void book.edit({
      label: 'Remove a match',
      changes: [
        {
          table: 'cameras',
          id: camera.id,
          before: camera,
          after: { ...camera, matches: (camera.matches ?? []).filter((match) => match.id !== id) },
        },
      ],
    });
  const columns: readonly Column<CameraMatch>[] = [
    { id: 'light', header: words.light, className: 'num', cell: ({ kelvin }) => printKelvin(kelvin) },
    { id: 'does', header: words.edit, cell: ({ correction }) => correctionWords(correction).join(', ') },
    {
      id: 'left',
      header: `${words.mean} ΔE`,
      className: 'num',
      cell: ({ mean }) => mean.toFixed(1),
    },
    { id: 'patches', header: words.patches, className: 'num', cell: ({ patches }) => patches },
    { id: 'date', header: words.solvedOn, className: 'num', cell: ({ solvedOn }) => solvedOn },
    {
      id: 'remove',
      header: <span className="visually-hidden">{words.remove}</span>,
      cell: ({ id, kelvin }) => (
        <Button
          variant="bare"
          aria-label={words.removeMark(printKelvin(kelvin))}
          title={words.remove}
          onClick={() => remove(id)}
        >
          <Trash2 size={16} aria-hidden />
        </Button>
      ),
    },
  ];
  const found = matchInLight(pair.selections.camera, pair.kelvin);
  const here = found?.heroCameraId === heroId ? found : undefined;
  const isFar = here !== undefined && outsideWords(here) !== undefined;
  return (
    <Panel title={words.keptMatches}>
      <p className={isFar ? 'field-error' : 'quiet'}>{usedWords(here)}</p>
      {own.length > 0 && (
        <DataTable
          className="figures words"
          columns={columns}
          rows={own}
          rowKey={({ id }) => id}
          label={words.keptMatches}
        />
      )}
    </Panel>
  );
};
