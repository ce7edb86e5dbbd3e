'use client';

import { useMemo, useState } from 'react';
import { useDropzone } from 'react-dropzone';
import type { Rect } from '#core/frame/frame.ts';
import { SAMPLE_READING_IDS, SAMPLE_READINGS, type SampleReading } from '#core/frame/codes.ts';
import { STAGE_SCENE_IDS, STAGE_SCENES, stageScene, type StageSceneId } from '#core/scene/stage.ts';
import { FIRST_LOOK } from '#ui/stage/stageModel.ts';
import { VIEWS } from '#core/scopes/picture.ts';
import { codeToSignal } from '#core/signal/scale.ts';
import { printStopsDecimal } from '#core/units.ts';
import { useBench } from '#ui/bench/BenchProvider.tsx';
import { Empty } from '#ui/parts/Empty.tsx';
import { Segmented } from '#ui/parts/Segmented.tsx';
import { useSize } from '#ui/parts/useSize.ts';
import { Toggle } from '#ui/parts/Toggle.tsx';
import { useKey } from '#ui/shell/useKey.ts';
import { PatchLayer, type Tool } from './PatchLayer.tsx';
import { useJudgeView, VIEW_IDS } from './useJudgeView.ts';
import { usePixels } from '#ui/stage/usePixels.ts';
import { cardBands } from './zebraBands.ts';

const views = VIEW_IDS.map((id) => ({ id, name: VIEWS[id].name, says: VIEWS[id].says }));

const WEDGE = 'wedge';

/** Scenes to stand before, and the wedge that checks the bench. */
const SceneList = () => {
  const { session, select, records, bench } = useBench();
  const open = (id: StageSceneId | typeof WEDGE) => {
    if (id === WEDGE) {
      void session.openWedge();
      return;
    }
    const { setupId, cameraIds } = stageScene(id);
    const setup = records.setups.get(setupId);
    void session.openScene(id, FIRST_LOOK[id], () => {
      if (setup) select({ shoot: setup.shootId, setup: setupId, camera: cameraIds?.[0] });
    });
  };
  return (
    <select
      className="form-select form-select-sm demo-pick"
      aria-label="Stand before a scene"
      value={bench.stage?.sceneId ?? ''}
      onChange={(event) => open(event.target.value as StageSceneId | typeof WEDGE)}
    >
      <option value="" disabled>
        Scenes
      </option>
      {STAGE_SCENE_IDS.map((id) => (
        <option key={id} value={id}>
          {STAGE_SCENES[id].name}
        </option>
      ))}
      <option value={WEDGE}>Step wedge, −8 to +7</option>
    </select>
  );
};

const Reading = () => {
  const { bench, session } = useBench();
  const { frame } = bench;
  if (!frame) return null;
  const { info } = frame;
  return (
    <span className="reading">
      {info.reading === 'codes8' ? (
        <span className="quiet">8-bit</span>
      ) : (
        <select
          className="form-select form-select-sm"
          aria-label="How the samples are read"
          title={info.evidence}
          value={info.reading}
          onChange={(event) => void session.reread(info.range, event.target.value as SampleReading)}
        >
          {SAMPLE_READING_IDS.map((id) => (
            <option key={id} value={id}>
              {SAMPLE_READINGS[id].name}
            </option>
          ))}
        </select>
      )}
      <select
        className="form-select form-select-sm"
        aria-label="Range of the codes"
        value={info.range}
        onChange={(event) =>
          void session.reread(
            event.target.value as 'legal' | 'full',
            info.reading === 'codes8' ? undefined : info.reading,
          )
        }
      >
        <option value="legal">legal</option>
        <option value="full">full</option>
      </select>
    </span>
  );
};

const useTools = (): readonly Tool[] => {
  const { subjects } = useBench().selection;
  return useMemo(
    () => [
      { id: 'card', kind: 'card', name: 'card' },
      ...subjects.map(({ id, name }): Tool => ({ id: `skin-${id}`, kind: 'skin', subjectId: id, name })),
    ],
    [subjects],
  );
};

const usePatchLabels = (tools: readonly Tool[]): Readonly<Record<string, string>> => {
  const { bench, numbers } = useBench();
  return useMemo(() => {
    const read = (bench.measurement?.patches ?? []).map(({ patch, luma }) => {
      const stops =
        bench.measurement && numbers.profile.stopsAt(codeToSignal(luma, bench.measurement.coding));
      const name = tools.find(({ id }) => id === patch.id)?.name ?? patch.kind;
      return [patch.id, `${name} ${stops === undefined ? '' : printStopsDecimal(stops)}`] as const;
    });
    return Object.fromEntries(read);
  }, [bench.measurement, numbers, tools]);
};

