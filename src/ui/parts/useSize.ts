'use client';

import { useEffect, useRef, useState } from 'react';

export type Size = { readonly width: number; readonly height: number };

/** The content box of an element, in CSS pixels, as it changes. */
export const useSize = <E extends HTMLElement = HTMLDivElement>(start: Size) => {
  const box = useRef<E>(null);
  const [size, setSize] = useState<Size>(start);
  useEffect(() => {
    if (!box.current) return undefined;
    const watch = new ResizeObserver(([{ contentRect }]) =>
      setSize({ width: contentRect.width, height: contentRect.height }),
    );
    watch.observe(box.current);
    return () => watch.disconnect();
  }, []);
  return [box, size] as const;
};
