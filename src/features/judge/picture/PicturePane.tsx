'use client';

import { useMemo, useState } from 'react';
import { useDropzone } from 'react-dropzone';
import { useStore } from 'zustand';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import type { Rect } from '#core/frame/frame.ts';
import { VIEWS } from '#core/kernels/picture.ts';
import { patchStops } from '#core/verdict/patchStops.ts';
import { printStopsDecimal } from '#core/units.ts';
import { patchesAt } from '#core/scopes/tracks.ts';
import { useBench, useCard, useSelection, useSession } from '#ui/bench/hooks.ts';
import { Empty } from '#ui/parts/Empty.tsx';
import { Segmented } from '#ui/parts/Segmented.tsx';
import { useSize } from '#ui/parts/useSize.ts';
import { Toggle } from '#ui/parts/Toggle.tsx';
import { useKey } from '#ui/shell/useKey.ts';
import { useCanvas } from '#ui/bench/useAnswer.ts';
import { useJudgeView, VIEW_IDS } from '../useJudgeView.ts';
import { Guides } from './Guides.tsx';
import { heroDifference, heroWords } from './heroModel.ts';
import { LookMenu } from './LookMenu.tsx';
import { Magnifier } from './Magnifier.tsx';
import { PatchLayer } from './PatchLayer.tsx';
import { ReadingControls } from './ReadingControls.tsx';
import { Beside, Wipe, type Against } from './SecondLayer.tsx';
import { SourceControls } from './SourceControls.tsx';
import { toolsFor, type Tool } from './tools.ts';
import { usePictureRequest } from './usePictureRequest.ts';

const views = VIEW_IDS.map((id) => ({ id, name: VIEWS[id].name, says: VIEWS[id].says }));
/** A help for the file dialog only: what a file is, its first bytes say. */
const ACCEPTED = 'image/*,video/*,.png,.tif,.tiff,.dpx,.jpg,.jpeg,.y4m,.mp4,.mov,.mkv,.webm,.mxf,.avi,.mts';

const usePatchLabels = (tools: readonly Tool[]): Readonly<Record<string, string>> => {
  const { numbers } = useCard();
  const measurement = useSession(({ measured }) => measured?.measurement);
  return useMemo(() => {
    const read = (measurement?.patches ?? []).map((reading) => {
      const { patch } = reading;
      const stops = measurement && patchStops(reading, measurement.coding, numbers.profile);
      const name = tools.find(({ id }) => id === patch.id)?.name ?? patch.kind;
      return [patch.id, `${name} ${stops === undefined ? '' : printStopsDecimal(stops)}`] as const;
    });
    return Object.fromEntries(read);
  }, [measurement, numbers, tools]);
};

