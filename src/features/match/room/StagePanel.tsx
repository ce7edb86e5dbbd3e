'use client';

import Button from 'react-bootstrap/Button';
import { EVENING_FAULTS, nextFault } from '#core/room/evening.ts';
import type { RoomBenchState } from '#ui/bench/room/roomState.ts';
import { Panel } from '#ui/parts/Panel.tsx';
import { Segmented } from '#ui/parts/Segmented.tsx';
import { words } from '#ui/wording/room.ts';
import { foundPaint } from '../cameras/panelModel.ts';
import { settingOf, type Room } from './useRoom.ts';

const PACES = [
  { id: '1', name: '1 ×' },
  { id: '10', name: '10 ×' },
  { id: '60', name: '60 ×' },
] as const;
/** Before a fault begins, s: it is to be seen coming. */
const BEFORE = 15;

const minutesOf = (seconds: number) =>
  `${Math.floor(seconds / 60)}:${String(Math.floor(seconds % 60)).padStart(2, '0')}`;

/** The evening of the simulated cameras: how fast it goes, and what goes wrong next. */
export const StagePanel = ({
  room: { bench, cameras, settings, setSettings },
  inputs,
}: {
  room: Room;
  inputs: RoomBenchState['inputs'];
}) => {
  const here = cameras.filter(({ id }) => inputs[id]?.kind === 'stage');
  if (here.length === 0) return null;
  const at = Math.max(...here.map(({ id }) => inputs[id].at));
  const faults = [...new Set(here.flatMap(({ id }) => inputs[id].faults))];
  const goTo = (seconds: number) => {
    for (const camera of here) {
      const setting = settingOf(camera, settings, cameras.indexOf(camera));
      if (setting) bench.stage(camera.id, setting, seconds);
    }
  };
  return (
    <Panel title={words.stage} note={words.stageNote} className="room-stage">
      <p>
        <span className="num">{words.eveningTime(minutesOf(at))}</span>
        {faults.length > 0 &&
          ` · ${words.faultNow(faults.map((fault) => words.faultNames[fault]).join(', '))}`}
      </p>
      <div className="exports">
        <Segmented
          label={words.speed}
          options={PACES}
          value={String(settings.pace) as (typeof PACES)[number]['id']}
          onPick={(pace) => setSettings((now) => ({ ...now, pace: Number(pace) }))}
        />
        {EVENING_FAULTS.map((fault) => (
          <Button
            key={fault}
            size="sm"
            variant="outline-secondary"
            onClick={() => goTo(nextFault(fault, at) - BEFORE)}
          >
            {words.toFault} “{words.faultNames[fault]}”
          </Button>
        ))}
        <Button
          size="sm"
          variant="outline-secondary"
          onClick={() =>
            setSettings((now) => ({
              ...now,
              found: Object.fromEntries(
                cameras.flatMap(({ id, isHero }, n) => (isHero ? [] : [[id, foundPaint(Date.now() + n)]])),
              ),
            }))
          }
        >
          {words.putOff}
        </Button>
      </div>
    </Panel>
  );
};
