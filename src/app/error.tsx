'use client';

const PageError = ({ error, reset }: { error: Error; reset: () => void }) => (
  <div className="empty">
    <p className="empty-title">This screen stopped</p>
    <p className="quiet">{error.message}. Your records are safe in this browser.</p>
    <button type="button" className="btn btn-outline-secondary" onClick={reset}>
      Show it again
    </button>
  </div>
);

export default PageError;
