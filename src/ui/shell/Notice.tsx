'use client';

import dynamic from 'next/dynamic';
import type { ReactNode } from 'react';

/** Fetched while nothing is said, so that it is there when the connection is not. */
export const loadAlert = () => import('react-bootstrap/Alert');
const Alert = dynamic(loadAlert);

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
