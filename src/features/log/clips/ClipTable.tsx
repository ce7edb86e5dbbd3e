'use client';

import { Circle, CircleDot, ScanEye } from 'lucide-react';
import { useMemo, useRef } from 'react';
import Button from 'react-bootstrap/Button';
import { printStopsDecimal } from '#core/units.ts';
import { clipPictureIds } from '#store/records/clip.ts';
import type { TakeFacts } from '#store/takeFacts.ts';
import { LadderGlyph } from '#ui/ladder/LadderGlyph.tsx';
import { useKey } from '#ui/shell/useKey.ts';
import { correctionWords } from '#ui/bench/match/correctionWords.ts';
import { DataTable } from '#ui/parts/DataTable.tsx';
import { StateMark } from '#ui/parts/StateMark.tsx';
import type { Column } from '#ui/parts/column.ts';
import { words } from '#ui/wording/clips.ts';
import { Thumbnail } from '#ui/parts/Thumbnail.tsx';
import { CLIP_STATES, heroReason, type ClipLine } from '#ui/bench/clips/clipLines.ts';
import { ClipHandle } from './ClipDrag.tsx';
import { ClipNote } from './ClipNote.tsx';
import { factsLine, marksLine, printOff, STATE_WORDS, troubleOf } from './clipWords.ts';
import { TakeOfClip } from './TakeOfClip.tsx';
import { useCircle } from './useCircle.ts';
import { useOpenClip } from './useOpenClip.ts';

/** Height of a line, px, as the style sheet has it. */
const ROW_PX = 53;
/** Beyond this robust z a clip stands out (Iglewicz and Hoaglin 1993). */
const STANDS_OUT = 3.5;

const Name = ({ line }: { line: ClipLine }) => {
  const { clip, isHero } = line;
  const ids = clipPictureIds(clip);
  return (
    <div className="clip-name">
      <ClipHandle line={line}>
        <Thumbnail takeId={ids[ids.length >> 1] ?? ''} alt="" />
      </ClipHandle>
      <div>
        <span className="clip-file" title={clip.file.name}>
          {clip.file.name}
        </span>
        {isHero && (
          <span className="clip-hero" title={heroReason(line)}>
            {words.hero}
          </span>
        )}
        <span className="quiet clip-facts">{factsLine(clip.facts)}</span>
      </div>
    </div>
  );
};

const State = ({ line }: { line: ClipLine }) => (
  <span className="clip-state">
    <StateMark state={STATE_WORDS[line.state].mark} />
    <span title={troubleOf(line)}>{troubleOf(line)}</span>
  </span>
);

const Tools = ({ line: { clip } }: { line: ClipLine }) => {
  const circle = useCircle();
  const open = useOpenClip();
  const Mark = clip.circled ? CircleDot : Circle;
  const { name } = clip.file;
  return (
    <div className="clip-tools">
      <Button
        variant="bare"
        className="clip-circle"
        aria-pressed={clip.circled}
        aria-label={words.circleClip(name)}
        onClick={() => circle(clip)}
      >
        <Mark size={18} aria-hidden="true" />
      </Button>
      <ClipNote clip={clip} />
      <Button
        variant="bare"
        aria-label={words.openInJudge(name)}
        title={open.canOpen(clip.id) ? words.openInJudge(name) : words.notOpenHere}
        disabled={!open.canOpen(clip.id)}
        onClick={() => void open.open(clip)}
      >
        <ScanEye size={18} aria-hidden="true" />
      </Button>
    </div>
  );
};

const percent = (share: number) => (100 * share).toFixed(share < 0.1 ? 1 : 0);
const DASH = <span className="quiet">–</span>;

/** A heading with its unit under it. */
const head = (name: string, unit: string) => (
  <>
    {name} <span className="quiet clip-unit">{unit}</span>
  </>
);

/** The take of a clip, and the correction that was accepted for it. */
const TakeCell = ({ line, takes }: { line: ClipLine; takes: readonly TakeFacts[] }) => {
  const { correction } = line.clip;
  const does = correction?.accepted ? correctionWords(correction.correction).join(', ') : '';
  return (
    <>
      <TakeOfClip line={line} takes={takes} />
      {does !== '' && (
        <small className="clip-correction" title={`${words.correctionSays}: ${does}`}>
          {does}
        </small>
      )}
    </>
  );
};

