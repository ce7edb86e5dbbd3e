'use client';

import { group } from 'd3-array';
import { useMemo, useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import ListGroup from 'react-bootstrap/ListGroup';
import type { OperationKind } from '#core/correction/operations.ts';
import { clipLines } from '#ui/bench/clips/clipLines.ts';
import { useClips } from '#ui/bench/clips/useClips.ts';
import { useRecords, useSelection } from '#ui/bench/hooks.ts';
import { clipsToHeroes, standingOfClip } from '#ui/bench/match/clipMatches.ts';
import { useMatchBench } from '#ui/bench/match/useMatchBench.ts';
import { useAnswer } from '#ui/bench/useAnswer.ts';
import { useTakeIndex } from '#ui/bench/useTakeIndex.ts';
import { Empty } from '#ui/parts/Empty.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { Segmented } from '#ui/parts/Segmented.tsx';
import { words } from '#ui/wording/match.ts';
import { LimitsMenu, useMatchLimits } from '../LimitsMenu.tsx';
import { useHeroTakes } from './useHeroTakes.ts';
import { ClipMatchRow } from './ClipMatchRow.tsx';
import { useClipEdits, type ClipRow } from './useClipEdits.ts';

const SCOPES = [
  { id: 'setup', name: words.thisSetup },
  { id: 'shoot', name: words.wholeShoot },
] as const;
const ASKED: readonly (readonly [OperationKind, string])[] = [
  ['contrast', words.alsoContrast],
  ['black', words.alsoBlack],
  ['saturation', words.alsoSaturation],
];

/** Clips that have a take, with what brings each to the hero of its set-up; the worst first. */
const useRows = (scope: 'setup' | 'shoot', asked: readonly OperationKind[]) => {
  const { shoot, setup } = useSelection();
  const records = useRecords();
  const { clips, isRead } = useClips();
  const { facts } = useTakeIndex();
  const bench = useMatchBench();
  const limits = useMatchLimits();
  const heroTakes = useHeroTakes();
  const all = useMemo(() => {
    const lines = clipLines(clips, facts, (id) => records.cameras.get(id)?.name);
    const every = clipsToHeroes(lines, records, shoot.id, heroTakes);
    return scope === 'shoot' ? every : every.filter(({ line }) => line.setup === setup.name);
  }, [clips, facts, records, shoot.id, setup.name, scope, heroTakes]);
  const pairs = all.flatMap(({ pair }) => pair ?? []);
  const solving = useAnswer({
    key: pairs.length > 0 ? { pairs, asked } : undefined,
    ask: (signal) => bench.clips({ pairs, asked }, signal),
  });
  // An answer to an earlier question is of other heroes: nothing is accepted by it.
  const answer = solving.old ? undefined : solving.answer;
  const matches = new Map(answer?.map((match) => [match.id, match]));
  const rows = all
    .map((one): ClipRow => ({ ...one, standing: standingOfClip(one, matches.get(one.line.clip.id), limits) }))
    .toSorted(
      (a, b) =>
        Number(b.isHero) - Number(a.isHero) ||
        Number(a.line.clip.onPurpose ?? false) - Number(b.line.clip.onPurpose ?? false) ||
        (b.standing?.before ?? 0) - (a.standing?.before ?? 0),
    );
  return { rows, isBusy: solving.busy, problem: solving.problem, isRead };
};

const summary = (rows: readonly ClipRow[]): string => {
  const judged = rows.filter(({ isHero, line, standing }) => !isHero && !line.clip.onPurpose && standing);
  const verdictOf = ({ standing }: ClipRow) =>
    standing?.accepted ? standing.verdict.after : standing?.verdict.before;
  const count = (verdict: string) => judged.filter((row) => verdictOf(row) === verdict).length;
  const purposely = rows.filter(({ line }) => line.clip.onPurpose).length;
  return [
    words.cutTogether(count('together')),
    words.seenOnly(count('seen')),
    words.jarring(count('jars')),
    ...(purposely > 0 ? [words.purposely(purposely)] : []),
  ].join(', ');
};

/** Match, second half: clips brought to the hero of their set-up. */
export const MatchClipsView = () => {
  const { setup, shoot } = useSelection();
  const [scope, setScope] = useState<'setup' | 'shoot'>('setup');
  const [asked, setAsked] = useState<readonly OperationKind[]>([]);
  const { rows, isBusy, problem, isRead } = useRows(scope, asked);
  const edits = useClipEdits(rows);
  const open = rows.filter(
    ({ isHero, line, standing }) =>
      !isHero && !line.clip.onPurpose && standing?.correction && !standing.accepted,
  );
  const groups = [...group(rows, ({ hero }) => hero.clip.id).values()].map((own) => ({
    ...own[0],
    rows: own,
  }));
  return (
    <Panel
      title={`${words.toTheHero}: ${scope === 'setup' ? setup.name : shoot.name}`}
      note={isBusy ? words.solving : summary(rows)}
      tools={
        <>
          <Segmented label={words.clipsOf} options={SCOPES} value={scope} onPick={setScope} />
          <LimitsMenu />
          {open.length > 0 && (
            <Button size="sm" onClick={edits.acceptAll}>
              {words.acceptAll(open.length)}
            </Button>
          )}
        </>
      }
    >
      {problem !== undefined && <p className="field-error">{problem}</p>}
      {isRead && rows.length === 0 ? (
        <Empty title={words.noClips}>
          <p>{words.noClipsSays}</p>
        </Empty>
      ) : (
        <>
          <div className="match-asked">
            <span className="quiet">{words.alsoSolve}:</span>
            {ASKED.map(([kind, name]) => (
              <Form.Check
                key={kind}
                inline
                id={`match-asked-${kind}`}
                label={name}
                checked={asked.includes(kind)}
                onChange={(event) =>
                  setAsked((before) =>
                    event.target.checked ? [...before, kind] : before.filter((one) => one !== kind),
                  )
                }
              />
            ))}
          </div>
          <p className="quiet">{words.arrowsSay}</p>
          {groups.map(({ hero, heroReason, rows: own }) => (
            <section key={hero.clip.id} className="match-group">
              <h3>
                {hero.setup} <span className="quiet">{words.heroIs(hero.clip.file.name, heroReason)}</span>
              </h3>
              <ListGroup as="ul" variant="flush" className="match-clips">
                {own.map((row) => (
                  <ClipMatchRow key={row.line.clip.id} row={row} edits={edits} />
                ))}
              </ListGroup>
            </section>
          ))}
        </>
      )}
    </Panel>
  );
};
