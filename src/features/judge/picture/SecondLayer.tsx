'use client';

import { useMemo, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { PictureRequest, Pixels } from '#workers/judge/protocol.ts';
import type { Outcome } from '#workers/rpc/protocol.ts';
import { useBench } from '#ui/bench/BenchProvider.tsx';
import { usePixels } from '#ui/stage/usePixels.ts';

export type Against = 'recorded' | 'stops' | 'hero';

const NAMES: { readonly [K in Against]: string } = { recorded: 'as recorded', stops: 'stops', hero: 'hero' };

/** The picture that the first one is held against, as the worker draws it. */
export const useAgainst = (
  against: Against | undefined,
  request: PictureRequest | undefined,
  serial?: number,
) => {
  const { session } = useBench();
  const ask = useMemo(() => {
    if (!against || !request || serial === undefined) return undefined;
    return async (): Promise<Outcome<Pixels>> => {
      // Only the picture: zebras and clip codes are those of the frame on the bench, whose depth the hero may not share.
      const bare = {
        ...request,
        contours: false,
        rangeZebras: [],
        warningZebra: undefined,
        clipCode: undefined,
      };
      if (against !== 'hero')
        return session.judge.call('picture', { ...bare, view: against }, { latest: 'against' });
      const outcome = await session.judge.call('reference', bare, { latest: 'against' });
      if (outcome.state !== 'done') return outcome;
      return outcome.output.ok ? { state: 'done', output: outcome.output.value } : { state: 'cancelled' };
    };
  }, [session, against, request, serial]);
  return usePixels(ask);
};

/** A second picture over the first, from a line on; the line is dragged or moved by arrow keys. */
export const Wipe = ({
  against,
  request,
  serial,
}: {
  against: Against;
  request: PictureRequest;
  serial: number;
}) => {
  const { canvas } = useAgainst(against, request, serial);
  const [at, setAt] = useState(0.5);
  const plane = useRef<HTMLDivElement>(null);
  const set = (to: number) => setAt(Math.min(0.98, Math.max(0.02, to)));
  const onMove = (event: PointerEvent<HTMLElement>) => {
    const box = plane.current?.getBoundingClientRect();
    if (box && event.buttons === 1) set((event.clientX - box.left) / box.width);
  };
  const onKey = (event: KeyboardEvent) => {
    if (event.key !== 'ArrowLeft' && event.key !== 'ArrowRight') return;
    event.preventDefault();
    set(at + (event.key === 'ArrowRight' ? 0.02 : -0.02));
  };
  return (
    <div className="wipe" ref={plane}>
      <canvas ref={canvas} style={{ clipPath: `inset(0 0 0 ${100 * at}%)` }} />
      <span className="wipe-name" style={{ left: `${100 * at}%` }}>
        {NAMES[against]}
      </span>
      <div
        className="wipe-line"
        role="slider"
        tabIndex={0}
        aria-label={`Wipe to ${NAMES[against]}`}
        aria-valuemin={0}
        aria-valuemax={100}
        aria-valuenow={Math.round(100 * at)}
        style={{ left: `${100 * at}%` }}
        onKeyDown={onKey}
        onPointerDown={(event) => event.currentTarget.setPointerCapture(event.pointerId)}
        onPointerMove={onMove}
      />
    </div>
  );
};

/** The second picture beside the first. */
export const Beside = ({
  against,
  request,
  serial,
  width,
  height,
}: {
  against: Against;
  request: PictureRequest;
  serial: number;
  width: number;
  height: number;
}) => {
  const { canvas } = useAgainst(against, request, serial);
  return (
    <div className="picture-sheet" style={{ width, height }}>
      <canvas ref={canvas} role="img" aria-label={NAMES[against]} />
      <span className="wipe-name">{NAMES[against]}</span>
    </div>
  );
};
