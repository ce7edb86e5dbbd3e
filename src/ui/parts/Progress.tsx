import ProgressBar from 'react-bootstrap/ProgressBar';

/** How far something is; named for who does not see it. */
export const Progress = ({
  label,
  now,
  max = 100,
  className,
}: {
  label: string;
  now: number;
  max?: number;
  className?: string;
}) => (
  // The component names its track; the bar within is what has the role.
  <ProgressBar className={className}>
    <ProgressBar key="bar" now={now} max={max} aria-label={label} />
  </ProgressBar>
);
