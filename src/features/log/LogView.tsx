'use client';

import { Circle, CircleDot, Trash2 } from 'lucide-react';
import Link from 'next/link';
import Button from 'react-bootstrap/Button';
import { printInstant, zoneOf } from '#core/day/clock.ts';
import { printStopsDecimal } from '#core/units.ts';
import type { TakeRecord } from '#store/records/take.ts';
import { useBench, useHrefTo, useSelection } from '#ui/bench/hooks.ts';
import { useTakes } from '#ui/bench/useTakes.ts';
import { LadderGlyph } from '#ui/ladder/LadderGlyph.tsx';
import { Empty } from '#ui/parts/Empty.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { StateMark } from '#ui/parts/StateMark.tsx';
import { SetAsideNotice } from '#ui/shell/SetAsideNotice.tsx';
import { useLog } from '#ui/shell/LogContext.ts';
import { cardLine, foundLine, removeTake } from './logModel.ts';
import { NotesField } from './NotesField.tsx';
import { Thumbnail } from './Thumbnail.tsx';

const Take = ({ take }: { take: TakeRecord }) => {
  const { book, database } = useBench();
  const { sun } = useSelection().shoot;
  const zone = sun && zoneOf(sun.clock);
  const { measured, card } = take;
  const troubles = measured?.verdicts.filter(({ state }) => state !== 'holds') ?? [];
  const remove = async () => {
    const [latest, thumbnail] = await Promise.all([
      database.rows('takes').get(take.id),
      database.rows('thumbnails').get(take.id),
    ]);
    if (latest) await book.edit(removeTake(latest, thumbnail));
  };
  return (
    <li className={`take${take.circled ? ' take-circled' : ''}`} data-take={take.number}>
      <Thumbnail takeId={take.id} alt={measured ? `Frame ${measured.file}` : ''} />
      {measured ? (
        <LadderGlyph distribution={measured.distribution} label="How the picture spreads over stops" />
      ) : (
        <span className="glyph glyph-none" />
      )}
      <div className="take-what">
        <p className="take-name">
          <strong>{card.setupName}</strong> <span className="num">{take.number}</span>
          <span className="quiet">
            {card.cameraName} · {printInstant(take.loggedAt, zone)}
          </span>
        </p>
        <p className="take-card">{cardLine(take)}</p>
        <p className="quiet">
          Card {card.cardZebra} · warn {card.warningZebra} · {foundLine(take)}
        </p>
      </div>
      <div className="take-found">
        {measured?.cardOffset !== undefined && (
          <p className="take-offset">
            <StateMark state={Math.abs(measured.cardOffset) <= 1 / 6 ? 'holds' : 'watch'} />
            <span className="num">{printStopsDecimal(measured.cardOffset)}</span>
            <span className="quiet">off plan</span>
          </p>
        )}
        {troubles.slice(0, 2).map(({ id, state, title, figure }) => (
          <p key={id} className="take-trouble">
            <StateMark state={state} /> {title} <span className="num">{figure}</span>
          </p>
        ))}
        {!measured && <p className="quiet">logged without a frame</p>}
      </div>
      <NotesField
        take={take}
        onSave={(notes) => book.patch(`Notes of take ${take.number}`, 'takes', take.id, { notes })}
      />
      <div className="take-tools">
        <Button
          variant="bare"
          aria-pressed={take.circled}
          aria-label={`Circle take ${take.number}`}
          title="Circle: the one to use"
          onClick={() =>
            void book.patch(`Circle take ${take.number}`, 'takes', take.id, { circled: !take.circled })
          }
        >
          {take.circled ? (
            <CircleDot size={20} aria-hidden="true" />
          ) : (
            <Circle size={20} aria-hidden="true" />
          )}
        </Button>
        <Button
          variant="bare"
          aria-label={`Delete take ${take.number}`}
          title="Delete; undo brings it back"
          onClick={() => void remove()}
        >
          <Trash2 size={18} aria-hidden="true" />
        </Button>
      </div>
    </li>
  );
};

/** Log: what was shot, how it was set, and what was found. */
export const LogView = () => {
  const selection = useSelection();
  const hrefTo = useHrefTo();
  const { takes, setAside } = useTakes();
  const log = useLog();
  const circled = takes?.filter((take) => take.circled).length ?? 0;
  return (
    <div className="log">
      <Panel
        title={`Takes of ${selection.shoot.name}`}
        note={takes && takes.length > 0 ? `${takes.length} logged, ${circled} circled` : undefined}
        tools={
          <Button variant="primary" size="sm" onClick={log}>
            Log take <kbd>L</kbd>
          </Button>
        }
      >
        <SetAsideNotice items={setAside} />
        {takes === undefined && <p className="quiet">Reading the log…</p>}
        {takes?.length === 0 && (
          <Empty title="No take yet">
            <p className="quiet">
              Press <kbd>L</kbd> on any screen: the card as it stands is kept, with what was measured on the
              open frame.
            </p>
            <Link className="btn btn-outline-secondary" href={hrefTo('/judge')}>
              Judge a frame first
            </Link>
          </Empty>
        )}
        <ul className="takes">
          {takes?.map((take) => (
            <Take key={take.id} take={take} />
          ))}
        </ul>
      </Panel>
    </div>
  );
};