const columnsFor = (takes: readonly TakeFacts[]): readonly Column<ClipLine>[] => [
  {
    id: 'clip',
    header: words.clip,
    cell: (line) => <Name line={line} />,
    sortBy: ({ clip }) => clip.facts?.startedAt ?? clip.file.writtenAt,
    className: 'clip-cell',
  },
  {
    id: 'spread',
    header: <span className="visually-hidden">{words.spread}</span>,
    cell: ({ clip: { found } }) =>
      found ? <LadderGlyph distribution={found.distribution} label={words.spreadSays} /> : null,
  },
  {
    id: 'state',
    header: words.state,
    cell: (line) => <State line={line} />,
    sortBy: ({ state }) => CLIP_STATES.indexOf(state),
    className: 'words',
  },
  {
    id: 'take',
    header: words.take,
    cell: (line) => <TakeCell line={line} takes={takes} />,
    sortBy: ({ take }) => take?.loggedAt,
    className: 'words',
  },
  {
    id: 'off',
    header: head(words.offPlan, words.stops),
    says: words.offPlanSays,
    cell: ({ off }) => (off ? printOff(off) : DASH),
    title: ({ clip }) => marksLine(clip),
    sortBy: ({ off }) => (off ? -Math.abs(off.stops) : undefined),
  },
  {
    id: 'hero',
    header: head(words.offHero, words.stops),
    says: words.offHeroSays,
    cell: ({ againstHero }) => (againstHero ? printOff(againstHero) : DASH),
    sortBy: ({ unusual, againstHero }) => (againstHero ? -Math.abs(unusual) : undefined),
    className: ({ unusual }) => (Math.abs(unusual) > STANDS_OUT ? 'stands-out' : undefined),
    title: ({ unusual }) =>
      Math.abs(unusual) > STANDS_OUT ? words.standsOut(printStopsDecimal(unusual)) : undefined,
  },
  {
    id: 'drift',
    header: head(words.drift, words.stops),
    says: words.driftSays,
    cell: ({ clip: { found } }) => (found ? found.driftStops.toFixed(1) : DASH),
    sortBy: ({ clip: { found } }) => (found ? -found.driftStops : undefined),
  },
  {
    id: 'cast',
    header: head(words.cast, words.mired),
    says: words.castSays,
    cell: ({ clip: { found } }) => (found?.mired === undefined ? DASH : printStopsDecimal(found.mired, 0)),
    sortBy: ({ clip: { found } }) => (found?.mired === undefined ? undefined : -Math.abs(found.mired)),
  },
  {
    id: 'clipped',
    header: head(words.clipped, '%'),
    says: words.clippedSays,
    cell: ({ clip: { found } }) => (found ? percent(found.clippedAll) : DASH),
    sortBy: ({ clip: { found } }) => (found ? -found.clippedAll : undefined),
  },
  {
    id: 'tools',
    header: <span className="visually-hidden">{words.marks}</span>,
    cell: (line) => <Tools line={line} />,
  },
];

/** The day clip by clip: found against planned, what is unusual, what is to be done. */
export const ClipTable = ({
  lines,
  takes,
  label,
}: {
  lines: readonly ClipLine[];
  takes: readonly TakeFacts[];
  label: string;
}) => {
  const columns = useMemo(() => columnsFor(takes), [takes]);
  const table = useRef<HTMLDivElement>(null);
  /** Presses a button of the line in focus, else of the one under the pointer. */
  const press = (button: string) => {
    const line = document.activeElement?.closest('tr[data-clip]') ?? table.current?.querySelector('tr:hover');
    line?.querySelector<HTMLButtonElement>(button)?.click();
  };
  useKey('circleClip', () => press('.clip-circle'));
  useKey('noteClip', (event) => {
    // The letter is not the note's first.
    event.preventDefault();
    press('.clip-note-button');
  });
  return (
    <div ref={table}>
      <DataTable
        label={label}
        className="figures clip-table"
        columns={columns}
        rows={lines}
        rowPx={ROW_PX}
        rowKey={({ clip }) => clip.id}
        rowProps={({ clip, state }) => ({
          className: clip.circled ? 'clip-circled' : undefined,
          'data-clip': clip.file.name,
          'data-state': state,
        })}
      />
    </div>
  );
};
