'use client';

import { useEffect, useRef, useState, type KeyboardEvent, type PointerEvent, type RefObject } from 'react';
import { codeToSignal } from '#core/signal/scale.ts';
import { printStopsDecimal } from '#core/units.ts';
import type { CodeReadout, FrameInfo } from '#workers/judge/protocol.ts';
import { useBench, useCard } from '#ui/bench/hooks.ts';
import { words } from '#ui/wording/judgePicture.ts';

/** Pixels a side that the glass shows, and how large. */
const ACROSS = 11;
const TIMES = 12;

/** Pixels under the pointer, large, and the codes of the one in the middle; arrow keys move it by a pixel. */
export const Magnifier = ({
  info,
  picture,
  painted,
}: {
  info: FrameInfo;
  picture: RefObject<HTMLCanvasElement | null>;
  /** Counts what was painted: the glass follows. */
  painted: number;
}) => {
  const { session } = useBench();
  const { numbers } = useCard();
  const glass = useRef<HTMLCanvasElement>(null);
  const [at, setAt] = useState<readonly [number, number]>([
    Math.floor(info.width / 2),
    Math.floor(info.height / 2),
  ]);
  const [codes, setCodes] = useState<CodeReadout>();
  const [x, y] = at;
  useEffect(() => {
    const draw = async () => {
      const [from, to] = [picture.current, glass.current?.getContext('2d')];
      if (from && to && from.width > 0) {
        const scale = from.width / info.width;
        const side = Math.max(1, ACROSS * scale);
        to.imageSmoothingEnabled = false;
        to.fillRect(0, 0, ACROSS * TIMES, ACROSS * TIMES);
        to.drawImage(
          from,
          (x + 0.5) * scale - side / 2,
          (y + 0.5) * scale - side / 2,
          side,
          side,
          0,
          0,
          ACROSS * TIMES,
          ACROSS * TIMES,
        );
      }
      const rect = { x, y, width: 1, height: 1 };
      const outcome = await session.look.codes({ rect }, { latest: 'codes' });
      if (outcome.state === 'done') setCodes(outcome.output[0]);
    };
    void draw();
    return session.pulse.listen(draw);
  }, [session, picture, painted, info, x, y]);
  const inside = (u: number, v: number) =>
    setAt([
      Math.min(info.width - 1, Math.max(0, Math.floor(u))),
      Math.min(info.height - 1, Math.max(0, Math.floor(v))),
    ]);
  const onMove = (event: PointerEvent<HTMLElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    inside(
      ((event.clientX - box.left) / box.width) * info.width,
      ((event.clientY - box.top) / box.height) * info.height,
    );
  };
  const onKey = (event: KeyboardEvent) => {
    const by = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key];
    if (!by) return;
    event.preventDefault();
    const step = event.shiftKey ? 10 : 1;
    inside(x + by[0] * step, y + by[1] * step);
  };
  const stops = codes && numbers.profile.stopsAt(codeToSignal(codes.luma, info));
  const left = x < info.width / 2;
  return (
    <div
      className="glass-plane"
      role="application"
      tabIndex={0}
      aria-label={words.magnifierAtArrowKeys(x, y)}
      onPointerMove={onMove}
      onKeyDown={onKey}
    >
      <span
        className="glass-cross"
        style={{ left: `${(100 * (x + 0.5)) / info.width}%`, top: `${(100 * (y + 0.5)) / info.height}%` }}
      />
      <div className={`glass num ${left ? 'glass-right' : 'glass-left'}`}>
        <canvas ref={glass} width={ACROSS * TIMES} height={ACROSS * TIMES} aria-hidden="true" />
        {codes && (
          <div className="glass-codes" data-codes={`${codes.r} ${codes.g} ${codes.b}`}>
            <span>
              {x}, {y}
            </span>
            <span>R {codes.r}</span>
            <span>G {codes.g}</span>
            <span>B {codes.b}</span>
            <span>
              Y′ {codes.luma}, {(100 * codeToSignal(codes.luma, info)).toFixed(1)} %
            </span>
            <span>{stops === undefined ? '' : `${printStopsDecimal(stops)} stops`}</span>
          </div>
        )}
      </div>
    </div>
  );
};
