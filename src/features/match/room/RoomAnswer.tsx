'use client';

import Button from 'react-bootstrap/Button';
import { operationOf } from '#core/correction/operations.ts';
import { CAUSES, sizeWords } from '#core/room/events.ts';
import { printSigned } from '#core/units.ts';
import type { DriftKind } from '#core/room/drift.ts';
import { momentKey } from '#ui/bench/room/roomBox.ts';
import { alarmKey, type RoomBenchState } from '#ui/bench/room/roomState.ts';
import { Panel } from '#ui/parts/Panel.tsx';
import { StateMark } from '#ui/parts/StateMark.tsx';
import { useKey } from '#ui/shell/useKey.ts';
import { words } from '#ui/wording/room.ts';
import type { SolvedMatch } from '#workers/match/protocol.ts';
import type { MatchPair } from '../cameras/useMatchPair.ts';
import type { RoomCamera } from './roomModel.ts';
import type { Room } from './useRoom.ts';

/** Under these nothing is said of a difference. */
const SAID = { stops: 1 / 24, mired: 2, tint: 1, black: 0.1, times: 0.02 } as const;

const most = (solved: SolvedMatch, kinds: readonly string[]) => {
  const found = solved.match.patches.filter(({ kind }) => kinds.includes(kind)).map(({ before }) => before);
  return found.length > 0 ? Math.max(...found) : undefined;
};

/** A difference in words, where it is one that is told. */
const saidOf = (
  value: number,
  least: number,
  digits: number,
  over: (size: string) => string,
  under: typeof over,
) => (Math.abs(value) > least ? [(value > 0 ? over : under)(Math.abs(value).toFixed(digits))] : []);

/** How the camera stands against the hero: what its correction would undo, then what of it is seen. */
export const apartWords = (solved: SolvedMatch): string => {
  const { correction } = solved.match;
  const { stops = 0 } = operationOf(correction, 'exposure') ?? {};
  const { mired = 0, tint = 0 } = operationOf(correction, 'balance') ?? {};
  const { offset } = operationOf(correction, 'black') ?? { offset: [0, 0, 0] };
  const { slope = 1 } = operationOf(correction, 'contrast') ?? {};
  const { amount = 1 } = operationOf(correction, 'saturation') ?? {};
  const black = (-100 * (offset[0] + offset[1] + offset[2])) / 3;
  const times = (value: number, say: (times: string) => string) =>
    Math.abs(value - 1) > SAID.times ? [say((1 / value).toFixed(2))] : [];
  const said = [
    ...saidOf(-stops, SAID.stops, 2, words.brighter, words.darker),
    ...saidOf(-mired, SAID.mired, 0, words.warmer, words.cooler),
    ...saidOf(-tint, SAID.tint, 0, words.greener, words.pinker),
    ...(Math.abs(black) > SAID.black ? [words.blackOff(printSigned(black, 1))] : []),
    ...times(slope, words.contrastOff),
    ...times(amount, words.saturationOff),
  ];
  const skin = most(solved, ['skin']);
  const neutral = most(solved, ['card', 'white', 'neutral']);
  return [
    ...(said.length === 0 ? [words.alike] : said),
    ...(skin === undefined ? [] : [words.faceOff(skin.toFixed(1))]),
    ...(neutral === undefined ? [] : [words.neutralOff(neutral.toFixed(1))]),
  ].join(', ');
};

/** Alarms of all inputs that are not over, the unseen first. */
const alarmsOf = ({ inputs, seen, evening }: Pick<RoomBenchState, 'inputs' | 'seen' | 'evening'>) =>
  Object.entries(inputs)
    .flatMap(([id, { told, drift }]) =>
      told.map((kind: DriftKind) => {
        const began = evening.events.findLast(
          (event) =>
            event.inputId === id && event.what === 'drift' && event.kind === kind && event.state === 'began',
        );
        return { id, kind, size: drift[kind] ?? 0, began, isSeen: seen.includes(alarmKey(id, kind)) };
      }),
    )
    .toSorted((a, b) => Number(a.isSeen) - Number(b.isSeen));

export const clockOf = (ms: number): string =>
  new Date(ms).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit', second: '2-digit' });

/** The answer first: how the camera stands against the hero, and whether anything has changed since. */
export const RoomAnswer = ({
  room: { bench, cameras },
  pair,
  solved,
  hasThings,
  problem,
  face,
  state,
}: {
  room: Room;
  pair?: MatchPair;
  solved?: SolvedMatch;
  hasThings: boolean;
  /** Why nothing is solved. */
  problem?: string;
  /** How whoever speaks now lies. */
  face?: string;
  state: Pick<RoomBenchState, 'inputs' | 'seen' | 'evening'>;
}) => {
  const alarms = alarmsOf(state);
  const { moments } = state.evening;
  const kept = cameras.flatMap(({ id, position }) => moments[momentKey(id, position.id)]?.at ?? []).at(0);
  const nameOf = (id: string) => cameras.find((one) => one.id === id)?.camera.name ?? id;
  useKey('seen', () => bench.acknowledge());
  const keep = () =>
    bench.keepMoment(Object.fromEntries(cameras.map((camera) => [camera.id, standsAt(camera)])));
  const isReady = Object.values(state.inputs).some(({ patches }) => patches && patches.length > 0);
  const unseen = alarms.some(({ isSeen }) => !isSeen);
  return (
    <Panel
      title={
        pair ? words.apart(pair.selections.camera.camera.name, pair.selections.hero.camera.name) : words.room
      }
      className="room-answer"
      tools={
        <Button size="sm" disabled={!isReady} title={words.keepSays} onClick={keep}>
          {words.keepMoment}
        </Button>
      }
    >
      <p className="room-says" role="status">
        {solved ? apartWords(solved) : (problem ?? (hasThings ? words.waiting : words.nothingCommon))}
      </p>
      {face !== undefined && <p className="mb-1">{face}</p>}
      <div className="room-alarms" role="status" aria-label={words.alarms}>
        {kept === undefined ? (
          <span className="quiet">{words.notWatched}</span>
        ) : alarms.length === 0 ? (
          <span>
            <StateMark state="holds" /> {words.noAlarm}
          </span>
        ) : (
          <ul>
            {alarms.map(({ id, kind, size, began, isSeen }) => (
              <li key={alarmKey(id, kind)} className={isSeen ? 'quiet' : undefined}>
                <StateMark state="watch" /> {nameOf(id)}: {sizeWords(kind, size)}
                {began && `, ${words.since(clockOf(began.at))}`}
                {began?.what === 'drift' && ` · ${CAUSES[began.cause]}`}
              </li>
            ))}
          </ul>
        )}
        {kept !== undefined && <span className="quiet">{words.kept(clockOf(kept))}</span>}
        {unseen && (
          <Button
            size="sm"
            variant="outline-secondary"
            title={words.acknowledgeSays}
            onClick={() => bench.acknowledge()}
          >
            {words.acknowledge}
          </Button>
        )}
      </div>
    </Panel>
  );
};

/** How a camera stands, for the log. */
const standsAt = ({ selection: { profile, plan } }: RoomCamera): string =>
  words.stands(profile.name, plan.kelvin, plan.iso);
