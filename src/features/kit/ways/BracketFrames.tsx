'use client';

import { useEffect, useRef, useState } from 'react';
import Button from 'react-bootstrap/Button';
import Table from 'react-bootstrap/Table';
import type { CardMark } from '#core/scopes/cardReading.ts';
import type { Coding, Range } from '#core/signal/scale.ts';
import { printStopsExact } from '#core/units.ts';
import { stopsSchema } from '#store/records/common.ts';
import { between } from '#store/records/common.ts';
import { useBracket } from '#ui/bench/useBracket.ts';
import { NumberField } from '#ui/forms/NumberField.tsx';
import type { BracketFields, BracketFrame } from './bracketModel.ts';
import { words } from '#ui/wording/kitWays.ts';
import { CardMarker } from '../CardMarker.tsx';

const MARK_WORDS = { x: 'left', y: 'top', width: 'wide', height: 'high' } as const;
const MARK_RULE = { schema: between(0, 100), says: words.type0To100 };
const STOPS_RULE = { schema: stopsSchema, says: words.typeStopsSuchAs };
const MARK_KEYS = Object.keys(MARK_WORDS) as (keyof CardMark)[];
const PREVIEW = 356;

/** The brightest frame that is likely not clipped: the middle of the bracket. */
const shownOf = (frames: readonly BracketFrame[]) => frames[Math.floor(frames.length / 2)];

/** A frame without what was read at another mark. */
const unread = ({ name, bytes, stops, range }: BracketFrame): BracketFrame => ({ name, bytes, stops, range });

/** Reads the card off every frame, one after the other. Stops when the signal says so: then undefined. */
const useReadFrames = (range: Range) => {
  const bracket = useBracket();
  return async (
    frames: readonly BracketFrame[],
    mark: CardMark,
    signal: AbortSignal,
  ): Promise<BracketFrame[] | undefined> => {
    const read: BracketFrame[] = [];
    for (const frame of frames) {
      const card = await bracket.readCard(frame, mark, range, signal);
      if (!card) return undefined;
      read.push({ ...unread(frame), ...(card.ok ? { reading: card.value } : { refused: card.reason }) });
    }
    return read;
  };
};

const Picture = ({
  frame,
  coding,
  mark,
  onMark,
}: {
  frame: BracketFrame;
  coding: Coding;
  mark: CardMark;
  onMark: (mark: CardMark) => void;
}) => {
  const canvas = useRef<HTMLCanvasElement>(null);
  const bracket = useBracket();
  useEffect(() => {
    const mine = new AbortController();
    // A frame that does not open is named when it is read; its preview stays black.
    void bracket.preview(frame, coding.range, 2 * PREVIEW, mine.signal).then((pixels) => {
      if (mine.signal.aborted || !pixels || !canvas.current) return;
      canvas.current.width = pixels.width;
      canvas.current.height = pixels.height;
      canvas.current
        .getContext('2d')
        ?.putImageData(new ImageData(pixels.rgba, pixels.width, pixels.height), 0, 0);
    });
    return () => mine.abort();
  }, [bracket, frame, coding.range]);
  return (
    <CardMarker
      label={words.frameOfTheBracket}
      marks={[{ id: 'card', rect: mark }]}
      drawing="card"
      onMark={onMark}
    >
      <canvas ref={canvas} />
    </CardMarker>
  );
};

/** Frames of a bracket: the card marked once, read off every one. */
export const BracketFrames = ({
  fields,
  frames,
  coding,
  change,
}: {
  fields: BracketFields;
  frames: readonly BracketFrame[];
  coding: Coding;
  change: (part: Partial<BracketFields>) => void;
}) => {
  const reading = useRef<AbortController>(undefined);
  const [busy, setBusy] = useState(false);
  const readFrames = useReadFrames(coding.range);
  const read = async (mark: CardMark) => {
    reading.current?.abort();
    const mine = new AbortController();
    reading.current = mine;
    change({ mark, frames });
    setBusy(true);
    const done = await readFrames(frames, mark, mine.signal);
    if (mine.signal.aborted) return;
    setBusy(false);
    if (done) change({ mark, frames: done });
  };
  useEffect(() => () => reading.current?.abort(), []);
  const setMark = (key: keyof CardMark, percent: number) =>
    change({ mark: { ...fields.mark, [key]: percent / 100 }, frames: frames.map(unread) });
  const shown = shownOf(frames);
  return (
    <>
      <div className="anchor-wide">
        <Picture frame={shown} coding={coding} mark={fields.mark} onMark={(mark) => void read(mark)} />
        <p className="quiet mb-0">{shown.name}, its codes as recorded. Drag over the card.</p>
      </div>
      {MARK_KEYS.map((key) => (
        <NumberField
          key={key}
          className="anchor-quarter"
          label={`${MARK_WORDS[key]}, %`}
          rule={MARK_RULE}
          disabled={busy}
          value={Math.round(100 * fields.mark[key])}
          onSet={(percent) => setMark(key, percent)}
        />
      ))}
      <div className="anchor-wide d-flex gap-2">
        <Button variant="outline-secondary" size="sm" disabled={busy} onClick={() => void read(fields.mark)}>
          {busy ? words.reading : words.readTheCardOff(frames.length)}
        </Button>
        <Button variant="outline-secondary" size="sm" onClick={() => change({ frames: undefined })}>
          {words.typeReadingsInstead}
        </Button>
      </div>
      <Table className="figures anchor-wide frame-table">
        <thead>
          <tr>
            <th scope="col">{words.frame}</th>
            <th scope="col">{words.stops}</th>
            <th scope="col">{words.card}</th>
            <th scope="col">{words.noise}</th>
          </tr>
        </thead>
        <tbody>
          {frames.map((frame, i) => (
            <tr key={frame.name}>
              <th scope="row" title={frame.name}>
                {frame.name.replace(/\.[a-z]\w*$/i, '')}
              </th>
              <td>
                <NumberField
                  isInline
                  label={words.stopsOfNamed(frame.name)}
                  rule={STOPS_RULE}
                  step={1 / 3}
                  print={printStopsExact}
                  disabled={busy}
                  value={frame.stops}
                  onSet={(stops) => change({ frames: frames.map((f, n) => (n === i ? { ...f, stops } : f)) })}
                />
              </td>
              <td>{frame.refused ? '!' : frame.reading ? (100 * frame.reading.signal).toFixed(2) : '–'}</td>
              <td>{frame.reading ? (100 * frame.reading.deviation).toFixed(2) : '–'}</td>
            </tr>
          ))}
        </tbody>
      </Table>
    </>
  );
};
