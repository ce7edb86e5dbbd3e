'use client';

import { ArrowDown, ArrowUp, ChevronDown, ChevronRight, Trash2 } from 'lucide-react';
import { dequal } from 'dequal';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { kindOf, valueOf } from '#core/grade/rows/rowKinds.ts';
import type { GradeRow } from '#core/grade/rows/types.ts';
import type { Proposal } from '#core/grade/start/types.ts';
import type { GradeRead } from '#workers/judge/gradeProtocol.ts';
import { rowSays } from '#ui/bench/grade/gradePrint.ts';
import { changedRow, movedRow } from '#ui/bench/grade/gradeModel.ts';
import { useRecords, useSelection, useSession } from '#ui/bench/hooks.ts';
import { Arithmetic } from '#ui/parts/Arithmetic.tsx';
import { Segmented } from '#ui/parts/Segmented.tsx';
import { Toggle } from '#ui/parts/Toggle.tsx';
import { words } from '#ui/wording/grade.ts';
import { Choice } from './Choice.tsx';
import { costOf, effectOf } from './effectWords.ts';
import { GradeValues } from './GradeValues.tsx';
import { HueRing } from './HueRing.tsx';
import type { GradeAtHand } from './useGrade.ts';

export type RowTools = {
  /** The row whose matte is shown, and the one that a colour is being picked for. */
  readonly matte?: string;
  readonly picking?: string;
  readonly setMatte: (id: string | undefined) => void;
  readonly setPicking: (id: string | undefined) => void;
  readonly pickMark: (row: GradeRow, patchId: string) => void;
  /** Why the last pick found nothing. */
  readonly said?: string;
};

/** Where a proposed value comes from. */
const GROUNDS: { readonly [G in Proposal['ground']]: string } = {
  measured: words.measured,
  planned: words.planned,
  choice: words.byChoice,
  left: words.leftAlone,
};

type Props = {
  readonly hand: GradeAtHand;
  readonly row: GradeRow;
  readonly read?: GradeRead;
  readonly tools: RowTools;
};

/** The LUT that a look goes through. */
const LookChoice = ({ hand, row }: Pick<Props, 'hand' | 'row'>) => {
  const luts = useRecords((book) => book.luts);
  return (
    <Choice
      label={words.lookLut}
      value={row.lut ?? ''}
      options={[{ id: '', name: words.noLook }, ...luts.values()]}
      onPick={(id) =>
        hand.set(words.lookLut, changedRow(hand.rows, row.id, { lut: id === '' ? undefined : id }))
      }
    />
  );
};

/** Which hues the row takes: ring, pick, matte. */
const HueTools = ({ row, read, tools }: Omit<Props, 'hand'>) => {
  const patches = useSession((state) => state.patches);
  const { subjects } = useSelection();
  const kind = kindOf(row);
  if (!kind) return null;
  const value = valueOf(kind, row.values);
  const bins = read?.hues.find(({ id }) => id === row.id)?.bins ?? [];
  return (
    <div className="grade-hues">
      <HueRing bins={bins} hue={value('hue')} width={value('width')} soft={value('soft')} />
      <div>
        <Toggle
          on={tools.picking === row.id}
          name={words.pick}
          onFlip={() => tools.setPicking(tools.picking === row.id ? undefined : row.id)}
        />
        {patches.map((patch) => (
          <Button
            key={patch.id}
            size="sm"
            variant="outline-secondary"
            onClick={() => tools.pickMark(row, patch.id)}
          >
            {words.asMark(subjects.find(({ id }) => id === patch.subjectId)?.name ?? patch.kind)}
          </Button>
        ))}
        {tools.said !== undefined && <p className="field-error">{tools.said}</p>}
      </div>
    </div>
  );
};

type Rows = readonly GradeRow[];
/** What is done to a row as a whole. A further one is a row. */
const ROW_ACTIONS = [
  { name: words.earlier, Icon: ArrowUp, rows: (rows: Rows, id: string) => movedRow(rows, id, -1) },
  { name: words.later, Icon: ArrowDown, rows: (rows: Rows, id: string) => movedRow(rows, id, 1) },
  { name: words.remove, Icon: Trash2, rows: (rows: Rows, id: string) => rows.filter((one) => one.id !== id) },
] as const;

