'use client';

import Button from 'react-bootstrap/Button';

/** A switch that keeps its state in sight. */
export const Toggle = ({
  on,
  name,
  says,
  onFlip,
}: {
  on: boolean;
  name: string;
  says?: string;
  onFlip: () => void;
}) => (
  <Button variant="choice" size="sm" active={on} aria-pressed={on} title={says} onClick={onFlip}>
    {name}
  </Button>
);
