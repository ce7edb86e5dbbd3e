'use client';

import { useCallback, useMemo, useRef, useState } from 'react';
import Button from 'react-bootstrap/Button';
import Dropdown from 'react-bootstrap/Dropdown';
import Form from 'react-bootstrap/Form';
import { BOARDS, BOARD_IDS } from '#core/match/boards.ts';
import { useCanvas } from '#ui/bench/useAnswer.ts';
import type { MatchBench, MatchBenchState, SideOnBench } from '#ui/bench/match/matchBench.ts';
import { useMatchBench } from '#ui/bench/match/useMatchBench.ts';
import { Empty } from '#ui/parts/Empty.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { Segmented } from '#ui/parts/Segmented.tsx';
import { WipeOver } from '#ui/parts/WipeOver.tsx';
import { words } from '#ui/wording/match.ts';
import type { Correction } from '#core/correction/operations.ts';
import type { Side, SolvedMatch } from '#workers/match/protocol.ts';
import { MarkLayer } from './MarkLayer.tsx';
import { MarkZoom } from './MarkZoom.tsx';
import { MarkList } from './MarkList.tsx';
import { MatchScopes } from './MatchScopes.tsx';
import { filmKey, type MatchPair } from './useMatchPair.ts';

/** Width that a side's picture is worked out at, px. */
const PICTURE_WIDTH = 480;
const LOOKS = [
  { id: 'recorded', name: words.asRecorded },
  { id: 'matched', name: words.matched },
  { id: 'wipe', name: words.wipe },
] as const;
type Look = (typeof LOOKS)[number]['id'];
const NEW_KINDS = ['card', 'skin', 'neutral', 'white', 'colour'] as const;
const NEW_NAMES = {
  card: words.kindCard,
  skin: words.kindSkin,
  neutral: words.kindNeutral,
  white: words.kindWhite,
  colour: words.kindColour,
} as const;

/** A side as it is drawn, and asked for again when anything of it changes. */
const useSidePicture = (
  pair: MatchPair,
  state: MatchBenchState,
  side: Side,
  correction: Correction | undefined,
  isWanted = true,
) => {
  const bench = useMatchBench();
  const has = isWanted && state.sides[side] !== undefined;
  const { serial } = state;
  const ask = useMemo(() => {
    if (!has) return undefined;
    const input = { ...pair.readings, side, correction, width: PICTURE_WIDTH };
    return (signal: AbortSignal) => {
      void serial;
      return bench.picture(input, signal);
    };
  }, [bench, has, pair.readings, side, correction, serial]);
  return useCanvas(ask);
};

const FileButton = ({ side, pair }: { side: Side; pair: MatchPair }) => {
  const bench = useMatchBench();
  const input = useRef<HTMLInputElement>(null);
  const { coding, name } = pair.selections[side].camera;
  return (
    <>
      <Form.Control
        ref={input}
        type="file"
        hidden
        aria-label={words.fileFor(name)}
        onChange={(event) => {
          const field = event.target as HTMLInputElement;
          const file = field.files?.[0];
          if (file) void bench.open(side, file, { range: coding.range });
          field.value = '';
        }}
      />
      <Button size="sm" variant="outline-secondary" onClick={() => input.current?.click()}>
        {side === 'hero' ? words.openHero : words.openCamera}
      </Button>
    </>
  );
};

const Frames = ({ side, pair, state }: { side: Side; pair: MatchPair; state: MatchBenchState }) => {
  const bench = useMatchBench();
  const at = state.sides[side];
  const { camera } = pair.selections[side];
  if (!at?.clip || !at.file || at.clip.frames < 2) return null;
  const { file, clip } = at;
  return (
    <Form.Range
      aria-label={words.frameOf(camera.name)}
      min={0}
      max={clip.frames - 1}
      value={clip.frame}
      onChange={(event) =>
        void bench.open(
          side,
          file,
          { range: camera.coding.range },
          Number(event.target.value) / (clip.frames - 1),
        )
      }
    />
  );
};

/** Boards whose patches are laid by dragging four corners. */
const BoardMenu = () => {
  const bench = useMatchBench();
  return (
    <Dropdown>
      <Dropdown.Toggle size="sm" variant="outline-secondary">
        {words.layBoard}
      </Dropdown.Toggle>
      <Dropdown.Menu renderOnMount={false}>
        {BOARD_IDS.map((id) => (
          <Dropdown.Item key={id} as="button" type="button" onClick={() => bench.layBoard(id)}>
            {BOARDS[id].name}
          </Dropdown.Item>
        ))}
      </Dropdown.Menu>
    </Dropdown>
  );
};

type NewKind = (typeof NEW_KINDS)[number];

/** How the pictures are shown, and what is marked next. */
const PictureTools = ({
  state: { marks, whole },
  look,
  setLook,
  kind,
  setKind,
}: {
  state: MatchBenchState;
  look: Look;
  setLook: (look: Look) => void;
  kind: NewKind;
  setKind: (kind: NewKind) => void;
}) => {
  const bench = useMatchBench();
  return (
    <div className="match-tools">
      <Segmented label={words.showAs} options={LOOKS} value={look} onPick={setLook} />
      <Form.Select
        size="sm"
        aria-label={words.kind}
        value={kind}
        onChange={(event) => setKind(event.target.value as NewKind)}
      >
        {NEW_KINDS.map((one) => (
          <option key={one} value={one}>
            {words.mark}: {NEW_NAMES[one]}
          </option>
        ))}
      </Form.Select>
      <BoardMenu />
      <Button size="sm" variant="outline-secondary" onClick={() => bench.setWhole(!whole)}>
        {whole ? words.useMarks : words.wholeClips}
      </Button>
      {marks.length > 0 && !whole && (
        <Button size="sm" variant="outline-secondary" onClick={bench.clearMarks}>
          {words.clearMarks}
        </Button>
      )}
    </div>
  );
};

