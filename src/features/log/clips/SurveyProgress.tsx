'use client';

import { useEffect, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { useStore } from 'zustand';
import { useCardSurvey } from '#ui/bench/clips/useCardSurvey.ts';
import { Progress } from '#ui/parts/Progress.tsx';
import { words } from '#ui/wording/clips.ts';
import { leftWords } from './clipWords.ts';

/** The time, a second at a time, while something runs. */
const useNow = (isRunning: boolean): number => {
  const [now, setNow] = useState(() => performance.now());
  useEffect(() => {
    if (!isRunning) return undefined;
    const timer = setInterval(() => setNow(performance.now()), 1000);
    return () => clearInterval(timer);
  }, [isRunning]);
  return now;
};

/** How far the survey is, how long it will take, and the ways to stop it. */
export const SurveyProgress = () => {
  const survey = useCardSurvey();
  const { waiting, running, done, failed, since, isPaused, note } = useStore(survey);
  const parts = Object.values(running);
  const now = useNow(since !== undefined && !isPaused);
  if (since === undefined) return note ? <p className="quiet clip-note">{note}</p> : null;
  const through = done + failed;
  const left = waiting.length + parts.length;
  const all = through + left;
  const far = through + parts.reduce((sum, part) => sum + part, 0);
  const time = isPaused ? 'paused' : leftWords(through, left, now - since);
  const failedWords = failed > 0 ? `${failed} left out` : undefined;
  return (
    <div className="clip-progress">
      <Progress now={far} max={all} label={words.surveying} />
      <p role="status">
        <span className="num">
          {through} of {all}
        </span>{' '}
        <span className="quiet">{[time, failedWords, note].filter(Boolean).join(' · ')}</span>
      </p>
      <Button
        size="sm"
        variant="outline-secondary"
        onClick={() => (isPaused ? survey.goOn() : survey.pause())}
      >
        {isPaused ? words.goOn : words.pause}
      </Button>
      <Button size="sm" variant="outline-secondary" onClick={() => survey.cancel()}>
        {words.cancel}
      </Button>
    </div>
  );
};
