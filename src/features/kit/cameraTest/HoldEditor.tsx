'use client';

import { useCallback, useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { shotTitle } from '#core/cameraTest/shotWords.ts';
import type { FoundIn } from '#core/cameraTest/find/foundIn.ts';
import { words } from '#ui/wording/kitTest.ts';
import { CardMarker } from '../CardMarker.tsx';
import { SmallCanvas } from './SmallCanvas.tsx';
import type { CameraTest } from './useTest.ts';

const NONE = 'none';
const FOUND = 'found';
/** The frame of a hold with the card on it: dragged anew, every clip is looked at again. */
const CardOnFrame = ({ test, hold }: { test: CameraTest; hold: FoundIn }) => {
  const { bench, state, asked, range } = test;
  const [what, setWhat] = useState<'card' | 'chip'>('card');
  const load = useCallback((signal: AbortSignal) => bench.preview(hold, range, signal), [bench, hold, range]);
  const { card, chip } = state.marks;
  return (
    <div className="test-marking">
      <CardMarker
        label={words.frameOfHold}
        marks={[
          { id: 'card', rect: card },
          ...(chip ? [{ id: 'chip', rect: chip, className: 'is-chip' }] : []),
        ]}
        drawing={what}
        onMark={(rect) => void bench.mark(hold, { ...state.marks, [what]: rect }, asked, range)}
      >
        <SmallCanvas load={load} label={words.frameOfHold} />
      </CardMarker>
      {state.have.chip ? (
        <Form.Select
          size="sm"
          aria-label={words.whatToMark}
          value={what}
          onChange={(event) => setWhat(event.target.value as 'card' | 'chip')}
        >
          <option value="card">{words.markCard}</option>
          <option value="chip">{words.markChip}</option>
        </Form.Select>
      ) : (
        <p className="quiet">{words.markCard}</p>
      )}
    </div>
  );
};

/** One hold: which shot it is, from where to where, what is odd about it. */
export const HoldEditor = ({ test, hold }: { test: CameraTest; hold: FoundIn }) => {
  const { bench, state, list, asked } = test;
  const clip = state.clips.find(({ id }) => id === hold.clip);
  const end = clip?.looked?.seconds ?? hold.to;
  const [ends, setEnds] = useState<readonly [number, number]>([hold.from, hold.to]);
  const [from, to] = ends;
  const keep = () => {
    if (to > from && (from !== hold.from || to !== hold.to)) void bench.bound(hold.id, from, to, asked);
  };
  const step = Math.max(0.05, end / 400);
  return (
    <div className="test-editor">
      <CardOnFrame test={test} hold={hold} />
      <div className="test-editor-fields">
        <Form.Group controlId="test-shot">
          <Form.Label>{words.shotOf(clip?.file.name ?? '')}</Form.Label>
          <Form.Select
            size="sm"
            value={hold.shotId ?? NONE}
            onChange={(event) => {
              const { value } = event.target;
              void bench.label(hold.id, value === NONE ? null : value === FOUND ? undefined : value, asked);
            }}
          >
            <option value={NONE}>{words.noShot}</option>
            {hold.isSet && <option value={FOUND}>{words.asFound}</option>}
            {list.map((shot) => (
              <option key={shot.id} value={shot.id}>
                {shotTitle(shot)}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
        <p className="quiet num mb-1">
          {hold.isSet ? words.setByHand : words.sureBy((100 * hold.sure).toFixed(0))}
          {' · '}
          {words.cardReads((100 * hold.signal).toFixed(1))}
        </p>
        {hold.odd && <p className="test-odd">{hold.odd}</p>}
        <Form.Group controlId="test-from">
          <Form.Label>{words.fromSecond(from.toFixed(1))}</Form.Label>
          <Form.Range
            min={0}
            max={end}
            step={step}
            value={from}
            onChange={(event) => setEnds([Math.min(Number(event.target.value), to), to])}
            onPointerUp={keep}
            onKeyUp={keep}
          />
        </Form.Group>
        <Form.Group controlId="test-to">
          <Form.Label>{words.toSecond(to.toFixed(1))}</Form.Label>
          <Form.Range
            min={0}
            max={end}
            step={step}
            value={to}
            onChange={(event) => setEnds([from, Math.max(Number(event.target.value), from)])}
            onPointerUp={keep}
            onKeyUp={keep}
          />
        </Form.Group>
        {clip && (
          <Button variant="outline-secondary" size="sm" onClick={() => void bench.remove(clip.id, asked)}>
            {words.leaveOut(clip.file.name)}
          </Button>
        )}
      </div>
    </div>
  );
};
