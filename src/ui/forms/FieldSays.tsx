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
  /** The sentence; nothing is shown without one. */
  children?: string;
}) => (
  <Overlay target={target} show={children !== undefined} placement="bottom-start" transition={false}>
    <Tooltip id={id} role="alert" className="field-says">
      {children}
    </Tooltip>
  </Overlay>
);
