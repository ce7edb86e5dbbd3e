'use client';

import { useMemo, useState, type KeyboardEvent, type MouseEvent } from 'react';
import Button from 'react-bootstrap/Button';
import type { Spot } from '#core/exposure/spot.ts';
import { useBench, useSelection, useSession } from '#ui/bench/hooks.ts';
import { Panel } from '#ui/parts/Panel.tsx';
import { SimulatedCamera } from '#ui/stage/SimulatedCamera.tsx';
import { useCanvas } from '#ui/bench/useAnswer.ts';
import { useSceneOfSetup } from '#ui/stage/useSceneOfSetup.ts';
import { useStanding } from '#ui/stage/useStanding.ts';
import { SceneChoice } from '#ui/stage/SceneChoice.tsx';
import { useStage } from '#ui/stage/useStage.ts';
import { spotOfMeter } from './planModel.ts';
import { spotRead } from './planWords.ts';
import { words } from '#ui/wording/plan.ts';

/** Share of the picture that an arrow key moves the aim by. */
const AIM_STEP = 0.01;

/** The picture of the simulated camera before this set-up; a click reads the light there with its spot meter. */
export const LookThrough = ({ onSpot }: { onSpot: (spot: Spot) => void }) => {
  const { session } = useBench();
  const selection = useSelection();
  const serial = useSession(({ frame }) => (frame?.scene ? frame.serial : undefined));
  const camera = useStage();
  const { stage, shot } = camera;
  const [last, setLast] = useState<Spot>();
  const { plan } = selection;
  const { bias } = selection.camera.meter;
  const standing = useStanding();
  useSceneOfSetup({ overFile: true, asCard: true });

  const profile = selection.profile.data;
  const ask = useMemo(() => {
    if (serial === undefined) return undefined;
    return (signal: AbortSignal) =>
      session.look.picture(
        {
          profile,
          pullStops: plan.placement,
          view: 'monitor',
          ramp: 'viridis',
          contours: false,
          rangeZebras: [],
        },
        { signal },
      );
    // A new picture has a new serial.
  }, [session, serial, profile, plan.placement]);
  const { canvas, problem } = useCanvas(ask);

  const read = async (x: number, y: number) => {
    if (!shot || !stage) return;
    session.stage.meter({ mode: 'spot', spot: [x, y] });
    const shows = await session.stage.readSpot({
      ...shot,
      spotting: { mode: 'spot', x, y },
      seed: 1,
      seconds: 0,
      width: stage.truth.width,
    });
    if (shows === undefined) return;
    const spot = spotOfMeter(crypto.randomUUID(), selection, shot.settings, shows);
    setLast(spot);
    onSpot(spot);
  };

  const [x, y] = stage?.auto.spot ?? [0.5, 0.5];
  const aim = (u: number, v: number) => {
    const inside = (at: number) => Math.min(1, Math.max(0, at));
    session.stage.meter({ mode: 'spot', spot: [inside(u), inside(v)] });
  };
  const onClick = (event: MouseEvent<HTMLElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    // Pressed by keyboard the click has no place of its own: the aim's is read.
    if (event.detail === 0) void read(x, y);
    else void read((event.clientX - box.left) / box.width, (event.clientY - box.top) / box.height);
  };
  const onKey = (event: KeyboardEvent) => {
    const by = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key];
    if (!by) return;
    event.preventDefault();
    const step = event.shiftKey ? AIM_STEP * 5 : AIM_STEP;
    aim(x + by[0] * step, y + by[1] * step);
  };

  if (!standing)
    return (
      <Panel title={words.throughTheCamera} tools={<SceneChoice />}>
        <p className="quiet mb-0">
          Pick a scene for the simulated camera to stand before, and read its light as you would on set.
        </p>
      </Panel>
    );
  return (
    <div className="look-through">
      <Panel title={words.throughTheCamera} note={words.clickOrArrowKeys} tools={<SceneChoice />}>
        <Button
          variant="bare"
          className="look-picture"
          aria-label={words.readTheSpotAcross(Math.round(100 * x), Math.round(100 * y))}
          onClick={onClick}
          onKeyDown={onKey}
        >
          <canvas ref={canvas} role="img" aria-label={words.pictureOfTheSimulated} />
          <span className="look-aim" style={{ left: `${100 * x}%`, top: `${100 * y}%` }} aria-hidden />
        </Button>
        {problem && <p className="field-error">{problem}</p>}
        <p className="quiet mb-0" role="status">
          {last
            ? spotRead(last.name, last.value, bias)
            : 'Simulated, and its light is known: a place to try before the job.'}
        </p>
      </Panel>
      <SimulatedCamera {...camera} />
    </div>
  );
};
