'use client';

import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { printInstant } from '#core/day/clock.ts';
import type { TakeFacts } from '#store/takeFacts.ts';
import { Popup } from '#ui/parts/Popup.tsx';
import { words } from '#ui/wording/clips.ts';
import type { ClipLine } from '#ui/bench/clips/clipLines.ts';
import { useTakeChoice } from './useTakeChoice.ts';
import { useNewTake } from './useNewTake.ts';

const takeName = ({ setup, number }: TakeFacts) => `${setup} ${number}`;

/** Which take a clip is, and the way to say otherwise. */
export const TakeOfClip = ({ line, takes }: { line: ClipLine; takes: readonly TakeFacts[] }) => {
  const choose = useTakeChoice();
  const makeTake = useNewTake();
  const { clip, take, camera, state } = line;
  const name = clip.file.name;
  if (clip.state !== 'surveyed') return <span className="quiet">–</span>;
  return (
    <Popup
      variant="bare"
      label={words.whichTake(name)}
      name={
        <>
          {take ? takeName(take) : words.noTake}
          {state === 'unsure' && <span className="clip-unsure">?</span>}
        </>
      }
      className="clip-take"
    >
      {(close) => (
        <Form.Group className="clip-take-choice">
          <Form.Label className="quiet">{words.whichTake(name)}</Form.Label>
          <Form.Select
            size="sm"
            aria-label={words.whichTake(name)}
            value={take?.id ?? ''}
            onChange={({ target }) => {
              void choose(clip, target.value === '' ? undefined : target.value);
              close();
            }}
          >
            <option value="">{words.noTake}</option>
            {takes
              .filter((one) => one.camera === camera)
              .map((one) => (
                <option key={one.id} value={one.id}>
                  {takeName(one)} · {printInstant(one.loggedAt)}
                </option>
              ))}
          </Form.Select>
          {!take && (
            <Button
              size="sm"
              variant="outline-secondary"
              onClick={() => {
                void makeTake(clip);
                close();
              }}
            >
              {words.newTake}
            </Button>
          )}
        </Form.Group>
      )}
    </Popup>
  );
};
