'use client';

import { useEffect, useRef, useState } from 'react';
import Button from 'react-bootstrap/Button';
import type { RoomMarkRecord } from '#store/records/room.ts';
import type { RoomBench } from '#ui/bench/room/roomBench.ts';
import type { InputOnBench } from '#ui/bench/room/roomState.ts';
import { INPUT_STATES } from '#core/room/liveness.ts';
import { StateMark } from '#ui/parts/StateMark.tsx';
import { words } from '#ui/wording/room.ts';
import type { Pixels } from '#workers/judge/protocol.ts';
import type { Share } from '#workers/match/protocol.ts';
import { MarkLayer } from '../cameras/MarkLayer.tsx';
import { withMark } from './marking.ts';
import { SourceMenu } from './SourceMenu.tsx';
import type { RoomCamera } from './roomModel.ts';
import type { Room } from './useRoom.ts';

/** Pixels onto a canvas, at their own size. */
const put = (canvas: HTMLCanvasElement | null, { width, height, rgba }: Pixels) => {
  if (!canvas) return;
  if (canvas.width !== width) canvas.width = width;
  if (canvas.height !== height) canvas.height = height;
  canvas.getContext('2d')?.putImageData(new ImageData(rgba, width, height), 0, 0);
};

/** An input's pictures straight onto three canvases: nothing is drawn anew on the page. */
const useCanvases = (bench: RoomBench, id: string) => {
  const picture = useRef<HTMLCanvasElement>(null);
  const wave = useRef<HTMLCanvasElement>(null);
  const vector = useRef<HTMLCanvasElement>(null);
  const near = useRef<HTMLCanvasElement>(null);
  useEffect(
    () =>
      bench.paint(id, (came) => {
        put(picture.current, came.picture);
        put(wave.current, came.wave);
        put(vector.current, came.vector);
        if (came.near) put(near.current, came.near);
      }),
    [bench, id],
  );
  return { picture, wave, vector, near };
};

type Board = NonNullable<RoomCamera['position']['board']>;
/** Something that is dragged is kept where it is let go, as one step of undo; by keys each step is one. */
const useDragging = (
  loose: readonly RoomMarkRecord[],
  board: Board | undefined,
  onMark: (place: Share, name?: string) => void,
  onBoard: (board: Board) => void,
) => {
  const [drag, setDrag] = useState<{ readonly mark?: RoomMarkRecord; readonly board?: Board }>();
  return {
    loose: drag?.mark ? withMark(loose, drag.mark) : loose,
    board: drag?.board ?? board,
    onDrag: (isOn: boolean) => {
      if (!isOn && drag?.mark) onMark(drag.mark.place, drag.mark.name);
      if (!isOn && drag?.board) onBoard(drag.board);
      setDrag(isOn ? {} : undefined);
    },
    onMove: (name: string, place: Share) => {
      const mark = loose.find((one) => one.name === name);
      if (!mark) return;
      if (drag) setDrag({ mark: { ...mark, place } });
      else onMark(place, name);
    },
    onCorner: (corner: number, to: Board['corners'][number]) => {
      const from = drag?.board ?? board;
      if (!from) return;
      const corners = from.corners.map((point, i) => (i === corner ? to : point));
      const next = { ...from, corners: corners as unknown as Board['corners'] };
      if (drag) setDrag({ board: next });
      else onBoard(next);
    },
  };
};

const GOOD = ['running', 'waiting'];
/** Share of a legal picture that may lie well under black, %. */
const MOST_UNDER = 0.5;
/** Share at the clip that is told, %. */
const LEAST_CLIPPED = 0.1;

/** What an input says of itself under its picture. */
const TileState = ({ input }: { input: InputOnBench }) => {
  const { state, problem, under, clipped, coding, rate, dropped, shown } = input;
  return (
    <div className="room-state">
      {GOOD.includes(state) ? (
        <span className="quiet" data-shown={shown} data-dropped={dropped}>
          {coding && `${coding.width} × ${coding.height}, ${coding.evidence} · `}
          {words.pace(rate.toFixed(0), dropped, shown + dropped)}
          {clipped >= LEAST_CLIPPED && ` · ${words.atClip(clipped.toFixed(1))}`}
        </span>
      ) : (
        <span role="status">
          <StateMark state="watch" /> {problem ?? INPUT_STATES[state]}
        </span>
      )}
      {coding?.range === 'legal' && under > MOST_UNDER && (
        <span className="field-error">{words.outside(under.toFixed(0))}</span>
      )}
    </div>
  );
};

/** One input: its picture with what is marked on it, its waveform and its vectorscope. */
export const RoomTile = ({
  room,
  camera,
  n,
  input,
  marks,
  loose,
  board,
  onBoard,
  hasScopes,
  selected,
  onSelect,
  onMark,
  onRemove,
}: {
  room: Room;
  camera: RoomCamera;
  /** Its place among the inputs. */
  n: number;
  input?: InputOnBench;
  /** All that is read on it. */
  marks: readonly RoomMarkRecord[];
  /** Those that are moved one by one. */
  loose: readonly RoomMarkRecord[];
  board?: Board;
  /** The board laid elsewhere, or taken off. */
  onBoard: (board: Board | undefined) => void;
  hasScopes: boolean;
  selected?: string;
  onSelect: (name: string) => void;
  /** A new mark, or with a name one that is moved. */
  onMark: (place: Share, name?: string) => void;
  onRemove: (name: string) => void;
}) => {
  const canvases = useCanvases(room.bench, camera.id);
  const { picture, wave, vector, near } = canvases;
  const dragging = useDragging(loose, board, onMark, onBoard);
  const { name } = camera.camera;
  const { coding } = input ?? {};
  return (
    <figure className="room-tile" data-input={camera.id}>
      <figcaption>
        <strong>{name}</strong>{' '}
        <span className="quiet">
          {camera.isHero && `${words.hero}, `}
          {camera.selection.profile.name}
          {input && `, ${input.name}`}
        </span>
        <SourceMenu room={room} camera={camera} n={n} input={input} />
      </figcaption>
      <div className="room-picture" style={{ aspectRatio: coding ? coding.width / coding.height : 16 / 9 }}>
        <canvas ref={picture} role="img" aria-label={words.pictureOf(name)} />
        {coding && (
          <MarkLayer
            side="hero"
            sideName={name}
            ratio={coding.height / coding.width}
            marks={dragging.loose.map((mark) => ({ ...mark, camera: mark.place, hero: mark.place }))}
            board={dragging.board?.corners}
            selected={selected}
            onSelect={onSelect}
            onDrag={dragging.onDrag}
            onDraw={(place) => onMark(place)}
            onMove={dragging.onMove}
            onCorner={dragging.onCorner}
            onRemove={onRemove}
          />
        )}
        {board && (
          <Button
            size="sm"
            variant="outline-secondary"
            className="room-lift"
            onClick={() => onBoard(undefined)}
          >
            {words.liftBoard}
          </Button>
        )}
        {!input && (
          <p className="room-none">
            {words.noInput}. {words.noInputSays}
          </p>
        )}
      </div>
      {input && <TileState input={input} />}
      {marks.some(({ name: mark }) => mark === selected) && (
        <div className="room-near">
          <canvas ref={near} role="img" aria-label={words.nearOf(selected!, name)} />
          <span className="quiet">{words.nearOf(selected!, name)}</span>
        </div>
      )}
      <div className="room-scopes" hidden={!hasScopes}>
        <canvas ref={wave} role="img" aria-label={words.waveOf(name)} />
        <canvas ref={vector} className="room-vector" role="img" aria-label={words.vectorOf(name)} />
      </div>
    </figure>
  );
};
