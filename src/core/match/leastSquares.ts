import { levenbergMarquardt } from 'ml-levenberg-marquardt';

/**
 * Numbers that make misfits small, from 0 each (Levenberg and Marquardt); the zeros where the fit ends nowhere.
 * @param count How many misfits there are
 */
export const leastSquares = (
  numbers: number,
  count: number,
  misfits: (free: readonly number[]) => readonly number[],
  rounds: number,
): readonly number[] => {
  const rest = Array.from({ length: numbers }, () => 0);
  const x = Array.from({ length: count }, (_, i) => i);
  const { parameterValues } = levenbergMarquardt(
    { x, y: x.map(() => 0) },
    (free: readonly number[]) => {
      const all = misfits(free);
      return (i: number) => all[i];
    },
    {
      initialValues: rest,
      damping: 1e-3,
      gradientDifference: 1e-4,
      centralDifference: true,
      maxIterations: rounds,
      errorTolerance: 1e-9,
    },
  );
  return parameterValues.every(Number.isFinite) ? parameterValues : rest;
};
