'use client';

import type { ReactNode, RefObject } from 'react';
import Overlay from 'react-bootstrap/Overlay';
import Popover from 'react-bootstrap/Popover';

export type PopupPlacement = 'bottom-end' | 'bottom-start' | 'top-start' | 'top-end';

/** The panel beside the button of a Popup. */
export const PopupPanel = ({
  target,
  show,
  label,
  className,
  placement,
  onClose,
  children,
}: {
  target: RefObject<HTMLElement | null>;
  show: boolean;
  label: string;
  className: string;
  placement: PopupPlacement;
  onClose: () => void;
  children: ReactNode;
}) => (
  <Overlay
    target={target}
    show={show}
    placement={placement}
    rootClose
    onHide={({ type, target: hit }) => {
      // A press on the button itself is the button's own: while the panel still fades it would be closed at once.
      const isOwn = type === 'click' && hit instanceof Node && target.current?.contains(hit);
      if (!isOwn) onClose();
    }}
  >
    <Popover
      className={`cell-popover ${className}`}
      role="dialog"
      aria-label={label}
      onKeyDown={(event) => {
        if (event.key !== 'Escape') return;
        onClose();
        target.current?.focus();
      }}
    >
      <Popover.Body>{children}</Popover.Body>
    </Popover>
  </Overlay>
);
