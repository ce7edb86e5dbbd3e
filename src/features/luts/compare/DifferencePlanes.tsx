'use client';

import { useEffect, useRef } from 'react';
import { RAMP_STOPS, rampBytes } from '#core/scopes/ramp.ts';
import type { DifferenceMap } from '#core/lut/differenceMap.ts';
import { words } from '#ui/wording/lutsCompare.ts';

const CELL = 5;
const GAP = 6;

/** The cube of inputs in planes of blue, each cell as bright as the difference is large. */
export const DifferencePlanes = ({ map, top }: { map: DifferenceMap; top: number }) => {
  const canvas = useRef<HTMLCanvasElement>(null);
  const { planes, side, data } = map;
  const columns = Math.ceil(planes / 2);
  const plane = side * CELL;
  const width = columns * plane + (columns - 1) * GAP;
  const height = 2 * plane + GAP;
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!context) return;
    context.clearRect(0, 0, width, height);
    for (let i = 0; i < data.length; i += 1) {
      const [r, g, b] = [i % side, Math.floor(i / side) % side, Math.floor(i / side ** 2)];
      const left = (b % columns) * (plane + GAP) + r * CELL;
      // Green upwards.
      const above = Math.floor(b / columns) * (plane + GAP) + (side - 1 - g) * CELL;
      const [x, y, z] = rampBytes(
        'viridis',
        RAMP_STOPS[0] + (RAMP_STOPS[1] - RAMP_STOPS[0]) * Math.min(1, data[i] / top),
      );
      context.fillStyle = `rgb(${x},${y},${z})`;
      context.fillRect(left, above, CELL, CELL);
    }
  }, [data, side, planes, columns, plane, top, width, height]);
  return (
    <canvas
      ref={canvas}
      className="lut-map"
      width={width}
      height={height}
      role="img"
      aria-label={words.differenceOverTheCube(top.toFixed(1))}
    />
  );
};
