/** Cautions shown where they belong. Short, not legal advice; local codes and licensed practice decide. */
export const CAUTIONS = {
  hotWork: 'Hot glass: the workshop’s rules and distance come before the shot.',
  sun: 'Never look at the sun through a lens or finder; ND filters are no eye protection.',
  air: 'Local aviation rules and permission first; nobody underneath.',
  diving: 'Training, buddy, depth and gas limits come before the picture.',
  lamps: 'Lamps and stands: safety bonds, heat, licensed electricians on the mains.',
  longRecording: 'Long recording: watch heat and batteries.',
  waterEdge: 'Dark quay: a spotter at the water’s edge.',
} as const;

export const CAUTION_CLOSE = 'Local codes and licensed practice decide.';
