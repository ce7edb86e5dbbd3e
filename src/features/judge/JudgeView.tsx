'use client';

import { useState } from 'react';
import { useJudgement, useSession } from '#ui/bench/hooks.ts';
import { useSceneOfSetup } from '#ui/stage/useSceneOfSetup.ts';
import { useStage } from '#ui/stage/useStage.ts';
import { Segmented } from '#ui/parts/Segmented.tsx';
import { later } from '#ui/later.tsx';
import { useWhenIdle } from '#ui/useWhenIdle.ts';
import { PicturePane } from './picture/PicturePane.tsx';
import { ScopePane } from './scopes/ScopePane.tsx';
import { useJudgeView } from './useJudgeView.ts';
import { VerdictPane } from './VerdictPane.tsx';
import { words } from '#ui/wording/judge.ts';

const SimulatedCamera = later(() =>
  import('#ui/stage/SimulatedCamera.tsx').then((part) => part.SimulatedCamera),
);
const FeedBar = later(() => import('./moving/FeedBar.tsx').then((part) => part.FeedBar));
const TransportBar = later(() => import('./moving/TransportBar.tsx').then((part) => part.TransportBar));

/** Judge: the picture, two scopes and what they mean. */
export const JudgeView = () => {
  const { verdicts } = useJudgement();
  const [picked, setPicked] = useState<string>();
  const [look, setLook] = useJudgeView();
  useSceneOfSetup();
  // Its keys are there as soon as a clip is.
  useWhenIdle(TransportBar.fetch);
  const camera = useStage();
  const frame = useSession((state) => state.frame);
  const onStage = camera.stage !== undefined;
  const under = onStage && look.under !== 'scope' ? 'camera' : 'scope';
  const swap = onStage && (
    <Segmented
      label={words.underTheVerdicts}
      options={[
        { id: 'camera', name: words.camera },
        { id: 'scope', name: words.scope },
      ]}
      value={under}
      onPick={(id) => void setLook({ under: id })}
    />
  );
  const moves = frame?.kind === 'clip' || frame?.kind === 'feed';
  return (
    <div className={`judge judge-large-${look.large}${moves ? ' judge-moving' : ''}`}>
      <PicturePane highlight={verdicts.find(({ id }) => id === picked)?.place} />
      {frame?.kind === 'clip' && frame.clip && <TransportBar name={frame.name} clip={frame.clip} />}
      {frame?.kind === 'feed' && <FeedBar name={frame.name} />}
      <div className="judge-side">
        <VerdictPane picked={picked} onPick={setPicked} />
      </div>
      {under === 'camera' && <SimulatedCamera {...camera} swap={swap} />}
      <ScopePane slot="first" />
      {under === 'scope' && <ScopePane slot="second" lead={swap} />}
    </div>
  );
};
