'use client';

import type { ReactNode } from 'react';
import { later } from '../later.tsx';

/** Fetched while nothing is said, so that it is there when the connection is not. */
const Alert = later(() => import('react-bootstrap/Alert').then((part) => part.default));
export const fetchNotice = Alert.fetch;

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
