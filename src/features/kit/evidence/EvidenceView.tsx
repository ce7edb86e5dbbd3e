'use client';

import { Trash2 } from 'lucide-react';
import { useMemo, useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { dateIn, printDate } from '#core/day/clock.ts';
import { type EvidenceItem } from '#core/profile/index.ts';
import type { EvidenceEffect } from '#core/profile/making.ts';
import { printStops } from '#core/units.ts';
import { useAnswer } from '#ui/bench/useAnswer.ts';
import { useBench, useSelection, useSession } from '#ui/bench/hooks.ts';
import { useBracket } from '#ui/bench/useBracket.ts';
import { useTakesAgainst } from '#ui/bench/useTakesAgainst.ts';
import type { Column } from '#ui/parts/column.ts';
import { DataTable } from '#ui/parts/DataTable.tsx';
import { TableScroll } from '#ui/parts/TableScroll.tsx';
import { words } from '#ui/wording/kit.ts';
import { withEvidence } from '../saveProfile.ts';
import {
  cardItem,
  cardOnBench,
  exactness,
  movesSay,
  readCardReading,
  takesItem,
  weightOf,
} from './evidenceModel.ts';

type Row = EvidenceItem & Partial<EvidenceEffect>;

/** A card that was read: where it was, and what it read. */
const CardReading = ({ onAdd }: { onAdd: (stops: number, percent: number) => Promise<boolean> }) => {
  const onBench = useSession(({ measured }) => measured);
  const { plan } = useSelection();
  const marked = cardOnBench(onBench?.measurement);
  const [stops, setStops] = useState('');
  const [reads, setReads] = useState('');
  const read = readCardReading(stops, reads);
  const isBegun = stops.trim() !== '' && reads.trim() !== '';
  const wrong = isBegun && !read.ok ? read : undefined;
  return (
    <Form
      className="evidence-card"
      onSubmit={(event) => {
        event.preventDefault();
        if (!read.ok) return;
        void onAdd(read.value.stops, read.value.percent).then((isIn) => {
          if (!isIn) return;
          setStops('');
          setReads('');
        });
      }}
    >
      <Form.Group controlId="evidence-stops">
        <Form.Label>{words.cardAtStop}</Form.Label>
        <Form.Control
          size="sm"
          inputMode="text"
          value={stops}
          placeholder="+1"
          isInvalid={wrong?.where === 'stops'}
          onChange={(event) => setStops(event.target.value)}
        />
      </Form.Group>
      <Form.Group controlId="evidence-reads">
        <Form.Label>{words.readsPercent}</Form.Label>
        <Form.Control
          size="sm"
          inputMode="decimal"
          value={reads}
          placeholder="43.5"
          isInvalid={wrong?.where === 'reads'}
          onChange={(event) => setReads(event.target.value)}
        />
      </Form.Group>
      <Button type="submit" variant="outline-secondary" size="sm" disabled={!read.ok}>
        {words.addCardReading}
      </Button>
      {marked !== undefined && (
        <Button
          variant="outline-secondary"
          size="sm"
          onClick={() => {
            setStops(printStops(plan.placement));
            setReads(marked.toFixed(1));
          }}
        >
          {words.cardOfTheFrame(marked.toFixed(1))}
        </Button>
      )}
      {wrong && (
        <p className="field-error" role="alert">
          {wrong.reason}
        </p>
      )}
    </Form>
  );
};

type Keep = (next: readonly EvidenceItem[]) => void;

const evidenceColumns = (items: readonly EvidenceItem[], keep: Keep): readonly Column<Row>[] => [
  {
    id: 'source',
    header: words.source,
    cell: (item) => (
      <>
        {item.source}
        <span className="evidence-says">
          {exactness(item)}
          {movesSay(item.movesGrey)}
        </span>
      </>
    ),
  },
  {
    id: 'weight',
    header: `${words.weighs}, %`,
    says: words.weighsSays,
    cell: (row) => weightOf(row.with, row.without),
  },
  {
    id: 'without',
    header: words.bandWithout,
    says: words.bandWithoutSays,
    cell: ({ without }) => without?.toFixed(2) ?? '–',
  },
  {
    id: 'counts',
    header: words.counts,
    cell: ({ id, source, muted }) => (
      <Form.Check
        type="switch"
        checked={!muted}
        aria-label={words.countEvidence(source)}
        onChange={() => keep(items.map((item) => (item.id === id ? { ...item, muted: !muted } : item)))}
      />
    ),
  },
  {
    id: 'off',
    header: '',
    cell: ({ id, source }) => (
      <Button
        variant="bare"
        aria-label={words.takeOffEvidence(source)}
        title={words.takeOffEvidence(source)}
        onClick={() => keep(items.filter((item) => item.id !== id))}
      >
        <Trash2 size={16} aria-hidden />
      </Button>
    ),
  },
];

/** What an inferred curve rests on: each source with its exactness and its weight; each can be left out. */
export const EvidenceView = () => {
  const { book } = useBench();
  const bracket = useBracket();
  const { profile } = useSelection();
  const [trouble, setTrouble] = useState<string>();
  const items = useMemo(() => profile.evidence ?? [], [profile]);
  const { answer: effects, old } = useAnswer({
    key: items,
    ask: (signal) => bracket.effects(items, signal),
  });
  const { readings, said } = useTakesAgainst();

  const keep = async (next: readonly EvidenceItem[]): Promise<boolean> => {
    const edit = withEvidence(profile, next);
    setTrouble(edit.ok ? undefined : edit.reason);
    return edit.ok && (await book.edit(edit.value));
  };
  const rows: Row[] = items.map((item) => ({ ...item, ...effects?.find(({ id }) => id === item.id) }));
  if (items.length === 0)
    return (
      <div className="figures-foot">
        <p className="quiet">
          {profile.data.band ? words.solvedBefore(profile.name) : words.notInferred(profile.name)}
        </p>
      </div>
    );
  return (
    <>
      <TableScroll label={words.whatTheCurveRests}>
        <DataTable
          label={words.whatTheCurveRests}
          columns={evidenceColumns(items, (next) => void keep(next))}
          rows={rows}
          rowKey={({ id }) => id}
          isBusy={old || effects === undefined}
          rowProps={({ muted }) => ({ className: muted ? 'dim' : undefined })}
        />
      </TableScroll>
      <div className="figures-foot">
        {rows
          .filter(({ contradicts, muted }) => contradicts && !muted)
          .map(({ id, source, movesGrey }) => (
            <p key={id} className="text-warn">
              {words.contradicts(source, Math.abs(movesGrey ?? 0).toFixed(2))}
            </p>
          ))}
        {said && (
          <p className="text-warn" role="status">
            {said}{' '}
            <Button
              variant="outline-secondary"
              size="sm"
              onClick={() => {
                const fresh = takesItem(readings, crypto.randomUUID(), printDate(dateIn(new Date())));
                void keep([...items.filter(({ kind }) => kind !== 'takes'), fresh]);
              }}
            >
              {words.takeTheTakesIn}
            </Button>
          </p>
        )}
        <CardReading
          onAdd={(stops, percent) => keep([...items, cardItem(stops, percent, crypto.randomUUID())])}
        />
        {trouble && (
          <p className="field-error" role="alert">
            {trouble}
          </p>
        )}
        <p className="quiet">
          Solved together. How a reading was rounded, where its light lies and toes of another form all widen
          the band; a card you read yourself counts as ±0.1 stop in its place.
        </p>
      </div>
    </>
  );
};
