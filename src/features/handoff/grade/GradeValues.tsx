'use client';

import type { GradeKind, GradeRow } from '#core/grade/rows/types.ts';
import { valueOf } from '#core/grade/rows/rowKinds.ts';
import { printGradeValue } from '#ui/bench/grade/gradePrint.ts';
import { Slider } from '#ui/parts/Slider.tsx';
import { Toggle } from '#ui/parts/Toggle.tsx';

/** The numbers of a row: sliders, and switches for what is yes or no. */
export const GradeValues = ({
  row,
  kind,
  onMove,
  onSettle,
  onSet,
}: {
  row: GradeRow;
  kind: GradeKind;
  /** A slider is on its way. */
  onMove: (values: GradeRow['values']) => void;
  onSettle: () => void;
  onSet: (values: GradeRow['values']) => void;
}) => {
  const value = valueOf(kind, row.values);
  return (
    <div className="grade-values">
      {Object.entries(kind.values).map(([name, spec]) =>
        spec.unit === 'choice' ? (
          <Toggle
            key={name}
            on={value(name) > 0}
            name={spec.name}
            says={spec.says}
            onFlip={() => onSet({ ...row.values, [name]: value(name) > 0 ? 0 : 1 })}
          />
        ) : (
          <Slider
            key={name}
            label={spec.name}
            says={spec.says}
            min={spec.min}
            max={spec.max}
            step={spec.step}
            value={value(name)}
            shown={printGradeValue(spec, value(name))}
            onSet={(v) => onMove({ ...row.values, [name]: v })}
            onCommit={onSettle}
            onReset={() => onSet({ ...row.values, [name]: spec.neutral })}
          />
        ),
      )}
    </div>
  );
};
