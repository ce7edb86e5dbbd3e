import { GAMUTS } from './gamut.ts';
import type { ChartLight } from './chartCsv.ts';
import { whiteXy } from './temperature.ts';

const lampOf = (kelvin: number): ChartLight => ({ xy: whiteXy({ kelvin, duv: 0 }), kelvin });

/** Lights a chart may have been filmed in, for reflectances and for the white of XYZ. */
export const CHART_LIGHTS = {
  d65: { name: 'daylight, D65', light: { xy: GAMUTS.bt709.white } },
  a: { name: 'tungsten, 2856 K', light: lampOf(2856) },
  lamp: { name: 'lamp of 3200 K', light: lampOf(3200) },
} as const satisfies Record<string, { readonly name: string; readonly light: ChartLight }>;
export type ChartLightId = keyof typeof CHART_LIGHTS;
export const CHART_LIGHT_IDS = Object.keys(CHART_LIGHTS) as ChartLightId[];
