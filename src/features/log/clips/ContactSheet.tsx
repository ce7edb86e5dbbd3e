'use client';

import { useVirtualizer } from '@tanstack/react-virtual';
import { useRef } from 'react';
import Button from 'react-bootstrap/Button';
import { useSize } from '#ui/parts/useSize.ts';
import { StateMark } from '#ui/parts/StateMark.tsx';
import { words } from '#ui/wording/clips.ts';
import type { ClipLine } from '#ui/bench/clips/clipLines.ts';
import { ClipHandle } from './ClipDrag.tsx';
import { printOff, STATE_WORDS, troubleOf } from './clipWords.ts';
import { SheetPicture } from './SheetPicture.tsx';
import { useCircle } from './useCircle.ts';
import { correctionWords } from '#ui/bench/match/correctionWords.ts';

/** Least width of a picture and height of a row, px. */
const [CELL_PX, ROW_PX] = [180, 158];
/** One line more. */
const CORRECTED_ROW_PX = 178;

const Cell = ({ line, isCorrected }: { line: ClipLine; isCorrected: boolean }) => {
  const circle = useCircle();
  const { clip, take, off, isHero, state } = line;
  const does =
    isCorrected && !clip.onPurpose && clip.correction ? correctionWords(clip.correction.correction) : [];
  return (
    <Button
      variant="bare"
      className={`sheet-cell${clip.circled ? ' clip-circled' : ''}`}
      aria-pressed={clip.circled}
      aria-label={words.circleClip(clip.file.name)}
      title={troubleOf(line)}
      onClick={() => circle(clip)}
    >
      <ClipHandle line={line}>
        <SheetPicture line={line} isCorrected={isCorrected} />
      </ClipHandle>
      <span className="sheet-name">
        <StateMark state={STATE_WORDS[state].mark} />
        <span className="clip-file">{clip.file.name}</span>
        {isHero && <span className="clip-hero">{words.hero}</span>}
      </span>
      <span className="quiet">
        {take ? `${take.setup} ${take.number}` : words.noTake}
        {off && !isCorrected && <span className="num"> {printOff(off)}</span>}
      </span>
      {does.length > 0 && (
        <span className="sheet-does" title={does.join(', ')}>
          {does.join(', ')}
        </span>
      )}
    </Button>
  );
};

/** The clips as pictures, side by side; pressing one circles it. */
export const ContactSheet = ({
  lines,
  label,
  isCorrected = false,
}: {
  lines: readonly ClipLine[];
  label: string;
  /** Each with its correction on it, where it has one. */
  isCorrected?: boolean;
}) => {
  const scroll = useRef<HTMLDivElement>(null);
  const [box, { width }] = useSize({ width: 800, height: 400 });
  const across = Math.max(1, Math.floor(width / CELL_PX));
  const virtual = useVirtualizer({
    count: Math.ceil(lines.length / across),
    getScrollElement: () => scroll.current,
    estimateSize: () => (isCorrected ? CORRECTED_ROW_PX : ROW_PX),
    overscan: 3,
  });
  return (
    <div ref={scroll} className="contact-sheet" tabIndex={0} role="group" aria-label={label}>
      <div ref={box} style={{ height: virtual.getTotalSize() }} className="contact-rows">
        {virtual.getVirtualItems().map(({ key, index, start }) => (
          <div
            key={key}
            className="contact-row"
            style={{
              transform: `translateY(${start}px)`,
              gridTemplateColumns: `repeat(${across}, minmax(0, 1fr))`,
            }}
          >
            {lines.slice(index * across, (index + 1) * across).map((line) => (
              <Cell key={line.clip.id} line={line} isCorrected={isCorrected} />
            ))}
          </div>
        ))}
      </div>
    </div>
  );
};
