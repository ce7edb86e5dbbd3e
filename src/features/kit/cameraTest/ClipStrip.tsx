'use client';

import { useCallback } from 'react';
import Button from 'react-bootstrap/Button';
import { SURE } from '#core/cameraTest/find/recognise.ts';
import { shotName } from '#core/cameraTest/shotWords.ts';
import { SHOT_KINDS } from '#core/cameraTest/shotKinds.ts';
import type { FoundIn } from '#core/cameraTest/find/foundIn.ts';
import { words } from '#ui/wording/kitTest.ts';
import { SmallCanvas } from './SmallCanvas.tsx';
import type { CameraTest } from './useTest.ts';

const stateOf = ({ shotId, sure, isSet }: FoundIn) =>
  shotId === undefined ? 'is-none' : isSet ? 'is-set' : sure < SURE ? 'is-doubtful' : 'is-found';

const Found = ({
  test: { bench, list, state },
  one,
  isChosen,
  onChoose,
}: {
  test: CameraTest;
  one: FoundIn;
  isChosen: boolean;
  onChoose: (id: string) => void;
}) => {
  const shot = list.find(({ id }) => id === one.shotId);
  const name = shot ? shotName(shot) : words.noShot;
  const kind = shot ? SHOT_KINDS[shot.kind].name : '';
  const file = state.clips.find(({ id }) => id === one.clip)?.file.name ?? '';
  const load = useCallback(
    () => bench.picture(one.clip, (one.from + one.to) / 2),
    [bench, one.clip, one.from, one.to],
  );
  return (
    <li className={`test-hold ${stateOf(one)}${isChosen ? ' is-chosen' : ''}`}>
      <Button
        variant="bare"
        onClick={() => onChoose(one.id)}
        aria-pressed={isChosen}
        aria-label={words.holdSays(kind, name, file)}
        title={one.odd ?? words.holdSays(kind, name, file)}
      >
        <SmallCanvas load={load} label={file} />
        <span className="test-hold-kind">{kind}</span>
        <span className="num">{name}</span>
        {stateOf(one) === 'is-doubtful' && <span className="test-hold-ask">{words.sure}</span>}
        {one.odd && <span className="test-hold-odd">{words.odd}</span>}
      </Button>
    </li>
  );
};

/** The holds found, in time. */
export const ClipStrip = ({
  test,
  chosen,
  onChoose,
}: {
  test: CameraTest;
  chosen: string | undefined;
  onChoose: (id: string) => void;
}) => (
  <ol className="test-strip" aria-label={words.strip}>
    {test.state.found.map((one) => (
      <Found key={one.id} test={test} one={one} isChosen={one.id === chosen} onChoose={onChoose} />
    ))}
  </ol>
);