/** Leaves what lies there and sets both cameras before the scene of the set-up. */
const filmAgain = (bench: MatchBench, { scene }: MatchPair) => {
  if (!scene) return;
  bench.clear();
  void bench.film(scene.id, scene.sides, filmKey(scene));
};

const Caption = ({ side, pair, at }: { side: Side; pair: MatchPair; at?: SideOnBench }) => {
  const { camera, profile } = pair.selections[side];
  return (
    <figcaption>
      <strong>{camera.name}</strong>{' '}
      <span className="quiet">
        {profile.name}
        {at && `, ${at.file ? at.name : words.simulated}`}
      </span>
    </figcaption>
  );
};

/** Both pictures, what is marked on them, before and after. */
export const PairPictures = ({
  pair,
  state,
  solved,
  onDrag,
}: {
  pair: MatchPair;
  state: MatchBenchState;
  solved?: SolvedMatch;
  onDrag: (isDragging: boolean) => void;
}) => {
  const bench = useMatchBench();
  const [look, setLook] = useState<Look>('recorded');
  const [kind, setKind] = useState<NewKind>('card');
  const [selected, setSelected] = useState<string>();
  const correction = solved?.match.correction;
  const { canvas: heroCanvas, ...hero } = useSidePicture(pair, state, 'hero', undefined);
  const { canvas: shownCanvas, ...shown } = useSidePicture(
    pair,
    state,
    'camera',
    look === 'matched' ? correction : undefined,
  );
  const { canvas: overCanvas, ...over } = useSidePicture(
    pair,
    state,
    'camera',
    correction,
    look === 'wipe' && correction !== undefined,
  );
  const { sides, marks, board, whole } = state;
  const layer = useCallback(
    (side: Side) => {
      const coding = sides[side]?.coding;
      if (!coding) return null;
      return (
        <MarkLayer
          side={side}
          sideName={pair.selections[side].camera.name}
          ratio={coding.height / coding.width}
          marks={whole ? [] : marks}
          board={board?.corners[side]}
          selected={selected}
          onSelect={setSelected}
          onDrag={onDrag}
          onDraw={(place) => bench.addMark(NEW_NAMES[kind], kind, place)}
          onMove={(name, place) => bench.moveMark(name, side, place)}
          onCorner={(corner, to) => bench.moveCorner(side, corner, to)}
          onRemove={bench.removeMark}
        />
      );
    },
    [bench, board, kind, marks, onDrag, pair.selections, selected, sides, whole],
  );
  const names = { hero: pair.selections.hero.camera.name, camera: pair.selections.camera.camera.name };
  const hasAny = sides.camera !== undefined || sides.hero !== undefined;
  const hasFiles = sides.camera?.file !== undefined || sides.hero?.file !== undefined;
  const isOnBoth = sides.camera !== undefined && sides.hero !== undefined;
  const zoomed = isOnBoth && !whole ? marks.find(({ name }) => name === selected) : undefined;
  const problem = hero.problem ?? shown.problem ?? over.problem;
  return (
    <Panel
      title={words.pictures}
      className="match-pictures"
      tools={
        <>
          <FileButton side="hero" pair={pair} />
          <FileButton side="camera" pair={pair} />
          {(hasFiles || !hasAny) && pair.scene && (
            <Button size="sm" variant="outline-secondary" onClick={() => filmAgain(bench, pair)}>
              {words.filmAgain}
            </Button>
          )}
        </>
      }
    >
      {hasAny ? (
        <>
          <PictureTools {...{ state, look, setLook, kind, setKind }} />
          {problem !== undefined && <p className="field-error">{problem}</p>}
          <div className="match-pair">
            <figure>
              <Caption side="hero" pair={pair} at={sides.hero} />
              <div className="match-picture">
                <canvas ref={heroCanvas} />
                {layer('hero')}
              </div>
              <Frames side="hero" pair={pair} state={state} />
            </figure>
            <figure>
              <Caption side="camera" pair={pair} at={sides.camera} />
              <div className="match-picture">
                <canvas ref={shownCanvas} />
                {look === 'wipe' && <WipeOver name={words.matched} canvas={overCanvas} />}
                {look !== 'wipe' && layer('camera')}
              </div>
              <Frames side="camera" pair={pair} state={state} />
            </figure>
          </div>
          {zoomed && (
            <MarkZoom
              mark={zoomed}
              pair={pair}
              state={state}
              correction={look === 'recorded' ? undefined : correction}
            />
          )}
          <MatchScopes
            hero={heroCanvas}
            camera={look === 'wipe' ? overCanvas : shownCanvas}
            painted={[hero.painted, shown.painted, over.painted].join(' ')}
            names={names}
          />
          {!whole && marks.length > 0 && <MarkList marks={marks} solved={solved} />}
        </>
      ) : (
        <Empty title={words.noPictures}>
          <p>{words.noPicturesSays}</p>
        </Empty>
      )}
    </Panel>
  );
};
