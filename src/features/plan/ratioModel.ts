import { RATIO_BAND_IDS } from '#core/exposure/ratio.ts';
import type { Survey } from '#core/exposure/survey.ts';
import type { RatioOf, SetupRecord } from '#store/records/setup.ts';

/** What was said of the ratio, as far as it can be read. */
export const ratioOf = ({ ratio }: Pick<SetupRecord, 'ratio'>): RatioOf => {
  const { bright, shadow, behind, wanted } = (typeof ratio === 'object' && ratio) || ({} as RatioOf);
  return { bright, shadow, behind, wanted: RATIO_BAND_IDS.find((id) => id === wanted) };
};

export type Side = { readonly name: string; readonly stops: number };

/**
 * The sides by the spots that were chosen; the bright one, without a choice, is the brightest reading of a face.
 */
export const sidesOf = (
  setup: Pick<SetupRecord, 'ratio'>,
  { spots }: Survey,
): { readonly bright?: Side; readonly shadow?: Side; readonly behind?: Side } => {
  const chosen = ratioOf(setup);
  const sideOf = (id: string | undefined): Side | undefined => {
    const found = id === undefined ? undefined : spots.find(({ spot }) => spot.id === id);
    return found && { name: found.spot.name, stops: found.stops };
  };
  const faces = spots
    .filter(({ spot }) => spot.role === 'skin')
    .toSorted((a, b) => b.stops - a.stops)
    .map(({ spot }) => spot.id);
  const usual = faces.length > 0 ? faces[0] : undefined;
  return {
    bright: sideOf(chosen.bright ?? usual),
    shadow: sideOf(chosen.shadow),
    behind: sideOf(chosen.behind),
  };
};
