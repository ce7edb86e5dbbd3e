'use client';

import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { blackOfFeed, ceilingOfFeed, feedAnchors } from '#core/signal/feedCheck.ts';
import { codeToSignal } from '#core/signal/scale.ts';
import { useBench, useCard, useSession } from '#ui/bench/hooks.ts';
import { Popup } from '#ui/parts/Popup.tsx';
import { words } from '#ui/wording/judgeMoving.ts';

/**
 * Two pictures tell what a chain of cables and boxes does to the codes: the lens capped, then everything too
 * bright.
 */
export const FeedCheck = () => {
  const { session } = useBench();
  const { numbers, target } = useCard();
  const info = useSession(({ frame }) => frame?.info);
  const [black, setBlack] = useState<number>();
  const [said, setSaid] = useState<string>();
  if (!info) return null;
  const { range, referred, feed } = info;
  const histogram = async () => {
    const measured = await session.frame.measureNow(target);
    return measured?.measurement.histogram;
  };
  const takeBlack = async () => {
    const counts = await histogram();
    if (!counts) return;
    const found = blackOfFeed(counts);
    setBlack(found.ok ? found.value : undefined);
    setSaid(found.ok ? `Black lies at code ${found.value}.` : found.reason);
  };
  const takeWhite = async () => {
    const counts = await histogram();
    if (!counts || black === undefined) return;
    const ceiling = ceilingOfFeed(counts);
    if (!ceiling.ok) {
      setSaid(ceiling.reason);
      return;
    }
    const { profile, clipStops } = numbers;
    const truth = { blackSignal: profile.transfer.encode(0), clipSignal: profile.signalAt(clipStops) };
    const anchors = feedAnchors(black, ceiling.value, truth);
    if (!anchors.ok) {
      setSaid(anchors.reason);
      return;
    }
    const { feed: _before, ...plain } = info;
    const at = (signal: number) => `${(100 * signal).toFixed(1)} %`;
    const came = (name: string, code: number, meant: number) =>
      `${name} came as ${at(codeToSignal(code, plain))} for ${at(meant)}`;
    setSaid(
      [
        `${came('Black', black, truth.blackSignal)}, ${came('clip', ceiling.value, truth.clipSignal)}.`,
        'From now on the feed is read this way.',
      ].join(' '),
    );
    await session.frame.reread({ range, referred, feed: anchors.value });
  };
  const forget = async () => {
    setSaid('The feed is read as it comes again.');
    await session.frame.reread({ range, referred });
  };
  return (
    <Popup
      name={feed ? 'Feed checked' : 'Check feed'}
      label={words.twoPointFeedCheck}
      says={words.findsWhatTheFeed}
      placement="top-end"
    >
      <ol className="check-steps">
        <li>
          Cap the lens, wait a moment.{' '}
          <Button variant="outline-secondary" size="sm" onClick={() => void takeBlack()}>
            {words.takeBlack}
          </Button>
        </li>
        <li>
          Open up until everything is white. Not at the sun: it burns the sensor.{' '}
          <Button
            variant="outline-secondary"
            size="sm"
            disabled={black === undefined}
            onClick={() => void takeWhite()}
          >
            {words.takeWhite}
          </Button>
        </li>
      </ol>
      {said && (
        <p className="mb-0" role="status">
          {said}
        </p>
      )}
      {feed && (
        <Button variant="outline-secondary" size="sm" className="mt-2" onClick={() => void forget()}>
          {words.forgetTheCheck}
        </Button>
      )}
    </Popup>
  );
};
