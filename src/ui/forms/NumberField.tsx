'use client';

import { useId, useRef, useState } from 'react';
import Form from 'react-bootstrap/Form';
import { FieldSays } from './FieldSays.tsx';
import { printNumber, readNumber, type NumberRule } from './numberText.ts';
import { useRefused } from './useRefused.ts';
import { words } from '#ui/wording/forms.ts';

/**
 * A number that is changed where it stands: typed with decimal comma, true minus or thirds, stepped by the arrow
 * keys, kept on Enter or when the field is left (one step of undo), given up by Escape. What it may not be is
 * said beside it, and what was there stays; that is still to be read a while after the field was left.
 */
export const NumberField = ({
  label,
  rule,
  value,
  print = printNumber,
  step = 1,
  className,
  disabled,
  isInline,
  size,
  autoFocus,
  isExample = false,
  onSet,
}: {
  label: string;
  rule: NumberRule;
  value: number;
  /** How the number stands in the field; what it prints, it reads. */
  print?: (value: number) => string;
  /** What an arrow key moves it by. */
  step?: number;
  className?: string;
  disabled?: boolean;
  /** The field alone: the place says what it is. */
  isInline?: boolean;
  size?: 'sm';
  autoFocus?: boolean;
  /** Nothing was typed yet: the value is shown as an example and counts for nothing until a number is typed. */
  isExample?: boolean;
  onSet: (value: number) => void;
}) => {
  const id = useId();
  const control = useRef<HTMLInputElement>(null);
  const [text, setText] = useState<string>();
  const isLeftEmpty = isExample && (text ?? '').trim() === '';
  const read = text === undefined || isLeftEmpty ? value : readNumber(text, rule);
  const { words: refusal, refuse, forget } = useRefused();
  const type = (next: string | undefined) => {
    setText(next);
    forget();
  };
  const keep = () => {
    if (read !== undefined && !isLeftEmpty && (isExample || read !== value)) onSet(read);
    if (read === undefined) refuse(text);
    setText(undefined);
  };
  const stays = isExample ? `${rule.says}.` : `${rule.says}; ${print(value)} stays.`;
  const says = read === undefined ? stays : refusal && `${refusal} ${stays}`;
  const move = (by: number) => {
    const next = readNumber(printNumber((read ?? value) + by), rule);
    if (next !== undefined) type(print(next));
  };
  const field = (
    <>
      <Form.Control
        ref={control}
        id={id}
        aria-label={isInline ? label : undefined}
        aria-describedby={says === undefined ? undefined : `${id}-says`}
        className={['num', isInline && className].filter(Boolean).join(' ')}
        size={size}
        inputMode="decimal"
        autoComplete="off"
        autoFocus={autoFocus}
        disabled={disabled}
        isInvalid={read === undefined}
        placeholder={isExample ? words.suchAs(print(value)) : undefined}
        value={text ?? (isExample ? '' : print(value))}
        onChange={(event) => type(event.target.value)}
        onBlur={keep}
        onKeyDown={(event) => {
          if (event.key === 'Enter') keep();
          if (event.key === 'ArrowUp') move(step);
          if (event.key === 'ArrowDown') move(-step);
          if (event.key === 'Escape' && text !== undefined) {
            event.stopPropagation();
            type(undefined);
          }
        }}
      />
      <FieldSays id={`${id}-says`} target={control}>
        {says}
      </FieldSays>
    </>
  );
  if (isInline) return field;
  return (
    <Form.Group className={className}>
      <Form.Label htmlFor={id}>{label}</Form.Label>
      {field}
    </Form.Group>
  );
};