/** The frame with zebras, false colour, contours, guides and patches; open by button, drop, or from the demo. */
export const PicturePane = ({ highlight }: { highlight?: Rect }) => {
  const { session } = useBench();
  const selection = useSelection();
  const { numbers, target } = useCard();
  const [look, setLook] = useJudgeView();
  const { frame, busy, hero, measured, marks, keyed } = useSession((state) => ({
    frame: state.frame,
    busy: state.busy,
    hero: state.hero,
    measured: state.measured,
    marks: state.patches,
    keyed: state.keyed,
  }));
  const { camera, subjects } = selection;
  const tools = useMemo(() => toolsFor(subjects), [subjects]);
  const [toolId, setToolId] = useState('card');
  const tool = tools.find(({ id }) => id === toolId) ?? tools[0];
  const labels = usePatchLabels(tools);
  const [box, fitBox] = useSize({ width: 640, height: 360 });
  const at = useStore(session.moving, (moving) => (frame?.kind === 'clip' ? moving.at : 0));
  const patches = patchesAt(marks, keyed, at);

  const { open, getRootProps, getInputProps, isDragActive } = useDropzone({
    noClick: true,
    noKeyboard: true,
    multiple: false,
    onDrop: ([file]) => {
      if (file) void session.frame.openFile(file, camera.coding.range);
    },
  });
  const holdHero = () => void session.hero.hold(target);
  useKey('open', open);
  useKey('hero', holdHero);
  useKey('glass', () => void setLook({ glass: !look.glass }));
  useKey('clips', () => void setLook({ clips: !look.clips }));
  useKey('view', () => {
    void setLook({ view: VIEW_IDS[(VIEW_IDS.indexOf(look.view) + 1) % VIEW_IDS.length] });
  });
  useKey('contours', () => void setLook({ contours: !look.contours }));
  useKey('zebra', () => {
    const on = look.range || look.warning;
    void setLook({ range: !on, warning: !on });
  });

  const against: Against | undefined =
    look.against === 'none' || (look.against === 'hero' && !hero) ? undefined : look.against;
  const beside = against !== undefined && look.beside;
  const room = { width: beside ? fitBox.width / 2 : fitBox.width, height: fitBox.height };
  const scale = frame ? Math.min(room.width / frame.info.width, room.height / frame.info.height) : 1;
  const shownScale = look.zoom === 'fit' ? scale : 1;
  const { request, problem: lutProblem } = usePictureRequest(look, shownScale);
  const serial = frame?.serial;
  const ask = useMemo(() => {
    if (!request || serial === undefined) return undefined;
    return (signal: AbortSignal) => session.look.picture(request, { signal });
  }, [session, serial, request]);
  const { canvas, problem, painted } = useCanvas(ask, 'picture');
  const difference =
    hero && measured && look.against === 'hero'
      ? heroWords(heroDifference(hero.measurement, measured.measurement, numbers))
      : undefined;

  return (
    <section
      className={`panel picture${isDragActive ? ' dropping' : ''}${look.large === 'picture' ? '' : ' picture-small'}`}
      {...getRootProps()}
    >
      <header className="panel-head">
        <h2>{frame?.name ?? 'No frame'}</h2>
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
            <Toggle
              on={look.clips}
              name="Clip"
              says="What clips, by channel: red upright, green level, blue leaning, all white (X)"
              onFlip={() => void setLook({ clips: !look.clips })}
            />
            <LookMenu look={look} setLook={setLook} onHero={holdHero} />
          </div>
        </div>
      </header>
      <input {...getInputProps({ accept: ACCEPTED })} aria-label="Frame file" />
      <div className={`picture-box${look.zoom === '1:1' ? ' picture-scroll' : ''}`} ref={box}>
        {frame ? (
          <>
            <div
              className="picture-sheet"
              style={{ width: frame.info.width * shownScale, height: frame.info.height * shownScale }}
              data-painted={painted}
              data-size={`${frame.info.width}×${frame.info.height}`}
            >
              <canvas ref={canvas} role="img" aria-label={`Picture of ${frame.name}`} />
              {against && request && !beside && (
                <Wipe against={against} request={request} serial={frame.serial} />
              )}
              <Guides
                width={frame.info.width}
                height={frame.info.height}
                scale={shownScale}
                guide={look.guide}
                own={look.ratio}
                safe={look.safe}
              />
              <PatchLayer
                width={frame.info.width}
                height={frame.info.height}
                scale={shownScale}
                patches={patches}
                labels={labels}
                tool={tool}
                highlight={highlight}
                onSet={session.frame.setPatch}
                onRemove={session.frame.removePatch}
              />
              {look.glass && <Magnifier info={frame.info} picture={canvas} painted={painted} />}
            </div>
            {against && request && beside && (
              <Beside
                against={against}
                request={request}
                serial={frame.serial}
                width={frame.info.width * shownScale}
                height={frame.info.height * shownScale}
              />
            )}
          </>
        ) : (
          <Empty title={busy ? `Opening ${busy.name}` : 'Drop a frame or a clip here'}>
            <p className="quiet">
              {busy
                ? busy.phase
                : 'PNG, TIFF, DPX or JPEG; Y4M, MP4, MOV, MKV or WebM; or a live picture from a device. Everything is measured on the codes of the recording.'}
            </p>
          </Empty>
        )}
        {difference && <p className="hero-words">{difference}</p>}
        {busy && (
          <div className="busy" role="status">
            <progress value={busy.fraction} max={1} aria-label={busy.phase} /> {busy.phase}
            <Button variant="outline-secondary" size="sm" onClick={session.frame.cancelOpening}>
              Stop
            </Button>
          </div>
        )}
        {isDragActive && <div className="drop-hint">Drop to open</div>}
      </div>
      <footer className="panel-foot">
        <SourceControls onOpen={open} />
        {frame && (
          <>
            <label className="mark-pick">
              <span className="quiet">Mark</span>
              <Form.Select
                size="sm"
                title="Drag on the picture to mark it"
                value={tool.id}
                onChange={(event) => setToolId(event.target.value)}
              >
                {tools.map(({ id, name }) => (
                  <option key={id} value={id}>
                    {name}
                  </option>
                ))}
              </Form.Select>
            </label>
            <Segmented
              label="Zoom"
              options={[
                { id: 'fit', name: `fit ${Math.round(scale * 100)} %` },
                { id: '1:1', name: '1:1' },
              ]}
              value={look.zoom}
              onPick={(zoom) => void setLook({ zoom })}
            />
            <ReadingControls />
          </>
        )}
        {(problem ?? lutProblem) && <span className="field-error">{problem ?? lutProblem}</span>}
      </footer>
    </section>
  );
};
