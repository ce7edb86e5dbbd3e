'use client';

import { useCallback, useMemo, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { useCanvas } from '#ui/bench/useAnswer.ts';
import type { MatchBench, MatchBenchState, SideOnBench } from '#ui/bench/match/matchBench.ts';
import { useMatchBench } from '#ui/bench/match/useMatchBench.ts';
import { Empty } from '#ui/parts/Empty.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { WipeOver } from '#ui/parts/WipeOver.tsx';
import { words } from '#ui/wording/match.ts';
import type { Correction } from '#core/correction/operations.ts';
import type { Side, SolvedMatch } from '#workers/match/protocol.ts';
import { MarkLayer } from './MarkLayer.tsx';
import { MarkZoom } from './MarkZoom.tsx';
import { MarkList } from './MarkList.tsx';
import { MatchScopes } from './MatchScopes.tsx';
import { NEW_NAMES, PictureTools, type Look, type NewKind } from './PictureTools.tsx';
import { FileButton, Frames } from './SideFile.tsx';
import { filmKey, type MatchPair } from './useMatchPair.ts';

/** Width that a side's picture is worked out at, px. */
const PICTURE_WIDTH = 480;
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

/** The chosen mark near on both, where there are both and it is measured. */
const ZoomOnBoth = ({
  pair,
  state,
  selected,
  look,
  correction,
}: {
  pair: MatchPair;
  state: MatchBenchState;
  selected?: string;
  look: Look;
  correction?: Correction;
}) => {
  const { sides, marks, whole } = state;
  const mark = marks.find(({ name }) => name === selected);
  if (!mark || whole || !sides.camera || !sides.hero) return null;
  return <MarkZoom {...{ mark, pair, state }} correction={look === 'recorded' ? undefined : correction} />;
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
          <ZoomOnBoth {...{ pair, state, selected }} look={look} correction={correction} />
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
