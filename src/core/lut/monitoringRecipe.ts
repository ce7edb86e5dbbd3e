import type { ProfileData } from '../profile/index.ts';
import type { LutRecipe } from './recipeData.ts';
import { PLAIN_TONE } from './toneScale.ts';

/** From a profile's signal to a BT.709 picture for a BT.1886 monitor, as data. */
export type MonitoringTransform = {
  readonly profile: ProfileData;
  /** Stops taken off before the picture is made: the placement, so that the card looks like a card. 0 = none. */
  readonly pullStops: number;
};

/** The recipe of the monitor's picture: the plain tone scale for a BT.1886 display. */
export const monitoringRecipe = ({ profile, pullStops }: MonitoringTransform): LutRecipe => ({
  profile,
  pullStops,
  output: 'bt1886',
  peak: 100,
  tone: PLAIN_TONE,
  saturation: 1,
});
