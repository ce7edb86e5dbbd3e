/** What a waveform's height and a histogram's width mean. */
export type ScopeScale = 'percent' | 'code' | 'stops';

/** How a scope fills its box: levels upwards, levels to the right, or the plane of colour differences. */
export type ScopePlane = 'levelsUp' | 'levelsRight' | 'chroma';

type ScopeDefinition = {
  readonly name: string;
  readonly says: string;
  readonly plane: ScopePlane;
  /** Axes it can be drawn on; the vectorscope has its own plane. */
  readonly scales: readonly ScopeScale[];
};

const LEVELS = ['stops', 'percent', 'code'] as const;

/**
 * The scopes, in the order in which they are offered. A further one is a row and a painter (`drawScope.ts`,
 * where the compiler asks for it); grid, readout and card lines come from its plane.
 */
export const SCOPES = {
  waveform: {
    name: 'Waveform',
    says: 'Luma by column of the picture',
    plane: 'levelsUp',
    scales: LEVELS,
  },
  overlay: {
    name: 'RGB overlay',
    says: 'Three channels by column, one over the other',
    plane: 'levelsUp',
    scales: LEVELS,
  },
  parade: {
    name: 'RGB parade',
    says: 'Three channels by column, side by side',
    plane: 'levelsUp',
    scales: LEVELS,
  },
  vectorscope: {
    name: 'Vectorscope',
    says: 'Colour differences; targets from the matrix',
    plane: 'chroma',
    scales: [],
  },
  histogram: {
    name: 'Histogram',
    says: 'How many pixels stand at each luma',
    plane: 'levelsRight',
    scales: LEVELS,
  },
  rgbHistogram: {
    name: 'RGB histogram',
    says: 'How many pixels stand at each code, by channel',
    plane: 'levelsRight',
    scales: LEVELS,
  },
} as const satisfies Record<string, ScopeDefinition>;

/** What a scope pane may show. */
export type ScopeId = keyof typeof SCOPES;

export const SCOPE_IDS = Object.keys(SCOPES) as ScopeId[];
