'use client';

import { useEffect, useRef, useState } from 'react';
import Form from 'react-bootstrap/Form';
import InputGroup from 'react-bootstrap/InputGroup';
import { BOARDS, BOARD_IDS } from '#core/match/boards.ts';
import { CAUTION_CLOSE } from '#core/cautions.ts';
import type { RoomMarkRecord } from '#store/records/room.ts';
import { panelOf } from '#store/records/panel.ts';
import { useBench, useRecords, useSelection } from '#ui/bench/hooks.ts';
import { useOnRoomBench } from '#ui/bench/room/useRoomBench.ts';
import { Empty } from '#ui/parts/Empty.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { Segmented } from '#ui/parts/Segmented.tsx';
import { words } from '#ui/wording/room.ts';
import type { Share } from '#workers/match/protocol.ts';
import { AlikePanel } from '../cameras/AlikePanel.tsx';
import { MixerPanel } from '../cameras/MixerPanel.tsx';
import { TurnsPanel } from '../cameras/TurnsPanel.tsx';
import { useMatchPair, type MatchPair } from '../cameras/useMatchPair.ts';
import { ByEyePanel } from './ByEyePanel.tsx';
import { EveningPanel } from './EveningPanel.tsx';
import { FacesPanel, speakerWords } from './FacesPanel.tsx';
import { KeptMixer } from './KeptMixer.tsx';
import { Outlines } from './Outlines.tsx';
import { PositionBar } from './PositionBar.tsx';
import { RoomAnswer } from './RoomAnswer.tsx';
import { RoomTile } from './RoomTile.tsx';
import { SeatsPanel } from './SeatsPanel.tsx';
import { SheetPanel } from './SheetPanel.tsx';
import { StagePanel } from './StagePanel.tsx';
import { ThingsPanel } from './ThingsPanel.tsx';
import { boardChosen, boardIn, newName, NEW_MARKS, withMark, withoutMark, type NewMark } from './marking.ts';
import { readAt, roomEdit, withPosition, type RoomCamera } from './roomModel.ts';
import { useLiveMatch } from './useLiveMatch.ts';
import { useRoom, type Room } from './useRoom.ts';

const SCOPES = [
  { id: 'tiles', name: words.sideBySide },
  { id: 'outlines', name: words.inOutlines },
] as const;
type Scopes = (typeof SCOPES)[number]['id'];

/** What is put onto an input's picture: chosen first, then dragged. */
const useMarking = ({ cameras, marks, bench }: Room) => {
  const { book } = useBench();
  const inputs = useOnRoomBench((state) => state.inputs);
  const marksOn = ({ id, position }: RoomCamera): readonly RoomMarkRecord[] =>
    readAt(position, (inputs[id]?.kind ?? 'stage') === 'stage' ? (marks[id] ?? []) : []);
  /** Those that can be moved and taken off one by one: the patches of a board go with its corners. */
  const looseOn = (camera: RoomCamera): readonly RoomMarkRecord[] =>
    camera.position.board ? camera.position.marks : marksOn(camera);
  const keep = (camera: RoomCamera, next: readonly RoomMarkRecord[], label: string, speaks?: string) => {
    const room = withPosition(camera.room, camera.position.id, { marks: [...next] });
    const hero = cameras.find(({ isHero }) => isHero) ?? camera;
    // Who speaks is the room's, wherever the face was marked: it stands with the hero.
    const own = speaks === undefined || hero.id !== camera.id ? room : { ...room, speaks };
    const edit = roomEdit(camera, own, label);
    const others =
      speaks === undefined || hero.id === camera.id
        ? []
        : roomEdit(hero, { ...hero.room, speaks }, label).changes;
    void book.edit({ ...edit, changes: [...edit.changes, ...others] });
  };
  const lay = (camera: RoomCamera, board: RoomCamera['position']['board']) =>
    void book.edit(
      roomEdit(
        camera,
        withPosition(camera.room, camera.position.id, { board }),
        (board ? words.layBoardOn : words.liftBoardOff)(camera.camera.name),
      ),
    );
  return {
    marksOn,
    looseOn,
    lay,
    /** @param chosen What was chosen to be marked: a kind of thing that is new, or the name of one */
    mark: (camera: RoomCamera, place: Share, chosen: string, name?: string) => {
      const here = looseOn(camera);
      const known = cameras.flatMap(marksOn);
      const mark: RoomMarkRecord = name
        ? { ...here.find((one) => one.name === name)!, place }
        : { ...newName(chosen, known), place };
      const isFace = name === undefined && mark.kind === 'skin';
      keep(
        camera,
        withMark(here, mark),
        words.markEdit(mark.name, camera.camera.name),
        isFace ? mark.name : undefined,
      );
      if (isFace) bench.note({ at: Date.now(), inputId: camera.id, what: 'face', says: mark.name });
      return mark.name;
    },
    unmark: (camera: RoomCamera, name: string) =>
      keep(camera, withoutMark(looseOn(camera), name), words.unmarkEdit(name, camera.camera.name)),
  };
};

