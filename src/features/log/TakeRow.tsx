'use client';

import { Circle, CircleDot, Star } from 'lucide-react';
import Button from 'react-bootstrap/Button';
import { printInstant, zoneOf } from '#core/day/clock.ts';
import { printStopsDecimal } from '#core/units.ts';
import type { ClipRecord } from '#store/records/clip.ts';
import type { TakeRecord } from '#store/records/take.ts';
import type { TakeFacts } from '#store/takeFacts.ts';
import { useBench, useRecords, useSelection } from '#ui/bench/hooks.ts';
import { useTake } from '#ui/bench/useTakeIndex.ts';
import { LadderGlyph } from '#ui/ladder/LadderGlyph.tsx';
import { OwnedTools } from '#ui/owned/OwnedTools.tsx';
import { StateMark } from '#ui/parts/StateMark.tsx';
import { clipLine } from './clips/clipWords.ts';
import { cardLine, foundLine } from './logModel.ts';
import { NotesField } from './NotesField.tsx';
import { Thumbnail } from '#ui/parts/Thumbnail.tsx';
import { words } from '#ui/wording/log.ts';

const TakeName = ({ setup, number, camera, loggedAt }: TakeFacts) => {
  const { sun } = useSelection().shoot;
  return (
    <p className="take-name">
      <strong>{setup}</strong> <span className="num">{number}</span>
      <span className="quiet">
        {camera} · {printInstant(loggedAt, sun && zoneOf(sun.clock))}
      </span>
    </p>
  );
};

const Found = ({ measured, clip }: Pick<TakeRecord, 'measured'> & { clip?: ClipRecord }) => {
  const troubles = measured?.verdicts.filter(({ state }) => state !== 'holds') ?? [];
  return (
    <div className="take-found">
      {measured?.cardOffset !== undefined && (
        <p className="take-offset">
          <StateMark state={Math.abs(measured.cardOffset) <= 1 / 6 ? 'holds' : 'watch'} />
          <span className="num">{printStopsDecimal(measured.cardOffset)}</span>
          <span className="quiet">{words.offPlan}</span>
        </p>
      )}
      {troubles.slice(0, 2).map(({ id, state, title, figure }) => (
        <p key={id} className="take-trouble">
          <StateMark state={state} /> {title} <span className="num">{figure}</span>
        </p>
      ))}
      <p className="quiet take-file" title={clip?.file.name ?? measured?.file}>
        {clip ? clipLine(clip) : measured ? measured.file : 'logged without a frame'}
      </p>
    </div>
  );
};

/** Makes a take the one that the clips of its set-up are brought to, or leaves that to Match again. */
const HeroButton = ({ take, clip }: { take: TakeRecord; clip?: ClipRecord }) => {
  const { book } = useBench();
  const setup = useRecords(({ setups }) => setups.get(take.setupId));
  if (!setup || (!clip && !take.measured?.patches?.length)) return null;
  const isHero = clip ? setup.heroClipId === clip.id : setup.heroTakeId === take.id;
  const chosen = clip ? { heroClipId: clip.id } : { heroTakeId: take.id };
  const none = { heroClipId: undefined, heroTakeId: undefined };
  return (
    <Button
      variant="bare"
      aria-pressed={isHero}
      aria-label={words.heroTake(take.number)}
      title={words.heroTakeSays}
      onClick={() => {
        const after = { ...setup, ...none, ...(isHero ? {} : chosen) };
        void book.edit({
          label: `Hero of ${setup.name}`,
          changes: [{ table: 'setups', id: setup.id, before: setup, after }],
        });
      }}
    >
      <Star size={20} aria-hidden="true" fill={isHero ? 'currentColor' : 'none'} />
    </Button>
  );
};

const Tools = ({ take, clip }: { take: TakeRecord; clip?: ClipRecord }) => {
  const { book } = useBench();
  const Mark = take.circled ? CircleDot : Circle;
  return (
    <div className="take-tools">
      <Button
        variant="bare"
        aria-pressed={take.circled}
        aria-label={words.circleTake(take.number)}
        title={words.circleTheOneTo}
        onClick={() =>
          void book.patch(`Circle take ${take.number}`, 'takes', take.id, { circled: !take.circled })
        }
      >
        <Mark size={20} aria-hidden="true" />
      </Button>
      <HeroButton take={take} clip={clip} />
      <OwnedTools table="takes" record={take} />
    </div>
  );
};

/** One line of the log. Its name stands at once, the rest as it comes from the records. */
export const TakeRow = ({ facts, clip }: { facts: TakeFacts; clip?: ClipRecord }) => {
  const { book } = useBench();
  const take = useTake(facts.id);
  return (
    <div className={`take${facts.circled ? ' take-circled' : ''}`} data-take={facts.number}>
      <Thumbnail takeId={facts.id} alt={take?.measured ? words.frame(take.measured.file) : ''} />
      {take?.measured ? (
        <LadderGlyph distribution={take.measured.distribution} label={words.howThePictureSpreads} />
      ) : (
        <span className="glyph glyph-none" />
      )}
      <div className="take-what">
        <TakeName {...facts} />
        {take && (
          <>
            <p className="take-card">{cardLine(take)}</p>
            <p className="quiet">
              Card {take.card.cardZebra} · warn {take.card.warningZebra} · {foundLine(take)}
            </p>
          </>
        )}
      </div>
      {take && (
        <>
          <Found measured={take.measured} clip={clip} />
          <NotesField
            take={take}
            onSave={(notes) => book.patch(`Notes of take ${take.number}`, 'takes', take.id, { notes })}
          />
          <Tools take={take} clip={clip} />
        </>
      )}
    </div>
  );
};
