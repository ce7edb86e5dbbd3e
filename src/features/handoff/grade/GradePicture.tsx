'use client';

import { useMemo } from 'react';
import { BREAKS, FORECAST_GRID, type BreakId } from '#core/grade/gradeForecast.ts';
import { useSession } from '#ui/bench/hooks.ts';
import { LutPicture } from '#ui/luts/LutPicture.tsx';
import { outputOf } from '#core/lut/outputs.ts';
import type { Through } from '#workers/judge/protocol.ts';
import { words } from '#ui/wording/grade.ts';
import type { Rect } from '#core/frame/frame.ts';

/** Cells of the picture where something may break, outlined. */
const Cells = ({ id, cells }: { id: BreakId; cells: readonly number[] }) => {
  const { columns, rows } = FORECAST_GRID;
  return (
    <svg
      className="grade-cells"
      viewBox={`0 0 ${columns} ${rows}`}
      preserveAspectRatio="none"
      role="img"
      aria-label={BREAKS[id].name}
    >
      {cells.map((cell) => (
        <rect key={cell} x={cell % columns} y={Math.floor(cell / columns)} width={1} height={1} />
      ))}
    </svg>
  );
};

/** Side of what a pick reads, of the picture's width. */
const PICK = 1 / 60;

/** The picture on the bench through the grade; another picture wiped over it, cells marked, a colour picked off it. */
export const GradePicture = ({
  through,
  name,
  over,
  marked,
  onPick,
}: {
  through: Through;
  name: string;
  over?: { readonly through: Through; readonly name: string };
  marked?: { readonly id: BreakId; readonly cells: readonly number[] };
  /** While a colour is being picked. */
  onPick?: (rect: Rect) => void;
}) => {
  const info = useSession(({ frame }) => frame?.info);
  const said = useMemo(() => `${name}, ${outputOf(through.output).name}`, [name, through.output]);
  return (
    <LutPicture through={through} name={said} over={onPick ? undefined : over}>
      {marked && <Cells {...marked} />}
      {onPick && info && (
        <div
          className="grade-pick"
          title={words.picking}
          onPointerUp={(event) => {
            const box = event.currentTarget.getBoundingClientRect();
            const side = Math.max(2, Math.round(PICK * info.width));
            onPick({
              x: Math.round(((event.clientX - box.left) / box.width) * info.width - side / 2),
              y: Math.round(((event.clientY - box.top) / box.height) * info.height - side / 2),
              width: side,
              height: side,
            });
          }}
        />
      )}
    </LutPicture>
  );
};
