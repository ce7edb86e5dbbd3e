import { monitoringRecipe, type MonitoringTransform } from './monitoringRecipe.ts';
import { OUTPUTS } from './outputs.ts';
import { compileRecipe, type CompiledRecipe } from './recipe.ts';

export { monitoringRecipe, type MonitoringTransform };

/** Display signal of an 18 % card, fraction of 100 %. */
export const DISPLAY_GREY = OUTPUTS.bt1886.grey;

export type CompiledMonitoring = Pick<CompiledRecipe, 'rgb' | 'channel' | 'neutral'>;

/** The functions that run a monitoring transform; BT.709 primaries, display signal 0..1 out. */
export const compileMonitoring = (transform: MonitoringTransform): CompiledMonitoring =>
  compileRecipe(monitoringRecipe(transform));
