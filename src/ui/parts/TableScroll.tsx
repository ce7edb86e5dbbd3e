'use client';

import { useEffect, useRef, useState, type ReactNode } from 'react';

/** A table that may be wider than its place: it scrolls, by keyboard too, and only then takes a tab stop. */
export const TableScroll = ({ label, children }: { label: string; children: ReactNode }) => {
  const box = useRef<HTMLDivElement>(null);
  const [scrolls, setScrolls] = useState(false);
  useEffect(() => {
    const element = box.current;
    if (!element) return;
    const observer = new ResizeObserver(() => setScrolls(element.scrollWidth > element.clientWidth));
    observer.observe(element);
    if (element.firstElementChild) observer.observe(element.firstElementChild);
    return () => observer.disconnect();
  }, []);
  return (
    <div
      ref={box}
      className="table-scroll"
      {...(scrolls ? { tabIndex: 0, role: 'group', 'aria-label': label } : {})}
    >
      {children}
    </div>
  );
};
