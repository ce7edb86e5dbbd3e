'use client';

import type { ReactNode } from 'react';
import Alert from 'react-bootstrap/Alert';

/** One thing that is said: it stands, it does not interrupt. */
export const Notice = ({
  isBad = false,
  children,
  ...data
}: {
  isBad?: boolean;
  children: ReactNode;
  readonly [data: `data-${string}`]: number;
}) => (
  <Alert bsPrefix="notice" variant={isBad ? 'bad' : 'plain'} role="status" transition={false} {...data}>
    {children}
  </Alert>
);
