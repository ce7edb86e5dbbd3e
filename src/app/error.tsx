'use client';

import Button from 'react-bootstrap/Button';

const PageError = ({ error, reset }: { error: Error; reset: () => void }) => (
  <div className="empty">
    <p className="empty-title">This screen stopped</p>
    <p className="quiet">{error.message}. Your records are safe in this browser.</p>
    <Button variant="outline-secondary" onClick={reset}>
      Show it again
    </Button>
  </div>
);

export default PageError;
