import type { ReactNode } from 'react';

/** A part of the work with its head line. */
export const Panel = ({
  title,
  note,
  tools,
  className = '',
  children,
  ...data
}: {
  title: ReactNode;
  note?: ReactNode;
  tools?: ReactNode;
  className?: string;
  children: ReactNode;
  readonly [data: `data-${string}`]: number | undefined;
}) => (
  <section className={`panel ${className}`} {...data}>
    <header className="panel-head">
      <h2>{title}</h2>
      {note !== undefined && <span className="quiet">{note}</span>}
      {tools !== undefined && <div className="panel-tools">{tools}</div>}
    </header>
    <div className="panel-body">{children}</div>
  </section>
);
