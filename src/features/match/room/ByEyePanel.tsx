'use client';

import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { panelOf, type PanelControl } from '#store/records/panel.ts';
import { useBench } from '#ui/bench/hooks.ts';
import type { RoomBench } from '#ui/bench/room/roomBench.ts';
import { Panel } from '#ui/parts/Panel.tsx';
import { Slider } from '#ui/parts/Slider.tsx';
import { words } from '#ui/wording/room.ts';
import type { SolvedMatch } from '#workers/match/protocol.ts';
import { panelEdit } from '../cameras/panelModel.ts';
import type { MatchPair } from '../cameras/useMatchPair.ts';
import { Outlines } from './Outlines.tsx';
import { apartWords } from './RoomAnswer.tsx';
import type { RoomCamera } from './roomModel.ts';

/** For those who trust their eye: one knob, both pictures' lines over each other, the number beside it. */
export const ByEyePanel = ({
  bench,
  pair,
  cameras,
  solved,
}: {
  bench: RoomBench;
  pair: MatchPair;
  cameras: readonly RoomCamera[];
  solved?: SolvedMatch;
}) => {
  const { book } = useBench();
  const { camera } = pair.selections.camera;
  const panel = panelOf(camera);
  const [chosen, setChosen] = useState<string>();
  /** Where a slider that is held stands: it is turned when it is let go. */
  const [held, setHeld] = useState<number>();
  const knob = panel.find(({ id }) => id === chosen) ?? panel.at(0);
  const turn = ({ id }: PanelControl, at: number) =>
    void book.edit(
      panelEdit(
        camera,
        panel.map((one) => (one.id === id ? { ...one, at } : one)),
        words.turnEdit(camera.name),
      ),
    );
  const both = cameras.filter(({ id }) => id === camera.id || id === pair.selections.hero.camera.id);
  return (
    <Panel
      title={words.byEye}
      note={words.byEyeNote}
      className="room-eye"
      tools={
        panel.length > 0 && (
          <Form.Select
            size="sm"
            aria-label={words.knob}
            value={knob?.id}
            onChange={({ target }) => setChosen(target.value)}
          >
            {panel.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </Form.Select>
        )
      }
    >
      {knob && (
        <>
          <div className="room-knob">
            <Button
              size="sm"
              variant="outline-secondary"
              disabled={knob.at <= knob.low}
              onClick={() => turn(knob, knob.at - 1)}
            >
              {words.turnDown}
            </Button>
            <Slider
              label={knob.name}
              min={knob.low}
              max={knob.high}
              step={1}
              value={held ?? knob.at}
              shown={String(held ?? knob.at)}
              onSet={setHeld}
              onCommit={() => {
                if (held !== undefined) turn(knob, held);
                setHeld(undefined);
              }}
              onReset={() => turn(knob, 0)}
            />
            <Button
              size="sm"
              variant="outline-secondary"
              disabled={knob.at >= knob.high}
              onClick={() => turn(knob, knob.at + 1)}
            >
              {words.turnUp}
            </Button>
          </div>
          <p>
            <span className="quiet">{words.apartNow}:</span> {solved ? apartWords(solved) : words.waiting}
          </p>
          <Outlines bench={bench} cameras={both} />
        </>
      )}
    </Panel>
  );
};
