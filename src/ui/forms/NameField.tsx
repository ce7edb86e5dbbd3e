'use client';

import { useId, useRef, useState } from 'react';
import Form from 'react-bootstrap/Form';
import type * as z from 'zod/mini';
import { FieldSays } from './FieldSays.tsx';
import { useRefused } from './useRefused.ts';

/**
 * A name that is changed where it stands: kept on Enter or when the field is left, given up by Escape. What is no
 * name is said beside it, and the old one stays.
 */
export const NameField = ({
  label,
  schema,
  value,
  onSet,
}: {
  label: string;
  schema: z.ZodMiniType<string>;
  value: string;
  onSet: (value: string) => void;
}) => {
  const id = useId();
  const control = useRef<HTMLInputElement>(null);
  const [text, setText] = useState<string>();
  const name = schema.safeParse(text ?? value);
  const { words, refuse, forget } = useRefused();
  const type = (next: string | undefined) => {
    setText(next);
    forget();
  };
  const keep = () => {
    if (name.success && name.data !== value) onSet(name.data);
    if (!name.success) refuse(text);
    setText(undefined);
  };
  const stays = `Type a name; “${value}” stays.`;
  const says = name.success ? words && `${words} ${stays}` : stays;
  return (
    <>
      <Form.Control
        ref={control}
        aria-label={label}
        aria-describedby={says === undefined ? undefined : id}
        isInvalid={!name.success}
        maxLength={80}
        value={text ?? value}
        onChange={(event) => type(event.target.value)}
        onBlur={keep}
        onKeyDown={(event) => {
          if (event.key === 'Enter') keep();
          if (event.key === 'Escape' && text !== undefined) {
            event.stopPropagation();
            type(undefined);
          }
        }}
      />
      <FieldSays id={id} target={control}>
        {says}
      </FieldSays>
    </>
  );
};
