'use client';

import { useMemo, type MouseEvent, type ReactNode } from 'react';
import Button from 'react-bootstrap/Button';
import { cardOf, faceIn } from '#core/practice/world.ts';
import { exposureKnobs } from '#core/practice/stageTask.ts';
import type { Aid, Standing, Task } from '#core/practice/types.ts';
import type { CodeBand } from '#core/scopes/zebra.ts';
import { useCanvas } from '#ui/bench/useAnswer.ts';
import { Knob } from '#ui/stage/Knob.tsx';
import { KNOBS } from '#ui/stage/knobList.ts';
import { MeterScale } from '#ui/stage/MeterScale.tsx';
import { PLAIN_AUTOMATICS } from '#ui/stage/stageStart.ts';
import { cardBands } from '#ui/stage/zebraBands.ts';
import { useRecords } from '#ui/bench/hooks.ts';
import { words } from '#ui/wording/practise.ts';
import { DrillScope } from './DrillScope.tsx';
import { drillPictures, useDrillCamera, type DrillCamera } from './useDrillCamera.ts';

/** The zebras that a task lets be seen, as codes of the frame. */
const useBands = (task: Task, shown: DrillCamera['shown']) =>
  useMemo(() => {
    const info = shown?.info;
    const stage = task.stage!;
    if (!info) return undefined;
    const { camera, profileId, placement } = task;
    const face = task.asks.find(({ id }) => id === 'face');
    // The skin zebra is set for where the face belongs.
    const offset = face?.kind === 'number' ? face.truth[0] - placement : 0;
    const subject = { id: task.subject?.id ?? '', name: '', skinOffset: offset };
    const numbers = cardOf(stage, camera, profileId, placement, [subject]);
    const { ranges, skin, warning } = cardBands(numbers, camera.zebra, camera.coding, info);
    const has = (aid: Aid) => stage.aids.includes(aid);
    const rangeZebras: CodeBand[] = [...(has('zebraCard') ? ranges : []), ...(has('zebraSkin') ? skin : [])];
    return { rangeZebras, warningZebra: has('zebraWarning') ? warning : undefined };
  }, [task, shown?.info]);

/** Where the spot belonged, once it was put down. */
const Where = ({ task }: { task: Task }) => {
  const isAsked = task.asks.some((ask) => ask.kind === 'number' && ask.by === 'spot');
  const rect = isAsked && task.stage && task.subject && faceIn(task.stage.scene, task.subject.id)?.rect;
  if (!rect) return null;
  const percent = (share: number) => `${100 * share}%`;
  const { x, y, width, height } = rect;
  return (
    <span
      className="drill-where"
      style={{ left: percent(x), top: percent(y), width: percent(width), height: percent(height) }}
    />
  );
};

const DrillPicture = ({ task, camera, isJudged }: { task: Task; camera: DrillCamera; isJudged: boolean }) => {
  const stage = task.stage!;
  const { shown, spot, setSpot } = camera;
  const bands = useBands(task, shown);
  const records = useRecords();
  const profile = records.profiles.get(task.profileId)?.data;
  const serial = shown?.serial;
  const ask = useMemo(() => {
    if (serial === undefined || !profile || !bands) return undefined;
    const flatOr = stage.isFlat ? ('recorded' as const) : ('monitor' as const);
    const view = stage.aids.includes('falseColour') ? ('stops' as const) : flatOr;
    // A screen that is turned up shows a picture that is pulled less.
    const pullStops = task.placement - stage.screenStops;
    const request = {
      profile,
      pullStops,
      view,
      ramp: 'viridis' as const,
      contours: view === 'stops',
      ...bands,
    };
    return (signal: AbortSignal) => drillPictures().call('picture', request, { signal });
  }, [serial, profile, bands, stage, task.placement]);
  const { canvas, painted, problem } = useCanvas(ask);
  const face = task.subject && faceIn(stage.scene, task.subject.id);
  // Fields of light say nothing of themselves; in a rendered scene the face that is asked about is named.
  const named = stage.scene.light ? stage.scene.truth.objects : face ? [face] : [];
  const hasSpot = stage.aids.includes('spotMeter');
  const place = (event: MouseEvent<HTMLElement>) => {
    const at = event.currentTarget.getBoundingClientRect();
    setSpot([(event.clientX - at.left) / at.width, (event.clientY - at.top) / at.height]);
  };
  return (
    <div className="drill-picture" data-painted={painted} onClick={hasSpot ? place : undefined}>
      <canvas ref={canvas} role="img" aria-label={words.pictureOf(stage.scene.name)} />
      {serial !== undefined &&
        named.map(({ mask, name, rect }) => (
          <span
            key={mask}
            className="drill-name"
            style={{ left: `${100 * (rect.x + rect.width / 2)}%`, top: `${100 * rect.y}%` }}
          >
            {name}
          </span>
        ))}
      {serial === undefined && <p className="drill-wait">{words.openingScene}</p>}
      {hasSpot && (
        <span className="drill-spot" style={{ left: `${100 * spot[0]}%`, top: `${100 * spot[1]}%` }} />
      )}
      {isJudged && <Where task={task} />}
      {problem && <p className="field-error">{problem}</p>}
    </div>
  );
};

