'use client';

import { useRef, useState, type ReactNode } from 'react';
import Button from 'react-bootstrap/Button';
import { useWhenIdle } from '../useWhenIdle.ts';
import type { PopupPlacement } from './PopupPanel.tsx';
import { later } from '../later.tsx';

const PopupPanel = later(() => import('./PopupPanel.tsx').then((part) => part.PopupPanel));

/** A button that opens a small panel beside it; Escape and a click elsewhere close it. */
export const Popup = ({
  name,
  label,
  isNamed = true,
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
  /** The name is words; a button that shows an icon is called by its label. */
  isNamed?: boolean;
  says?: string;
  variant?: 'outline-secondary' | 'bare';
  className?: string;
  panelClass?: string;
  placement?: PopupPlacement;
  children: ReactNode | ((close: () => void) => ReactNode);
}) => {
  /** Undefined until it was pressed. */
  const [open, setOpen] = useState<boolean>();
  const target = useRef<HTMLButtonElement>(null);
  const close = () => setOpen(false);
  useWhenIdle(PopupPanel.fetch);
  return (
    <>
      <Button
        ref={target}
        variant={variant}
        size="sm"
        className={className}
        title={says}
        aria-label={isNamed ? undefined : label}
        aria-haspopup="dialog"
        aria-expanded={open === true}
        onClick={() => setOpen(!open)}
      >
        {name}
      </Button>
      {open !== undefined && (
        <PopupPanel
          target={target}
          show={open}
          label={label}
          className={panelClass}
          placement={placement}
          onClose={close}
        >
          {typeof children === 'function' ? children(close) : children}
        </PopupPanel>
      )}
    </>
  );
};
