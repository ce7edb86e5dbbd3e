'use client';

import { BREAK_IDS, BREAKS, type BreakId } from '#core/grade/gradeForecast.ts';
import { StateMark } from '#ui/parts/StateMark.tsx';
import { Toggle } from '#ui/parts/Toggle.tsx';
import { words } from '#ui/wording/grade.ts';
import type { GradeRead } from '#workers/judge/gradeProtocol.ts';

/** What may break, each with its share of the picture; one of them is shown where it lies. */
export const GradeBreaks = ({
  read,
  marked,
  onMark,
}: {
  read: GradeRead;
  marked?: BreakId;
  onMark: (id: BreakId | undefined) => void;
}) => {
  const found = BREAK_IDS.filter((id) => read.forecast[id].share > 0.002);
  if (found.length === 0) return <p className="quiet grade-breaks">{words.holds}</p>;
  return (
    <div className="grade-breaks" role="group" aria-label={words.breaks}>
      {found.map((id) => (
        <span key={id} title={`${BREAKS[id].says}.`}>
          <StateMark state="watch" />
          <Toggle
            on={marked === id}
            name={`${BREAKS[id].name} ${words.shareOf(`${(100 * read.forecast[id].share).toFixed(1)} %`)}`}
            says={words.showWhere(BREAKS[id].name)}
            onFlip={() => onMark(marked === id ? undefined : id)}
          />
        </span>
      ))}
    </div>
  );
};
