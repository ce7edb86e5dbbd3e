'use client';

import { useRef, useState, type ReactNode } from 'react';
import Overlay from 'react-bootstrap/Overlay';
import Popover from 'react-bootstrap/Popover';
import Button from 'react-bootstrap/Button';

/** A button that opens a small panel beside it; Escape and a click elsewhere close it. */
export const Popup = ({
  name,
  label,
  says,
  variant = 'outline-secondary',
  className,
  panelClass = 'popup',
  placement = 'bottom-end',
  children,
}: {
  name: ReactNode;
  /** What the panel is called. */
  label: string;
  says?: string;
  variant?: 'outline-secondary' | 'bare';
  className?: string;
  panelClass?: string;
  placement?: 'bottom-end' | 'bottom-start' | 'top-start' | 'top-end';
  children: ReactNode | ((close: () => void) => ReactNode);
}) => {
  const [open, setOpen] = useState(false);
  const target = useRef<HTMLButtonElement>(null);
  const close = () => setOpen(false);
  return (
    <>
      <Button
        ref={target}
        variant={variant}
        size="sm"
        className={className}
        title={says}
        aria-haspopup="dialog"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
      >
        {name}
      </Button>
      <Overlay
        target={target}
        show={open}
        placement={placement}
        rootClose
        onHide={({ type, target: hit }) => {
          // A press on the button itself is the button's own: while the panel still fades it would be closed at once.
          const isOwn = type === 'click' && hit instanceof Node && target.current?.contains(hit);
          if (!isOwn) close();
        }}
      >
        <Popover
          className={`cell-popover ${panelClass}`}
          role="dialog"
          aria-label={label}
          onKeyDown={(event) => {
            if (event.key !== 'Escape') return;
            close();
            target.current?.focus();
          }}
        >
          <Popover.Body>{typeof children === 'function' ? children(close) : children}</Popover.Body>
        </Popover>
      </Overlay>
    </>
  );
};