/** What a row is made of, opened. */
const RowBody = ({ hand, row, read, tools, proposal }: Props & { readonly proposal?: Proposal }) => {
  const kind = kindOf(row);
  if (!kind) return null;
  const change = (what: Partial<GradeRow>) => hand.set(kind.name, changedRow(hand.rows, row.id, what));
  const isAsProposed = proposal !== undefined && dequal(proposal.values, row.values);
  return (
    <div className="grade-row-body">
      <p className="quiet">{kind.says}.</p>
      <GradeValues
        row={row}
        kind={kind}
        onMove={(values) => hand.move(changedRow(hand.rows, row.id, { values, on: true }))}
        onSettle={() => hand.settle(kind.name)}
        onSet={(values) => change({ values })}
      />
      {kind.values.hue && <HueTools row={row} read={read} tools={tools} />}
      {row.kind === 'look' && <LookChoice hand={hand} row={row} />}
      <div className="grade-row-tools">
        {kind.weight && (
          <Toggle
            on={tools.matte === row.id}
            name={words.matte}
            onFlip={() => tools.setMatte(tools.matte === row.id ? undefined : row.id)}
          />
        )}
        <Segmented
          label={words.side}
          options={[
            { id: 'before', name: words.sideBefore, says: words.before },
            { id: 'after', name: words.sideAfter, says: words.after },
          ]}
          value={row.side}
          onPick={(side) => change({ side })}
        />
        {ROW_ACTIONS.map(({ name, Icon, rows }) => (
          <Button
            key={name}
            size="sm"
            variant="outline-secondary"
            aria-label={name}
            title={name}
            onClick={() => hand.set(`${name}, ${kind.name}`, rows(hand.rows, row.id))}
          >
            <Icon size={16} aria-hidden="true" />
          </Button>
        ))}
      </div>
      {proposal && (
        <>
          {!isAsProposed && (
            <Button
              size="sm"
              variant="outline-secondary"
              onClick={() => change({ values: proposal.values, on: proposal.on })}
            >
              {words.asProposed(rowSays({ ...row, values: proposal.values }))}
            </Button>
          )}
          <Arithmetic lines={proposal.arithmetic} />
        </>
      )}
    </div>
  );
};

/** A row of the grade: on or off, what it does, why, and what it alone did to the scopes. */
export const GradeRowLine = ({
  isOpen,
  onOpen,
  ...props
}: Props & { readonly isOpen: boolean; readonly onOpen: () => void }) => {
  const { hand, row, read } = props;
  const kind = kindOf(row);
  const name = kind?.name ?? row.kind;
  const proposal = hand.proposals.find((one) => one.kind === row.id);
  const effect = row.on && kind && !kind.isNote ? effectOf(read, row.id) : undefined;
  const cost = costOf(read, row.id);
  return (
    <li className={`grade-row${row.on ? '' : ' off'}`} data-row={row.id}>
      <div className="grade-row-head">
        <Form.Check
          type="switch"
          id={`grade-on-${row.id}`}
          aria-label={words.on(name)}
          checked={row.on}
          onChange={() => hand.set(name, changedRow(hand.rows, row.id, { on: !row.on }))}
        />
        <Button
          variant="link"
          className="grade-row-name"
          aria-expanded={isOpen}
          aria-label={words.open(name)}
          onClick={onOpen}
        >
          <strong>{name}</strong>
          <span className="num">{row.on && !kind?.isNote ? rowSays(row) : ''}</span>
          {isOpen ? (
            <ChevronDown size={16} aria-hidden="true" />
          ) : (
            <ChevronRight size={16} aria-hidden="true" />
          )}
        </Button>
      </div>
      {proposal && (
        <p className="grade-why">
          {GROUNDS[proposal.ground]}: {proposal.why}.
        </p>
      )}
      {effect !== undefined && <p className="grade-effect">{effect}.</p>}
      {cost !== undefined && <p className="field-error">{cost}.</p>}
      {isOpen && <RowBody {...props} proposal={proposal} />}
    </li>
  );
};
