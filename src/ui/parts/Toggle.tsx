'use client';

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
  <button type="button" className="toggle" aria-pressed={on} title={says} onClick={onFlip}>
    {name}
  </button>
);
