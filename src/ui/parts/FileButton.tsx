'use client';

import { useRef, type ReactNode } from 'react';
import Button, { type ButtonProps } from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';

type Props = Pick<ButtonProps, 'size' | 'disabled'> & {
  /** Name of the field. */
  readonly label: string;
  /** Endings or types, as the field takes them. */
  readonly accept: string;
  readonly onFile: (file: File) => void;
  readonly children: ReactNode;
};

/** A button that opens one file; the same file can be chosen again. */
export const FileButton = ({ label, accept, onFile, children, ...button }: Props) => {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Form.Control
        ref={input}
        type="file"
        hidden
        accept={accept}
        aria-label={label}
        onChange={(event) => {
          const field = event.target as HTMLInputElement;
          const file = field.files?.[0];
          if (file) onFile(file);
          field.value = '';
        }}
      />
      <Button {...button} variant="outline-secondary" onClick={() => input.current?.click()}>
        {children}
      </Button>
    </>
  );
};