/** The inputs side by side, and over each other in outlines. */
const Inputs = ({ room }: { room: Room }) => {
  const { cameras, bench, settings, setSettings } = room;
  const inputs = useOnRoomBench((state) => state.inputs);
  const marking = useMarking(room);
  const [scopes, setScopes] = useState<Scopes>('tiles');
  const [chosen, setChosen] = useState<string>('skin');
  const setSelected = (near: string) => setSettings((now) => ({ ...now, near }));
  const names = [...new Set(cameras.flatMap(marking.looseOn).map(({ name }) => name))];
  return (
    <Panel
      title={words.inputs}
      note={words.markSays}
      className="room-inputs"
      tools={
        <>
          <InputGroup size="sm" className="room-mark">
            <InputGroup.Text>{words.mark}</InputGroup.Text>
            <Form.Select
              size="sm"
              aria-label={words.mark}
              value={chosen}
              onChange={({ target }) => setChosen(target.value)}
            >
              {(Object.keys(NEW_MARKS) as NewMark[]).map((kind) => (
                <option key={kind} value={kind}>
                  {NEW_MARKS[kind]}
                </option>
              ))}
              {BOARD_IDS.map((id) => (
                <option key={id} value={`board ${id}`}>
                  {words.boardOf(BOARDS[id].name)}
                </option>
              ))}
              {names.map((name) => (
                <option key={`= ${name}`} value={`= ${name}`}>
                  {name}
                </option>
              ))}
            </Form.Select>
          </InputGroup>
          <Segmented label={words.scopesAs} options={SCOPES} value={scopes} onPick={setScopes} />
        </>
      }
    >
      <div className="room-tiles">
        {cameras.map((camera, n) => (
          <div key={camera.id} className="room-column">
            <RoomTile
              room={room}
              camera={camera}
              n={n}
              input={inputs[camera.id]}
              marks={marking.marksOn(camera)}
              loose={marking.looseOn(camera)}
              board={camera.position.board}
              onBoard={(board) => marking.lay(camera, board)}
              hasScopes={scopes === 'tiles'}
              selected={settings.near}
              onSelect={setSelected}
              onMark={(place, name) => {
                const board = name === undefined ? boardChosen(chosen) : undefined;
                if (board) marking.lay(camera, boardIn(board, place));
                else setSelected(marking.mark(camera, place, chosen, name));
              }}
              onRemove={(name) => marking.unmark(camera, name)}
            />
            <PositionBar camera={camera} />
          </div>
        ))}
      </div>
      {scopes === 'outlines' && <Outlines bench={bench} cameras={cameras} />}
    </Panel>
  );
};

/** A control was turned: what its camera showed before counts no more, and the log says so. */
const useTurns = ({ cameras, bench }: Room) => {
  const last = useRef(cameras);
  useEffect(() => {
    for (const { id, camera } of cameras) {
      const seen = last.current.find((one) => one.id === id);
      const before = seen && panelOf(seen.camera);
      const turned = panelOf(camera).filter(({ id: control, at }) =>
        before?.some((one) => one.id === control && one.at !== at),
      );
      if (turned.length > 0)
        bench.turned(id, turned.map(({ name, at }) => words.toStep(name, at)).join(', '));
    }
    last.current = cameras;
  }, [bench, cameras]);
};

const Pair = ({ room, pair }: { room: Room; pair: MatchPair }) => {
  const { cameras, bench } = room;
  const state = useOnRoomBench(({ inputs, evening, seen }) => ({ inputs, evening, seen }));
  const { subjects } = useRecords();
  const { shoot, setup } = useSelection();
  const [own, other] = [pair.selections.camera.camera.id, pair.selections.hero.camera.id];
  const [camera, hero] = [own, other].map((id) => cameras.find((one) => one.id === id));
  const { solved, problem, hasThings } = useLiveMatch(pair, state.inputs[own], state.inputs[other]);
  const here = setup.subjectIds.flatMap((id) => subjects.get(id) ?? []);
  const live = state.inputs[own]?.kind === 'stage' ? 'simulated' : 'device';
  // The hero's picture of a face counts first.
  const seen = [other, ...cameras.map(({ id }) => id)].map((id) => state.inputs[id]);
  const face = hero && speakerWords(hero, seen, here);
  return (
    <>
      <RoomAnswer {...{ room, pair, solved, hasThings, problem, face, state }} />
      <Inputs room={room} />
      <div className="match-figures">
        <TurnsPanel pair={pair} look={solved?.look} isBusy={false} live={live} />
        <EveningPanel cameras={cameras} setup={setup} sun={shoot.sun} state={state} />
        {panelOf(pair.selections.camera.camera).length > 0 && (
          <ByEyePanel {...{ bench, pair, cameras, solved }} />
        )}
        {solved?.mixer && (
          <MixerPanel pair={pair} answer={solved.mixer}>
            {camera && <KeptMixer {...{ bench, camera, cameras, mixer: solved.mixer.mixer }} />}
          </MixerPanel>
        )}
        {hero && <FacesPanel hero={hero} inputs={seen} subjects={here} />}
        <ThingsPanel pair={pair} camera={state.inputs[own]} hero={state.inputs[other]} solved={solved} />
        {camera && <SeatsPanel camera={camera} solved={solved} />}
        <AlikePanel pair={pair} />
        <StagePanel room={room} inputs={state.inputs} />
        <SheetPanel room={room} pair={pair} solved={solved} evening={state.evening} />
      </div>
      <p className="caution">
        {words.flicker} {words.heat} {CAUTION_CLOSE}
      </p>
    </>
  );
};

/** Match for inputs that run: several cameras made one before the first word, and watched through the evening. */
export const RoomView = () => {
  const room = useRoom();
  const pair = useMatchPair();
  const { bench } = room;
  useTurns(room);
  useEffect(
    () => () => {
      // Simulated cameras that nobody watches need not go on; a moment that is kept is watched from every step.
      const { inputs, evening } = bench.getState();
      if (Object.keys(evening.moments).length > 0) return;
      for (const [id, { kind }] of Object.entries(inputs)) if (kind === 'stage') bench.disconnect(id);
    },
    [bench],
  );
  return (
    <div className="match room">
      {pair ? (
        <Pair room={room} pair={pair} />
      ) : (
        <Panel title={words.room}>
          <Empty title={words.oneCamera}>
            <p>{words.oneCameraSays}</p>
          </Empty>
        </Panel>
      )}
    </div>
  );
};
