'use client';

import { Square } from 'lucide-react';
import { useStore } from 'zustand';
import Button from 'react-bootstrap/Button';
import { useBench, useSelection } from '#ui/bench/hooks.ts';
import { STRIP_SECONDS } from '#ui/bench/strip.ts';
import { useSize } from '#ui/parts/useSize.ts';
import { DriftChart } from './DriftChart.tsx';
import { FeedCheck } from './FeedCheck.tsx';
import { words } from '#ui/wording/judgeMoving.ts';

const TALL = 40;

/** A running feed: its last minute, what was left out, and the check of what it does to the codes. */
export const FeedBar = ({ name }: { name: string }) => {
  const { session, strip } = useBench();
  const selection = useSelection();
  const { at, running, shown, dropped, late } = useStore(session.moving);
  const { samples } = useStore(strip);
  const [box, { width }] = useSize({ width: 500, height: TALL });
  const last = samples.at(-1)?.at ?? at;
  return (
    <section className="panel transport" aria-label={words.liveFeed}>
      <Button
        variant="outline-secondary"
        size="sm"
        disabled={!running}
        title={words.disconnectTheDeviceThe}
        onClick={() => session.moving.pause()}
      >
        <Square size={14} aria-hidden /> {running ? words.stop : words.stopped}
      </Button>
      <div className="transport-time" ref={box} data-strip={samples.length}>
        {samples.length > 1 ? (
          <DriftChart
            samples={samples}
            range={[Math.max(0, last - STRIP_SECONDS), last]}
            width={width}
            height={TALL}
            planned={selection.plan.placement}
          />
        ) : (
          <span className="quiet">{name}: the last minute is drawn here.</span>
        )}
      </div>
      <div
        className="transport-say num"
        data-shown={shown}
        data-dropped={dropped}
        data-late={late.toFixed(1)}
        title={words.thePictureBeforeCame(late.toFixed(0))}
      >
        <span>{at.toFixed(0)} s</span>
        <span className="quiet">
          {dropped} of {shown + dropped} left out
        </span>
      </div>
      <FeedCheck />
    </section>
  );
};
