'use client';

import type { RefObject } from 'react';
import Overlay from 'react-bootstrap/Overlay';
import Tooltip from 'react-bootstrap/Tooltip';

/** What is wrong with a field that is typed into, beside it. */
export const FieldSays = ({
  id,
  target,
  children,
}: {
  id: string;
  target: RefObject<HTMLElement | null>;
  /** The sentence. */
  children: string;
}) => (
  <Overlay target={target} show placement="bottom-start" transition={false}>
    <Tooltip id={id} role="alert" className="field-says">
      {children}
    </Tooltip>
  </Overlay>
);
