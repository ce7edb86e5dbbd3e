'use client';

import { useRef, type KeyboardEvent, type PointerEvent, type WheelEvent } from 'react';
import Button from 'react-bootstrap/Button';
import { words } from '#ui/wording/stage.ts';

/** Pixels of a drag that make one click of the knob. */
const CLICK = 14;

/** A knob: arrow keys, wheel, drag up and down, or its two ends. A notch shows that it is off the card. */
export const Knob = ({
  label,
  value,
  says,
  off = false,
  disabled = false,
  onTurn,
  onReset,
}: {
  label: string;
  value: string;
  /** Unit and sign, for the tooltip. */
  says?: string;
  /** Turned away from the card. */
  off?: boolean;
  disabled?: boolean;
  /** Clicks, up + . */
  onTurn: (clicks: number) => void;
  onReset: () => void;
}) => {
  const drag = useRef<{ y: number; done: number } | undefined>(undefined);
  const onKey = (event: KeyboardEvent) => {
    const clicks = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1, PageUp: 3, PageDown: -3 }[
      event.key
    ];
    if (event.key === 'Home' || event.key === 'Delete') onReset();
    if (clicks === undefined) return;
    event.preventDefault();
    onTurn(clicks);
  };
  const onMove = (event: PointerEvent) => {
    if (!drag.current) return;
    const clicks = Math.trunc((drag.current.y - event.clientY) / CLICK) - drag.current.done;
    if (clicks === 0) return;
    drag.current.done += clicks;
    onTurn(clicks);
  };
  return (
    <div className={`knob${off ? ' knob-off' : ''}${disabled ? ' dim' : ''}`}>
      <Button
        variant="bare"
        className="knob-step"
        tabIndex={-1}
        aria-label={words.downNamed(label)}
        disabled={disabled}
        onClick={() => onTurn(-1)}
      >
        −
      </Button>
      <div
        className="knob-face"
        role="spinbutton"
        tabIndex={disabled ? -1 : 0}
        aria-label={label}
        aria-valuetext={`${value}${off ? ', off the card' : ''}`}
        aria-disabled={disabled}
        title={`${label}${says ? `, ${says}` : ''}${off ? '; double-click to go back to the card' : ''}`}
        onKeyDown={disabled ? undefined : onKey}
        onWheel={disabled ? undefined : (event: WheelEvent) => onTurn(event.deltaY < 0 ? 1 : -1)}
        onDoubleClick={onReset}
        onPointerDown={(event) => {
          if (disabled) return;
          event.currentTarget.setPointerCapture(event.pointerId);
          drag.current = { y: event.clientY, done: 0 };
        }}
        onPointerMove={onMove}
        onPointerUp={() => {
          drag.current = undefined;
        }}
      >
        <span className="knob-label">
          {label}
          {off && <span className="notch" />}
        </span>
        <span className="knob-value num">{value}</span>
      </div>
      <Button
        variant="bare"
        className="knob-step"
        tabIndex={-1}
        aria-label={`${label} up`}
        disabled={disabled}
        onClick={() => onTurn(1)}
      >
        +
      </Button>
    </div>
  );
};
