'use client';

import { Ellipsis } from 'lucide-react';
import type { KeyboardEvent } from 'react';
import Button from 'react-bootstrap/Button';
import Dropdown from 'react-bootstrap/Dropdown';
import ListGroup from 'react-bootstrap/ListGroup';
import type { Nudge } from '#core/match/clipCorrection.ts';
import { printSigned, printStopsDecimal } from '#core/units.ts';
import { clipPictureIds } from '#store/records/clip.ts';
import { correctionWords } from '#ui/bench/match/correctionWords.ts';
import { driftOf } from '#ui/bench/match/clipMatches.ts';
import { StateMark } from '#ui/parts/StateMark.tsx';
import { Thumbnail } from '#ui/parts/Thumbnail.tsx';
import { words } from '#ui/wording/match.ts';
import { VERDICTS } from '../matchWords.ts';
import { saveAs, SAVES, type SaveId } from './saveCorrection.ts';
import type { ClipEdits, ClipRow } from './useClipEdits.ts';
import { useClipPreview } from '#ui/bench/match/useClipPreview.ts';

/** What the arrow keys do: thirds of a stop, mireds. */
const NUDGES: Readonly<Record<string, Nudge>> = {
  ArrowUp: { stops: 1 / 3 },
  ArrowDown: { stops: -1 / 3 },
  ArrowRight: { mired: 1 },
  ArrowLeft: { mired: -1 },
};

const BY = { marks: words.fromMarks, estimate: words.estimatedFrom, hand: words.byHand } as const;

const Preview = ({ row }: { row: ClipRow }) => {
  const { clip } = row.line;
  const ids = clipPictureIds(clip);
  const { canvas } = useClipPreview(
    ids[ids.length >> 1] ?? '',
    row.standing?.correction,
    row.profile.data,
    row.selection.plan.placement,
  );
  return <canvas ref={canvas} className="thumb" role="img" aria-label={words.previewOf(clip.file.name)} />;
};

const driftWords = ({ line }: ClipRow): string | undefined => {
  const drift = driftOf(line.clip);
  if (!drift) return undefined;
  const said = ({ stops, mired }: typeof drift.from) =>
    `${printStopsDecimal(stops, 2)} stop, ${printSigned(mired, 0)} mired`;
  return words.drift(said(drift.from), said(drift.to));
};

const More = ({ row, edits }: { row: ClipRow; edits: ClipEdits }) => {
  const { clip } = row.line;
  const items: readonly (readonly [string, () => void, boolean?])[] = [
    [words.copy, () => edits.copy(row)],
    [words.paste, () => edits.paste(row), edits.copied === undefined],
    [words.pasteExposure, () => edits.paste(row, ['exposure']), edits.copied === undefined],
    [words.pasteBalance, () => edits.paste(row, ['balance']), edits.copied === undefined],
    [words.giveToRest, () => edits.giveToRest(row)],
    [words.backToSolved, () => edits.backToSolved(row), clip.correction === undefined],
    ...(Object.keys(SAVES) as SaveId[]).map((id) => [SAVES[id].name, () => saveAs(id, row)] as const),
    [words.chooseHero, () => edits.chooseHero(row)],
  ];
  return (
    <Dropdown align="end">
      <Dropdown.Toggle variant="bare" aria-label={words.editOf(clip.file.name)} title={words.edit}>
        <Ellipsis size={18} aria-hidden />
      </Dropdown.Toggle>
      <Dropdown.Menu renderOnMount={false}>
        {items.map(([name, does, isOff]) => (
          <Dropdown.Item key={name} as="button" type="button" disabled={isOff} onClick={does}>
            {name}
          </Dropdown.Item>
        ))}
      </Dropdown.Menu>
    </Dropdown>
  );
};

const Said = ({ row }: { row: ClipRow }) => {
  const { standing, isHero, line } = row;
  if (isHero)
    return (
      <span>
        <span className="clip-hero">{words.isHero}</span>
      </span>
    );
  if (line.clip.onPurpose) return <span className="quiet">{words.onPurpose}</span>;
  if (!standing?.correction) return <span className="quiet">{words.oldSurvey}</span>;
  const { before, after } = standing.verdict;
  const does = correctionWords(standing.correction);
  const drift = driftWords(row);
  return (
    <>
      <span className="match-does">{does.length === 0 ? words.nothingLeft : does.join(', ')}</span>
      <span className="match-verdicts">
        <StateMark state={VERDICTS[before].mark} /> ΔE {standing.before.toFixed(1)} →{' '}
        <StateMark state={VERDICTS[after].mark} /> {VERDICTS[after].name}, ΔE {standing.after.toFixed(1)}
        <span className="quiet"> {standing.by && BY[standing.by]}</span>
      </span>
      {drift !== undefined && <span className="quiet">{drift}</span>}
    </>
  );
};

/** A clip beside its hero: as recorded, corrected, what was done and what is left. Arrow keys nudge. */
export const ClipMatchRow = ({ row, edits }: { row: ClipRow; edits: ClipEdits }) => {
  const { line, isHero, standing } = row;
  const { clip, take } = line;
  const ids = clipPictureIds(clip);
  const canEdit = !isHero && standing?.correction !== undefined;
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.target !== event.currentTarget || event.ctrlKey || event.metaKey || event.altKey) return;
    const nudge = NUDGES[event.key];
    const does =
      nudge && canEdit
        ? () => edits.nudge(row, nudge)
        : event.key === 'Enter' && canEdit
          ? () => edits.accept(row)
          : event.key.toLowerCase() === 'p' && !isHero
            ? () => edits.onPurpose(row)
            : undefined;
    if (!does) return;
    event.preventDefault();
    event.stopPropagation();
    does();
  };
  return (
    <ListGroup.Item
      as="li"
      className={`match-clip${standing?.accepted ? ' accepted' : ''}`}
      tabIndex={0}
      aria-label={clip.file.name}
      onKeyDown={onKeyDown}
    >
      <Thumbnail takeId={ids[ids.length >> 1] ?? ''} alt={words.recorded} />
      {canEdit && !clip.onPurpose ? <Preview row={row} /> : <span className="thumb" />}
      <div className="match-clip-name">
        <span className="clip-file">{clip.file.name}</span>
        <span className="quiet">
          {line.setup} {take?.number}, {line.camera}
        </span>
      </div>
      <div className="match-clip-said">
        <Said row={row} />
      </div>
      <div className="match-clip-tools">
        {canEdit && !clip.onPurpose && (
          <Button
            size="sm"
            variant={standing?.accepted ? 'bare' : 'outline-secondary'}
            disabled={standing?.accepted}
            onClick={() => edits.accept(row)}
          >
            {standing?.accepted ? words.accepted : words.accept}
          </Button>
        )}
        {!isHero && (
          <Button
            size="sm"
            variant="outline-secondary"
            active={clip.onPurpose === true}
            aria-pressed={clip.onPurpose === true}
            onClick={() => edits.onPurpose(row)}
          >
            {words.onPurpose}
          </Button>
        )}
        {canEdit && <More row={row} edits={edits} />}
      </div>
    </ListGroup.Item>
  );
};