const SPOT_STEP = 0.02;

/** The spot by keys: what the pointer does by a press on the picture. */
const SpotKeys = ({ camera: { spot, setSpot } }: { camera: DrillCamera }) => (
  <Button
    size="sm"
    variant="outline-secondary"
    onKeyDown={(event) => {
      const moved = {
        ArrowLeft: [-1, 0],
        ArrowRight: [1, 0],
        ArrowUp: [0, -1],
        ArrowDown: [0, 1],
      }[event.key];
      if (!moved) return;
      event.preventDefault();
      setSpot(spot.map((at, i) => Math.min(1, Math.max(0, at + SPOT_STEP * moved[i]))) as [number, number]);
    }}
  >
    {words.spotHere}
  </Button>
);

/** The scene, what may be looked at, and the knobs that may be turned. */
export const StagePane = ({
  task,
  standing,
  onTurn,
  onShows,
  result,
}: {
  task: Task;
  standing: Standing;
  onTurn: (standing: Standing) => void;
  /** Told what the meter shows, stops; undefined until it has read. */
  onShows?: (shows: number | undefined) => void;
  /** How it went; it takes the place of the knobs. */
  result?: ReactNode;
}) => {
  const stage = task.stage!;
  const drill = useDrillCamera(task, standing, onTurn, onShows);
  const { camera, knobs, shown, problem, turn, back } = drill;
  const records = useRecords();
  const free = KNOBS.filter(({ key }) => (stage.free as readonly string[]).includes(key));
  const scopes = (['waveform', 'vectorscope'] as const).filter((one) => stage.aids.includes(one));
  const metered = stage.aids.includes('spotMeter') || stage.aids.includes('wholeMeter');
  const context = camera && { camera, fps: stage.fps, kit: records.profiles, auto: PLAIN_AUTOMATICS };
  return (
    <div className="drill-stage">
      <DrillPicture task={task} camera={drill} isJudged={result !== undefined} />
      <div className="drill-side">
        {metered && (
          <div className="drill-meter">
            <MeterScale shows={shown?.shows} scale={camera?.meter.scale ?? 2} />
            {stage.aids.includes('spotMeter') ? <SpotKeys camera={drill} /> : <span>{words.wholeFrame}</span>}
          </div>
        )}
        {result}
        {!result && free.length > 0 && context && (
          <div className="drill-knobs">
            {free.map((row) => (
              <Knob
                key={row.key}
                label={typeof row.label === 'string' ? row.label : row.label(context.camera)}
                value={row.print(knobs, context)}
                says={row.says}
                onTurn={(clicks) => turn(row.key as keyof Standing, clicks)}
                onReset={back}
              />
            ))}
          </div>
        )}
        {!result && free.length === 0 && exposureKnobs(task.camera).length > 0 && (
          <p className="quiet">{words.cameraStays}</p>
        )}
        {shown && scopes.map((scope) => <DrillScope key={scope} task={task} scope={scope} shown={shown} />)}
      </div>
      {problem && <p className="field-error">{problem}</p>}
    </div>
  );
};
