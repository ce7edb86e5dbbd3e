import type { ProfileData } from '../profile/index.ts';
import { OUTPUTS } from './outputs.ts';
import { compileRecipe, type CompiledRecipe, type LutRecipe } from './recipe.ts';
import { PLAIN_TONE } from './toneScale.ts';

/** From a profile's signal to a BT.709 picture for a BT.1886 monitor, as data. */
export type MonitoringTransform = {
  readonly profile: ProfileData;
  /** Stops taken off before the picture is made: the placement, so that the card looks like a card. 0 = none. */
  readonly pullStops: number;
};

/** Display signal of an 18 % card, fraction of 100 %. */
export const DISPLAY_GREY = OUTPUTS.bt1886.grey;

export type CompiledMonitoring = Pick<CompiledRecipe, 'rgb' | 'channel' | 'neutral'>;

/** The recipe of the monitor's picture: the plain tone scale for a BT.1886 display. */
export const monitoringRecipe = ({ profile, pullStops }: MonitoringTransform): LutRecipe => ({
  profile,
  pullStops,
  output: 'bt1886',
  peak: 100,
  tone: PLAIN_TONE,
  saturation: 1,
});

/** The functions that run a monitoring transform; BT.709 primaries, display signal 0..1 out. */
export const compileMonitoring = (transform: MonitoringTransform): CompiledMonitoring =>
  compileRecipe(monitoringRecipe(transform));
