import type { ReactNode } from 'react';

/** Nothing here yet, and what to do about it. */
export const Empty = ({ title, children }: { title: string; children?: ReactNode }) => (
  <div className="empty">
    <p className="empty-title">{title}</p>
    {children}
  </div>
);
