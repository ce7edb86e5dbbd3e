'use client';

import { ArrowDown, ArrowUp } from 'lucide-react';
import { useId } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import InputGroup from 'react-bootstrap/InputGroup';
import type { Answer, Ask, ChoiceAsk, NumberAsk, OrderAsk } from '#core/practice/types.ts';
import { printStops, printStopsDecimal } from '#core/units.ts';
import { words } from '#ui/wording/practise.ts';

const UNITS = { stops: 'stops', kelvin: 'K', mired: 'mired', percent: '%', 'f-number': 'f/' } as const;

type Props<A extends Ask, V> = {
  readonly ask: A;
  readonly value: V | undefined;
  readonly onAnswer: (answer: Answer) => void;
};

const NumberInput = ({ ask, value, onAnswer }: Props<NumberAsk, number>) => {
  const id = useId();
  const [low, high] = ask.within;
  const isPlace = ask.by === 'ladder';
  const nudge = (steps: number) => onAnswer(Math.min(high, Math.max(low, (value ?? 0) + steps * ask.step)));
  if (isPlace)
    return (
      <Form.Group controlId={id} className="drill-ask">
        <Form.Label>{ask.label}</Form.Label>
        <Form.Range
          min={low * 3}
          max={high * 3}
          step={1}
          value={Math.round((value ?? 0) * 3)}
          aria-valuetext={printStops(value ?? 0)}
          onChange={({ target }) => onAnswer(Number(target.value) / 3)}
        />
        <output className="drill-place">{value === undefined ? '–' : printStops(value)}</output>
      </Form.Group>
    );
  return (
    <Form.Group controlId={id} className="drill-ask">
      <Form.Label>{ask.label}</Form.Label>
      <InputGroup size="sm">
        {ask.unit === 'f-number' && <InputGroup.Text>{UNITS[ask.unit]}</InputGroup.Text>}
        <Form.Control
          type="number"
          inputMode="decimal"
          min={low}
          max={high}
          step="any"
          value={value ?? ''}
          onChange={({ target }) => onAnswer(target.value === '' ? Number.NaN : Number(target.value))}
          onKeyDown={(event) => {
            const steps = { ArrowUp: 1, ArrowDown: -1 }[event.key];
            if (steps === undefined) return;
            event.preventDefault();
            nudge(steps);
          }}
        />
        {ask.unit !== 'f-number' && <InputGroup.Text>{UNITS[ask.unit]}</InputGroup.Text>}
      </InputGroup>
    </Form.Group>
  );
};

const ChoiceInput = ({ ask, value, onAnswer }: Props<ChoiceAsk, string>) => (
  <fieldset className="drill-ask">
    <legend className="form-label">{ask.label}</legend>
    {ask.options.map(({ id, says }) => (
      <Form.Check
        key={id}
        type="radio"
        id={`${ask.id}-${id}`}
        name={ask.id}
        label={says}
        checked={value === id}
        onChange={() => onAnswer(id)}
      />
    ))}
  </fieldset>
);

const OrderInput = ({ ask, value, onAnswer }: Props<OrderAsk, readonly string[]>) => {
  const order = value ?? ask.options.map(({ id }) => id);
  const move = (from: number, by: number) => {
    const next = [...order];
    const [taken] = next.splice(from, 1);
    next.splice(from + by, 0, taken);
    onAnswer(next);
  };
  return (
    <fieldset className="drill-ask">
      <legend className="form-label">{ask.label}</legend>
      <ol className="drill-order">
        {order.map((id, i) => {
          const says = ask.options.find((option) => option.id === id)?.says ?? id;
          return (
            <li key={id}>
              <span>{says}</span>
              <Button
                size="sm"
                variant="outline-secondary"
                className="icon-button"
                aria-label={words.moveUp(says)}
                disabled={i === 0}
                onClick={() => move(i, -1)}
              >
                <ArrowUp size={16} aria-hidden="true" />
              </Button>
              <Button
                size="sm"
                variant="outline-secondary"
                className="icon-button"
                aria-label={words.moveDown(says)}
                disabled={i === order.length - 1}
                onClick={() => move(i, 1)}
              >
                <ArrowDown size={16} aria-hidden="true" />
              </Button>
            </li>
          );
        })}
      </ol>
    </fieldset>
  );
};

/** The place where one answer is given; what is read off the camera needs none. */
export const AskInput = ({
  ask,
  value,
  onAnswer,
}: {
  ask: Ask;
  value: Answer | undefined;
  onAnswer: (answer: Answer) => void;
}) => {
  if (ask.kind === 'choice')
    return <ChoiceInput {...{ ask, onAnswer }} value={value as string | undefined} />;
  if (ask.kind === 'order')
    return <OrderInput {...{ ask, onAnswer }} value={value as readonly string[] | undefined} />;
  if (ask.by === 'camera' || ask.by === 'spot') return null;
  return <NumberInput {...{ ask, onAnswer }} value={value as number | undefined} />;
};

/** An answer as it is said. */
export const printAnswer = (ask: Ask, answer: Answer | undefined): string => {
  if (ask.kind === 'number') {
    if (typeof answer !== 'number' || !Number.isFinite(answer)) return '–';
    if (ask.unit === 'stops') return printStopsDecimal(answer, 2);
    if (ask.unit === 'f-number') return `f/${answer.toFixed(1)}`;
    return `${answer.toFixed(0)} ${UNITS[ask.unit]}`;
  }
  const said = (id: string) => ask.options.find((option) => option.id === id)?.says ?? '–';
  if (ask.kind === 'choice') return typeof answer === 'string' ? said(answer) : '–';
  return Array.isArray(answer) ? (answer as readonly string[]).map(said).join(' › ') : '–';
};
