'use client';

import { useMemo } from 'react';
import type { Correction } from '#core/correction/operations.ts';
import { useCanvas } from '#ui/bench/useAnswer.ts';
import type { MatchBenchState } from '#ui/bench/match/matchBench.ts';
import { useMatchBench } from '#ui/bench/match/useMatchBench.ts';
import { words } from '#ui/wording/match.ts';
import type { MatchMark, Side } from '#workers/match/protocol.ts';
import { zoomOn } from './zoomOn.ts';
import type { MatchPair } from './useMatchPair.ts';

/** Width that a part of a picture is worked out at, px. */
const ZOOM_WIDTH = 320;

type Zoomed = {
  readonly side: Side;
  readonly mark: MatchMark;
  readonly pair: MatchPair;
  readonly state: MatchBenchState;
  readonly correction?: Correction;
};

/** What lies round a mark on one side. */
const SideZoom = ({ side, mark, pair, state, correction }: Zoomed) => {
  const bench = useMatchBench();
  const { serial } = state;
  const { region, box } = zoomOn(mark[side]);
  const key = Object.values(region).join(' ');
  const ask = useMemo(() => {
    const [x, y, width, height] = key.split(' ').map(Number);
    const input = { ...pair.readings, side, correction, width: ZOOM_WIDTH, region: { x, y, width, height } };
    return (signal: AbortSignal) => {
      void serial;
      return bench.picture(input, signal);
    };
  }, [bench, pair.readings, side, correction, serial, key]);
  const { canvas, problem } = useCanvas(ask);
  const { name } = pair.selections[side].camera;
  const percent = (share: number) => `${(100 * share).toFixed(2)}%`;
  return (
    <figure>
      <figcaption className="quiet">{words.nearMark(mark.name, name)}</figcaption>
      <div className="match-zoom-picture">
        <canvas ref={canvas} role="img" aria-label={words.nearMark(mark.name, name)} />
        <span
          className="match-zoom-box"
          style={{
            left: percent(box.x),
            top: percent(box.y),
            width: percent(box.width),
            height: percent(box.height),
          }}
        />
      </div>
      {problem !== undefined && <p className="field-error">{problem}</p>}
    </figure>
  );
};

/** The same place on both sides, near and side by side. */
export const MarkZoom = (props: Omit<Zoomed, 'side'>) => (
  <div className="match-zoom">
    <SideZoom {...props} side="hero" correction={undefined} />
    <SideZoom {...props} side="camera" />
  </div>
);
