import type { ReactNode } from 'react';

/** A part of the work with its head line. */
export const Panel = ({
  title,
  note,
  tools,
  className = '',
  children,
}: {
  title: ReactNode;
  note?: ReactNode;
  tools?: ReactNode;
  className?: string;
  children: ReactNode;
}) => (
  <section className={`panel ${className}`}>
    <header className="panel-head">
      <h2>{title}</h2>
      {note !== undefined && <span className="quiet">{note}</span>}
      {tools !== undefined && <div className="panel-tools">{tools}</div>}
    </header>
    <div className="panel-body">{children}</div>
  </section>
);
