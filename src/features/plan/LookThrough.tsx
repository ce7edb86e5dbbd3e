'use client';

import { useEffect, useMemo, useState, type MouseEvent } from 'react';
import { sceneFor, stageScene } from '#core/scene/stage.ts';
import type { Spot } from '#core/exposure/survey.ts';
import { printStopsDecimal } from '#core/units.ts';
import { useBench } from '#ui/bench/BenchProvider.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { CameraPanel } from '#ui/stage/CameraPanel.tsx';
import { usePixels } from '#ui/stage/usePixels.ts';
import { useStage } from '#ui/stage/useStage.ts';
import { spotOfMeter } from './planModel.ts';

/** The picture of the simulated camera before this set-up; a click reads the light there with its spot meter. */
export const LookThrough = ({ onSpot }: { onSpot: (spot: Spot) => void }) => {
  const { session, selection, bench } = useBench();
  const camera = useStage();
  const { stage, shot } = camera;
  const [last, setLast] = useState<Spot>();
  const { setup, plan } = selection;
  const wanted = sceneFor(setup.id, selection.camera.id);
  const fits = stage !== undefined && stageScene(stage.sceneId).setupId === setup.id;
  const idle = bench.busy === undefined && bench.failure === undefined;
  useEffect(() => {
    if (!fits && idle && wanted) void session.openScene(wanted);
  }, [session, fits, idle, wanted]);

  const serial = bench.frame?.scene ? bench.frame.serial : undefined;
  const profile = selection.profile.data;
  const ask = useMemo(() => {
    if (serial === undefined) return undefined;
    return () =>
      session.judge.call(
        'picture',
        {
          profile,
          pullStops: plan.placement,
          view: 'monitor',
          ramp: 'viridis',
          contours: false,
          rangeZebras: [],
        },
        { latest: 'picture' },
      );
    // A new picture has a new serial.
  }, [session, serial, profile, plan.placement]);
  const { canvas, problem } = usePixels(ask);

  const read = async (event: MouseEvent<HTMLCanvasElement>) => {
    if (!shot || !stage) return;
    const box = event.currentTarget.getBoundingClientRect();
    const x = (event.clientX - box.left) / box.width;
    const y = (event.clientY - box.top) / box.height;
    session.setStage({ auto: { ...stage.auto, mode: 'spot', spot: [x, y] } });
    const outcome = await session.judge.call('expose', {
      ...shot,
      spotting: { mode: 'spot', x, y },
      seed: 1,
      seconds: 0,
      width: stage.truth.width,
    });
    if (outcome.state !== 'done' || !outcome.output.ok) return;
    const spot = spotOfMeter(crypto.randomUUID(), selection, shot.settings, outcome.output.value.shows);
    setLast(spot);
    onSpot(spot);
  };

  if (!wanted)
    return (
      <Panel title="Through the camera">
        <p className="quiet mb-0">
          No scene stands for this set-up. Read the light with a meter, or mark a frame in Judge.
        </p>
      </Panel>
    );
  return (
    <div className="look-through">
      <Panel title="Through the camera" note="click to read a spot with its meter">
        <canvas
          ref={canvas}
          className="look-picture"
          aria-label="Picture of the simulated camera"
          onClick={(event) => void read(event)}
        />
        {problem && <p className="field-error">{problem}</p>}
        <p className="quiet mb-0" role="status">
          {last
            ? `${last.name}: the meter showed ${printStopsDecimal(last.value)} at the camera’s settings.`
            : 'Simulated, and its light is known: a place to try before the job.'}
        </p>
      </Panel>
      <CameraPanel {...camera} />
    </div>
  );
};
