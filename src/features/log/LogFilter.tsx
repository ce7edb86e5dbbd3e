'use client';

import { useId, useMemo } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import ToggleButton from 'react-bootstrap/ToggleButton';
import { printDate } from '#core/day/clock.ts';
import { takeChoices, type TakeFacts, type TakeVerdict } from '#store/takeFacts.ts';
import type { useTakeFilter } from './useTakeFilter.ts';
import { Choice } from './Choice.tsx';
import { words } from '#ui/wording/log.ts';

const VERDICTS = {
  lost: 'something lost',
  watch: 'something to watch',
  holds: 'all holds',
  none: 'no frame',
} as const satisfies Record<TakeVerdict, string>;

/** Thirds are what a camera is set by. */
const OFF_PLAN = [
  { stops: 0.33, name: words.at13StopOr },
  { stops: 0.67, name: words.at23StopOr },
  { stops: 1, name: words.at1StopOrMore },
  { stops: 2, name: words.at2StopsOrMore },
];

const options = (values: readonly string[], print = (value: string) => value) =>
  values.map((value) => (
    <option key={value} value={value}>
      {print(value)}
    </option>
  ));

/** Search and filters over the log. */
export const LogFilter = ({
  facts,
  narrowed,
}: {
  facts: readonly TakeFacts[];
  narrowed: ReturnType<typeof useTakeFilter>;
}) => {
  const { values, set, clear, isNarrowed } = narrowed;
  const { setups, cameras, days } = useMemo(() => takeChoices(facts), [facts]);
  const circled = useId();
  return (
    <search className="log-filter">
      <Form.Control
        size="sm"
        type="search"
        aria-label={words.searchTheLog}
        placeholder={words.searchSetUpFile}
        maxLength={200}
        value={values.find ?? ''}
        onChange={({ target }) => set({ find: target.value || null })}
      />
      <Choice label={words.setUp} any={words.allSetUps} value={values.of} onPick={(of) => set({ of })}>
        {options(setups)}
      </Choice>
      <Choice
        label={words.cameraOfTheTake}
        any={words.allCameras}
        value={values.by}
        onPick={(by) => set({ by })}
      >
        {options(cameras)}
      </Choice>
      <Choice label={words.day} any={words.allDays} value={values.day} onPick={(day) => set({ day })}>
        {options(days, printDate)}
      </Choice>
      <Choice
        label={words.verdict}
        any={words.anyVerdict}
        value={values.verdict}
        onPick={(verdict) => set({ verdict: verdict as TakeVerdict | null })}
      >
        {options(Object.keys(VERDICTS), (id) => VERDICTS[id as TakeVerdict])}
      </Choice>
      <Choice
        label={words.offThePlanBy}
        any={words.offPlanOrNot}
        value={values.off}
        onPick={(off) => set({ off: off === null ? null : Number(off) })}
      >
        {OFF_PLAN.map(({ stops, name }) => (
          <option key={stops} value={stops}>
            {name}
          </option>
        ))}
      </Choice>
      <ToggleButton
        id={circled}
        type="checkbox"
        value="circled"
        size="sm"
        variant="outline-secondary"
        checked={values.circled ?? false}
        onChange={({ target }) => set({ circled: target.checked || null })}
      >
        {words.circled}
      </ToggleButton>
      {isNarrowed && (
        <Button size="sm" variant="bare" onClick={clear}>
          {words.showAll}
        </Button>
      )}
    </search>
  );
};