/** The frame with zebras, false colour, contours and patches; open by button, drop, or from the demo. */
export const PicturePane = ({ highlight }: { highlight?: Rect }) => {
  const { bench, session, selection, numbers } = useBench();
  const [look, setLook] = useJudgeView();
  const { frame, busy } = bench;
  const { camera, plan } = selection;
  const tools = useTools();
  const [toolId, setToolId] = useState('card');
  const tool = tools.find(({ id }) => id === toolId) ?? tools[0];
  const labels = usePatchLabels(tools);
  const [box, fitBox] = useSize({ width: 640, height: 360 });

  const { open, getRootProps, getInputProps, isDragActive } = useDropzone({
    noClick: true,
    noKeyboard: true,
    multiple: false,
    onDrop: ([file]) => {
      if (file) void session.openFile(file, camera.coding.range);
    },
  });
  useKey('open', open);
  useKey('view', () => {
    void setLook({ view: VIEW_IDS[(VIEW_IDS.indexOf(look.view) + 1) % VIEW_IDS.length] });
  });
  useKey('contours', () => void setLook({ contours: !look.contours }));
  useKey('zebra', () => {
    const on = look.range || look.warning;
    void setLook({ range: !on, warning: !on });
  });

  const profile = bench.draft?.data ?? selection.profile.data;
  const bands = useMemo(
    () =>
      frame &&
      cardBands(numbers, camera.zebra, camera.coding, {
        bitDepth: frame.info.bitDepth,
        range: frame.info.range,
      }),
    [numbers, camera, frame],
  );
  const ask = useMemo(() => {
    if (!frame || !bands) return undefined;
    return () =>
      session.judge.call(
        'picture',
        {
          profile,
          pullStops: plan.placement,
          view: look.view,
          ramp: 'viridis',
          contours: look.contours,
          rangeZebras: look.range ? bands.ranges : [],
          warningZebra: look.warning ? bands.warning : undefined,
        },
        { latest: 'picture' },
      );
  }, [session, frame, bands, profile, plan.placement, look.view, look.contours, look.range, look.warning]);
  const { canvas, problem, painted } = usePixels(ask);

  const scale = frame ? Math.min(fitBox.width / frame.info.width, fitBox.height / frame.info.height) : 1;
  const shownScale = look.zoom === 'fit' ? scale : 1;

  return (
    <section className={`panel picture${isDragActive ? ' dropping' : ''}`} {...getRootProps()}>
      <header className="panel-head">
        <h2>{frame?.name ?? 'No frame'}</h2>
        {frame && (
          <span className="quiet num">
            {frame.info.width}×{frame.info.height}
          </span>
        )}
        <div className="panel-tools">
          <Segmented
            label="View"
            options={views}
            value={look.view}
            onPick={(view) => void setLook({ view })}
          />
          <div className="toggles">
            <Toggle
              on={look.contours}
              name="Contours"
              says="A line at each stop, heavier at grey (C)"
              onFlip={() => void setLook({ contours: !look.contours })}
            />
            <Toggle
              on={look.range}
              name="Card"
              says="Range zebra of the card: fine white stripes (Z)"
              onFlip={() => void setLook({ range: !look.range })}
            />
            <Toggle
              on={look.warning}
              name="Warn"
              says="Warning zebra: broad flame stripes (Z)"
              onFlip={() => void setLook({ warning: !look.warning })}
            />
          </div>
        </div>
      </header>
      <input {...getInputProps({ accept: 'image/png,.png,.y4m,.dpx' })} aria-label="Frame file" />
      <div className={`picture-box${look.zoom === '1:1' ? ' picture-scroll' : ''}`} ref={box}>
        {frame ? (
          <div
            className="picture-sheet"
            style={{ width: frame.info.width * shownScale, height: frame.info.height * shownScale }}
            data-painted={painted}
          >
            <canvas ref={canvas} />
            <PatchLayer
              width={frame.info.width}
              height={frame.info.height}
              scale={shownScale}
              patches={bench.patches}
              labels={labels}
              tool={tool}
              highlight={highlight}
              onSet={session.setPatch}
              onRemove={session.removePatch}
            />
          </div>
        ) : (
          <Empty title={busy ? `Opening ${busy.name}` : 'Drop a frame here'}>
            <p className="quiet">
              {busy
                ? busy.phase
                : '8- or 16-bit PNG (10-bit codes in 16 bit understood), 10-bit DPX, or a Y4M clip. Everything is measured on its codes.'}
            </p>
          </Empty>
        )}
        {busy && (
          <div className="busy" role="status">
            <progress value={busy.fraction} max={1} aria-label={busy.phase} /> {busy.phase}
            <button
              type="button"
              className="btn btn-sm btn-outline-secondary"
              onClick={session.cancelOpening}
            >
              Stop
            </button>
          </div>
        )}
        {isDragActive && <div className="drop-hint">Drop to open</div>}
      </div>
      <footer className="panel-foot">
        <button
          type="button"
          className="btn btn-sm btn-outline-secondary"
          title="Open a frame from disk (O)"
          onClick={open}
        >
          Open
        </button>
        <SceneList />
        {frame && (
          <>
            <Segmented
              label="Mark"
              options={tools.map(({ id, name }) => ({
                id,
                name,
                says: `Drag on the picture to mark ${name}`,
              }))}
              value={tool.id}
              onPick={setToolId}
            />
            <Segmented
              label="Zoom"
              options={[
                { id: 'fit', name: `fit ${Math.round(scale * 100)} %` },
                { id: '1:1', name: '1:1' },
              ]}
              value={look.zoom}
              onPick={(zoom) => void setLook({ zoom })}
            />
            <Reading />
          </>
        )}
        {problem && <span className="field-error">{problem}</span>}
      </footer>
    </section>
  );
};
