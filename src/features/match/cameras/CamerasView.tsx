'use client';

import { useEffect, useMemo, useState } from 'react';
import { useAnswer } from '#ui/bench/useAnswer.ts';
import { useMatchBench, useOnMatchBench } from '#ui/bench/match/useMatchBench.ts';
import { Empty } from '#ui/parts/Empty.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import type { SolvedMatch } from '#workers/match/protocol.ts';
import { words } from '#ui/wording/match.ts';
import { KeptMatches } from './KeptMatches.tsx';
import { MatchAnswer } from './MatchAnswer.tsx';
import { ModelSteps } from './ModelSteps.tsx';
import { PairPictures } from './PairPictures.tsx';
import { ResidualPlot } from './ResidualPlot.tsx';
import { SchoolTable } from './SchoolTable.tsx';
import { filmKey, useMatchPair, type MatchPair } from './useMatchPair.ts';

const Pair = ({ pair }: { pair: MatchPair }) => {
  const bench = useMatchBench();
  const state = useOnMatchBench((all) => all);
  const { sides, marks, whole, serial } = state;
  const { scene, readings } = pair;
  const [isDragging, setDragging] = useState(false);
  // Without files of the user's the simulated cameras stand before the scene of the set-up.
  const hasFiles = sides.camera?.file !== undefined || sides.hero?.file !== undefined;
  useEffect(() => {
    if (scene && !hasFiles) void bench.film(scene.id, scene.sides, filmKey(scene));
  }, [bench, scene, hasFiles]);
  const hasBoth = sides.camera !== undefined && sides.hero !== undefined;
  const question = useMemo(
    () => (hasBoth && (whole || marks.length > 0) ? { ...readings, marks, whole } : undefined),
    [hasBoth, readings, marks, whole],
  );
  const solving = useAnswer({
    // While a mark is dragged the last answer stays.
    key: question && !isDragging ? { question, serial } : undefined,
    ask: (signal) => bench.solve(question!, signal),
  });
  // What was solved stays while marks are moved, but never for other cameras or pictures.
  const fresh = solving.old ? undefined : solving.answer;
  const [last, setLast] = useState<{
    readonly of: unknown;
    readonly on: number;
    readonly solved: SolvedMatch;
  }>();
  if (fresh !== undefined && fresh !== last?.solved) setLast({ of: readings, on: serial, solved: fresh });
  const isSame = last?.of === readings && last.on === serial;
  const solved = question ? (fresh ?? (isSame ? last.solved : undefined)) : undefined;
  return (
    <div className="match">
      <MatchAnswer
        pair={pair}
        solved={solved}
        isBusy={solving.busy || state.busy !== undefined}
        problem={state.problem ?? solving.problem}
        isMarked={question !== undefined}
      />
      <PairPictures pair={pair} state={state} solved={solved} onDrag={setDragging} />
      {solved && (
        <div className="match-figures">
          <ModelSteps match={solved.match} />
          <ResidualPlot solved={solved} />
          <SchoolTable schools={solved.schools} />
          <KeptMatches pair={pair} />
        </div>
      )}
    </div>
  );
};

/** Match, first half: one camera brought to another before the same thing. */
export const CamerasView = () => {
  const pair = useMatchPair();
  if (pair) return <Pair pair={pair} />;
  return (
    <Panel title={words.cameras}>
      <Empty title={words.oneCamera}>
        <p>{words.oneCameraSays}</p>
      </Empty>
    </Panel>
  );
};
