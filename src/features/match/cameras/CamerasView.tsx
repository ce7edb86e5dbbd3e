'use client';

import { useEffect, useMemo, useState } from 'react';
import { NO_PAINT, type Paint } from '#core/sensor/paint.ts';
import { useAnswer } from '#ui/bench/useAnswer.ts';
import { useMatchBench, useOnMatchBench } from '#ui/bench/match/useMatchBench.ts';
import { Empty } from '#ui/parts/Empty.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import type { SolvedMatch } from '#workers/match/protocol.ts';
import { words } from '#ui/wording/match.ts';
import { AlikePanel } from './AlikePanel.tsx';
import { KeptMatches } from './KeptMatches.tsx';
import { MatchAnswer } from './MatchAnswer.tsx';
import { MixerPanel } from './MixerPanel.tsx';
import { ModelSteps } from './ModelSteps.tsx';
import { PairPictures } from './PairPictures.tsx';
import { ResidualPlot } from './ResidualPlot.tsx';
import { SchoolTable } from './SchoolTable.tsx';
import { paintOf } from './panelModel.ts';
import { TurnsPanel } from './TurnsPanel.tsx';
import { filmKey, useMatchPair, type MatchPair } from './useMatchPair.ts';

/** The simulated camera before the scene, with its panel turned. */
const painted = (scene: MatchPair['scene'], paint: Paint): MatchPair['scene'] =>
  scene
    ? {
        ...scene,
        sides: {
          ...scene.sides,
          camera: { ...scene.sides.camera, body: { ...scene.sides.camera.body, paint } },
        },
      }
    : scene;

/** The scene with the simulated camera as it was found and as its panel stands, and how it is found. */
const usePainted = ({ scene, selections }: MatchPair) => {
  const [found, setFound] = useState(NO_PAINT);
  const { panel } = selections.camera.camera;
  return [useMemo(() => painted(scene, paintOf(found, panel)), [scene, found, panel]), setFound] as const;
};

/** What lies between the two pictures, solved anew with each mark; the last answer stays while one is dragged. */
const useSolved = ({ readings }: MatchPair, isDragging: boolean) => {
  const bench = useMatchBench();
  const { sides, marks, whole, serial } = useOnMatchBench((all) => all);
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
  return { solved, isMarked: question !== undefined, isBusy: solving.busy, problem: solving.problem };
};

/** Everything that is known of the pair, a panel each. */
const Figures = ({
  pair,
  solved,
  isBusy,
  isWhole,
  onFound,
}: {
  pair: MatchPair;
  solved: SolvedMatch | undefined;
  isBusy: boolean;
  isWhole: boolean;
  onFound: ((paint: Paint) => void) | undefined;
}) => (
  <div className="match-figures">
    <AlikePanel pair={pair} />
    {solved && <ModelSteps match={solved.match} />}
    {solved && <ResidualPlot solved={solved} />}
    {solved?.mixer && <MixerPanel pair={pair} answer={solved.mixer} />}
    {/* It stays while the camera is filmed again: a control is being learnt. */}
    {!isWhole && <TurnsPanel pair={pair} look={solved?.look} isBusy={isBusy} onFound={onFound} />}
    {solved && <SchoolTable schools={solved.schools} />}
    <KeptMatches pair={pair} />
  </div>
);

const Pair = ({ pair }: { pair: MatchPair }) => {
  const bench = useMatchBench();
  const state = useOnMatchBench((all) => all);
  const [scene, setFound] = usePainted(pair);
  const [isDragging, setDragging] = useState(false);
  // Without files of the user's the simulated cameras stand before the scene of the set-up.
  const hasFiles = state.sides.camera?.file !== undefined || state.sides.hero?.file !== undefined;
  useEffect(() => {
    if (scene && !hasFiles) void bench.film(scene.id, scene.sides, filmKey(scene));
  }, [bench, scene, hasFiles]);
  const { solved, isMarked, problem, ...solving } = useSolved(pair, isDragging);
  const isBusy = solving.isBusy || state.busy !== undefined;
  return (
    <div className="match">
      <MatchAnswer
        pair={pair}
        solved={solved}
        isBusy={isBusy}
        problem={state.problem ?? problem}
        isMarked={isMarked}
      />
      <PairPictures pair={pair} state={state} solved={solved} onDrag={setDragging} />
      <Figures
        {...{ pair, solved, isBusy }}
        isWhole={state.whole}
        onFound={scene && !hasFiles ? setFound : undefined}
      />
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
