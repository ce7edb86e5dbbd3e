'use client';

import { useId, useRef, useState } from 'react';
import Form from 'react-bootstrap/Form';
import { useController, useFormState } from 'react-hook-form';
import { FieldSays } from './FieldSays.tsx';
import { messagesIn } from './problems.ts';

type FieldOf = {
  /** The field's name in the form. */
  readonly name: string;
  readonly label: string;
  readonly className?: string;
};

/** A field of the form around it: what it holds, and what is wrong with it beside it while it has the focus. */
const useField = (name: string) => {
  const id = useId();
  const control = useRef<HTMLElement>(null);
  const [isTyped, setTyped] = useState(false);
  const { field, fieldState } = useController({ name });
  const { error } = fieldState;
  return {
    field: {
      ...field,
      id,
      'aria-describedby': error ? `${id}-says` : undefined,
      isInvalid: error !== undefined,
      ref: (element: HTMLElement | null) => {
        control.current = element;
        field.ref(element);
      },
      onFocus: () => setTyped(true),
      onBlur: () => {
        setTyped(false);
        field.onBlur();
      },
    },
    says: (
      <FieldSays id={`${id}-says`} target={control}>
        {isTyped ? error?.message : undefined}
      </FieldSays>
    ),
  };
};

/** Everything that is wrong with the form around it, a line each. */
export const FormProblems = ({ className }: { className?: string }) => {
  const { errors } = useFormState();
  const problems = [...new Set(messagesIn(errors))];
  return (
    <div className={className} role="alert">
      {problems.map((problem) => (
        <p key={problem} className="field-error">
          {problem}
        </p>
      ))}
    </div>
  );
};

/** A typed field of a form: why it is wrong stands beside it while it is typed. */
export const TextField = ({
  name,
  label,
  className,
  isNumber = false,
  isInline = false,
  lines,
  hint,
  maxLength = 300,
  autoFocus,
  onType,
}: FieldOf & {
  /** Numbers stand in the figures' type, and a phone shows its number keys. */
  isNumber?: boolean;
  /** The label is not shown: the place says what it is. */
  isInline?: boolean;
  lines?: number;
  hint?: string;
  maxLength?: number;
  autoFocus?: boolean;
  /** Changes the form where more than this field changes as it is typed. */
  onType?: (text: string) => void;
}) => {
  const { field, says } = useField(name);
  return (
    <Form.Group className={className}>
      {!isInline && <Form.Label htmlFor={field.id}>{label}</Form.Label>}
      <Form.Control
        {...field}
        onChange={(event) => (onType ? onType(event.target.value) : field.onChange(event))}
        as={lines ? 'textarea' : undefined}
        rows={lines}
        aria-label={isInline ? label : undefined}
        className={[isNumber && 'num', lines && 'table-text'].filter(Boolean).join(' ') || undefined}
        inputMode={isNumber && !lines ? 'decimal' : undefined}
        autoComplete="off"
        autoFocus={autoFocus}
        maxLength={lines ? undefined : maxLength}
        spellCheck={isNumber ? false : undefined}
        placeholder={hint}
        title={hint}
      />
      {says}
    </Form.Group>
  );
};

/** One of a few as a field of a form. */
export const SelectField = ({
  name,
  label,
  className,
  options,
  onPick,
}: FieldOf & {
  options: readonly (readonly [string, string])[];
  /** Changes the form where more than this field changes when one is picked. */
  onPick?: (value: string) => void;
}) => {
  const { field, says } = useField(name);
  return (
    <Form.Group className={className}>
      <Form.Label htmlFor={field.id}>{label}</Form.Label>
      <Form.Select
        {...field}
        onChange={(event) => (onPick ? onPick(event.target.value) : field.onChange(event))}
      >
        {options.map(([value, word]) => (
          <option key={value} value={value}>
            {word}
          </option>
        ))}
      </Form.Select>
      {says}
    </Form.Group>
  );
};
