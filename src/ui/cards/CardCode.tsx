'use client';

import { useMemo } from 'react';
import { codeOf } from './cardText.ts';

/** A code that holds a text as it stands: read by any phone's camera, without a network. */
export const CardCode = ({ text, label }: { text: string; label: string }) => {
  const { side, path } = useMemo(() => codeOf(text), [text]);
  return (
    <svg
      className="card-code"
      role="img"
      aria-label={label}
      viewBox={`0 0 ${side} ${side}`}
      shapeRendering="crispEdges"
    >
      <rect width={side} height={side} fill="#fff" />
      <path d={path} fill="#000" />
    </svg>
  );
};
