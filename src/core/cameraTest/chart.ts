import { readChart } from '../colour/chartCsv.ts';
import { CHART_LIGHTS, type ChartLightId } from '../colour/chartLights.ts';
import type { Triple } from '../maths/matrix.ts';
import { failure, success, type Result } from '../result.ts';
import { said } from '../said.ts';
import type { ChartRead } from './tell/types.ts';

/** What is known of a chart: its colours as a file says them, and the light they hold in. */
export type ChartKnown = { readonly text: string; readonly light: ChartLightId };

/**
 * A chart's colours beside what was read of it, patch by patch in the order of its rows.
 * @param signals R', G', B' of its patches, signal fractions @param from Id of the shot they were read on
 * @returns a failure where the rows cannot be read, or are not as many as the patches
 */
export const chartRead = (
  { text, light }: ChartKnown,
  signals: readonly Triple[],
  from: string,
): Result<ChartRead> => {
  const chart = readChart(text, CHART_LIGHTS[light].light);
  if (!chart.ok) return chart;
  const rows = chart.value.rows.filter(({ name }) => name.toLowerCase() !== 'white');
  if (rows.length !== signals.length)
    return failure(
      'chart',
      said(
        `The chart has ${rows.length} rows of colours, ${signals.length} patches are laid:`,
        'choose the chart that is in the picture, a row a patch from its upper left on.',
      ),
    );
  const patches = rows.map(({ name, xyz }, i) => ({ name, xyz, signal: signals[i] }));
  return success({ patches, white: chart.value.white, from });
};
