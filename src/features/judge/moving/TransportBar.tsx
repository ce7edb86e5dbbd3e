'use client';

import { ChevronLeft, ChevronRight, Pause, Play } from 'lucide-react';
import { useMemo } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { useStore } from 'zustand';
import type { ClipInfo } from '#workers/judge/protocol.ts';
import { useBench, useCard, useSelection, useSession } from '#ui/bench/hooks.ts';
import { useSize } from '#ui/parts/useSize.ts';
import { useKey } from '#ui/shell/useKey.ts';
import { DriftChart } from './DriftChart.tsx';
import { driftOf, worstOf } from '#ui/bench/judgement.ts';
import { framesToLookAt, printTime } from './clipModel.ts';
import { words } from '#ui/wording/judgeMoving.ts';

const TALL = 50;

/** Where in the clip the bench stands: play, step, drag; judged as a whole, its drift is drawn above the time. */
export const TransportBar = ({ name, clip }: { name: string; clip: ClipInfo }) => {
  const { session } = useBench();
  const selection = useSelection();
  const { numbers, light, target } = useCard();
  const { samples, surveying } = useSession((state) => ({
    samples: state.samples,
    surveying: state.surveying,
  }));
  const { moving } = session;
  const { at, running, dropped } = useStore(moving);
  const [box, { width }] = useSize({ width: 500, height: TALL });
  const last = clip.times.length - 1;
  const planned = selection.plan.placement;
  const drift = useMemo(() => (samples ? driftOf(samples, numbers, light) : []), [samples, numbers, light]);
  const worst = worstOf(drift, planned);
  const go = (frame: number) => {
    if (running) moving.pause();
    void moving.seek(name, Math.min(last, Math.max(0, frame)));
  };
  const flip = () => (running ? moving.pause() : void moving.play(name, clip));
  useKey('play', flip);
  useKey('back', () => go(at - 1));
  useKey('on', () => go(at + 1));

  const look = async () => {
    await session.frame.survey(target, framesToLookAt(clip.times.length));
    void moving.seek(name, moving.getState().at);
  };

  return (
    <section className="panel transport" aria-label={words.clip}>
      <div className="transport-keys">
        <Button
          variant="outline-secondary"
          size="sm"
          className="icon-button"
          aria-label={words.oneFrameBack}
          title={words.oneFrameBackKey}
          onClick={() => go(at - 1)}
        >
          <ChevronLeft size={16} aria-hidden />
        </Button>
        <Button
          size="sm"
          variant={running ? 'primary' : 'outline-secondary'}
          className="icon-button"
          aria-label={running ? words.pause : words.play}
          title={running ? words.pauseKey : words.playKey}
          onClick={flip}
        >
          {running ? <Pause size={16} aria-hidden /> : <Play size={16} aria-hidden />}
        </Button>
        <Button
          variant="outline-secondary"
          size="sm"
          className="icon-button"
          aria-label={words.oneFrameOn}
          title={words.oneFrameOnKey}
          onClick={() => go(at + 1)}
        >
          <ChevronRight size={16} aria-hidden />
        </Button>
      </div>
      <div className="transport-time" ref={box}>
        {drift.length > 1 && (
          <DriftChart
            samples={drift}
            range={[0, last]}
            width={width}
            height={TALL - 16}
            at={at}
            planned={planned}
            worst={worst?.at}
          />
        )}
        <Form.Range
          aria-label={words.frameOfTheClip}
          aria-valuetext={`frame ${at + 1} of ${last + 1}`}
          min={0}
          max={last}
          step={1}
          value={at}
          onChange={(event) => go(Number(event.target.value))}
        />
      </div>
      <div className="transport-say num">
        <span>{printTime(clip.times[at] ?? 0)}</span>
        <span className="quiet" data-frame={at}>
          {at + 1} / {last + 1}
          {running && dropped > 0 ? `, ${dropped} left out` : ''}
        </span>
      </div>
      {surveying !== undefined ? (
        <Button size="sm" variant="outline-secondary" onClick={session.frame.stopSurvey}>
          Stop {Math.round(100 * surveying)} %
        </Button>
      ) : (
        <Button
          variant="outline-secondary"
          size="sm"
          title={words.measuresFramesOverThe}
          onClick={() => void look()}
        >
          {words.judgeClip}
        </Button>
      )}
      {worst && surveying === undefined && (
        <Button
          variant="outline-secondary"
          size="sm"
          title={words.theFrameThatIs}
          onClick={() => go(worst.at)}
        >
          {words.worst}
        </Button>
      )}
    </section>
  );
};
