'use client';

import { Crosshair } from 'lucide-react';
import { useMemo, useState } from 'react';
import { UNKNOWN_GAMUT } from '#core/colour/gamut.ts';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { useDropzone } from 'react-dropzone';
import type { Rect } from '#core/frame/frame.ts';
import type { Progress } from '#workers/rpc/protocol.ts';
import { useBench, useCard, useSelection, useSession } from '#ui/bench/hooks.ts';
import { Empty } from '#ui/parts/Empty.tsx';
import { Segmented } from '#ui/parts/Segmented.tsx';
import { useSize } from '#ui/parts/useSize.ts';
import { useJudgeView } from '../useJudgeView.ts';
import { heroDifference, heroWords } from './heroModel.ts';
import { PictureSheet } from './PictureSheet.tsx';
import { PictureTools } from './PictureTools.tsx';
import { ReadingControls } from './ReadingControls.tsx';
import { SourceControls } from './SourceControls.tsx';
import { Tray } from './Tray.tsx';
import { middleOf, toolsFor, type Tool } from './tools.ts';
import { usePictureDrawing } from './usePictureDrawing.ts';
import { usePictureKeys } from './usePictureKeys.ts';
import { words } from '#ui/wording/judgePicture.ts';

/** What the file dialog offers is what opens; what a file is, its first bytes say. */
const ACCEPTED = 'video/*,.png,.tif,.tiff,.dpx,.jpg,.jpeg,.y4m,.mp4,.mov,.mkv,.webm,.mxf,.avi,.mts';
const TAKES =
  'Stills (PNG, TIFF, DPX, JPEG), clips (Y4M, MP4, MOV, MKV, WebM) or a live picture; measured on the recorded codes.';

const NoFrame = ({ busy }: { busy?: Progress & { readonly name: string } }) => (
  <Empty title={busy ? words.openingNamed(busy.name) : words.dropFramesOrClips}>
    <p className="quiet">{busy ? busy.phase : TAKES}</p>
    {!busy && (
      <p className="quiet">Nothing to hand? Pick a scene below: the simulated camera is set as your card.</p>
    )}
  </Empty>
);

const Busy = ({ busy }: { busy: Progress }) => {
  const { session } = useBench();
  return (
    <div className="busy" role="status">
      <progress value={busy.fraction} max={1} aria-label={busy.phase} /> {busy.phase}
      <Button variant="outline-secondary" size="sm" onClick={session.frame.cancelOpening}>
        {words.stop}
      </Button>
    </div>
  );
};

/** How the frame differs from the hero that it is held against. */
const HeroWords = () => {
  const { numbers } = useCard();
  const { hero, measured } = useSession((state) => ({ hero: state.hero, measured: state.measured }));
  if (!hero || !measured) return null;
  return (
    <p className="hero-words">{heroWords(heroDifference(hero.measurement, measured.measurement, numbers))}</p>
  );
};

const MarkPicker = ({
  tools,
  tool,
  onPick,
  onMiddle,
}: {
  tools: readonly Tool[];
  tool: Tool;
  onPick: (id: string) => void;
  onMiddle: () => void;
}) => (
  <span className="mark-pick">
    <Button
      size="sm"
      variant="outline-secondary"
      className="icon-button"
      aria-label={words.markInTheMiddle(tool.name)}
      title={words.markItInThe}
      onClick={onMiddle}
    >
      <Crosshair size={16} aria-hidden="true" />
    </Button>
    <label className="visually-hidden" htmlFor="mark-pick">
      {words.mark}
    </label>
    <Form.Select
      id="mark-pick"
      size="sm"
      title={words.dragOnThePicture}
      value={tool.id}
      onChange={(event) => onPick(event.target.value)}
    >
      {tools.map(({ id, name }) => (
        <option key={id} value={id}>
          {name}
        </option>
      ))}
    </Form.Select>
  </span>
);

/** Said over the monitor's picture where nobody knows what the camera's colours are. */
const UnknownGamut = () =>
  useSelection().profile.data.gamut === UNKNOWN_GAMUT ? (
    <span className="lut-note">{words.gamutUnknown}</span>
  ) : null;

/** The frame with zebras, false colour, contours, guides and patches; open by button, drop, or from the demo. */
export const PicturePane = ({ highlight }: { highlight?: Rect }) => {
  const { session } = useBench();
  const { camera, setup, subjects } = useSelection();
  const { target } = useCard();
  const [look, setLook] = useJudgeView();
  const { frame, busy } = useSession((state) => ({ frame: state.frame, busy: state.busy }));
  const tools = useMemo(() => toolsFor(subjects), [subjects]);
  const [toolId, setToolId] = useState('card');
  const tool = tools.find(({ id }) => id === toolId) ?? tools[0];
  const [box, room] = useSize({ width: 640, height: 360 });
  const drawing = usePictureDrawing(look, room);
  const { open, getRootProps, getInputProps, isDragActive } = useDropzone({
    noClick: true,
    noKeyboard: true,
    multiple: true,
    onDrop: (files) => void session.tray.add(files, { range: camera.coding.range, setupId: setup.id }),
  });
  const holdHero = () => void session.hero.hold(target);
  usePictureKeys(look, setLook, { open, holdHero });
  const place = `${isDragActive ? ' dropping' : ''}${look.large === 'picture' ? '' : ' picture-small'}`;
  return (
    <section className={`panel picture${place}`} {...getRootProps()}>
      <header className="panel-head">
        <h2 title={frame?.name}>{frame?.name ?? words.noFrame}</h2>
        <PictureTools look={look} setLook={setLook} onHero={holdHero} />
      </header>
      <Tray />
      <input {...getInputProps({ accept: ACCEPTED })} aria-label={words.frameFile} />
      <div className={`picture-box${look.zoom === '1:1' ? ' picture-scroll' : ''}`} ref={box}>
        {frame ? (
          <PictureSheet {...{ frame, look, drawing, tools, tool, highlight }} />
        ) : (
          <NoFrame busy={busy} />
        )}
        {frame && look.view === 'monitor' && <UnknownGamut />}
        {look.against === 'hero' && <HeroWords />}
        {busy && <Busy busy={busy} />}
        {isDragActive && <div className="drop-hint">Drop to open</div>}
      </div>
      <footer className="panel-foot">
        <SourceControls onOpen={open} />
        {frame && (
          <>
            <MarkPicker
              tools={tools}
              tool={tool}
              onPick={setToolId}
              onMiddle={() => {
                const { id, kind, subjectId } = tool;
                session.frame.setPatch({ id, kind, subjectId, rect: middleOf(frame.info) });
              }}
            />
            <Segmented
              label={words.zoom}
              options={[
                { id: 'fit', name: `fit ${Math.round(drawing.fitting * 100)} %` },
                { id: '1:1', name: '1:1' },
              ]}
              value={look.zoom}
              onPick={(zoom) => void setLook({ zoom })}
            />
            <ReadingControls />
          </>
        )}
        {drawing.problem && <span className="field-error">{drawing.problem}</span>}
      </footer>
    </section>
  );
};
