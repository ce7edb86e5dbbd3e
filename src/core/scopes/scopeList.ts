/** What a scope pane may show. */
export type ScopeId = 'waveform' | 'overlay' | 'parade' | 'vectorscope' | 'histogram' | 'rgbHistogram';

/** What a waveform's height and a histogram's width mean. */
export type ScopeScale = 'percent' | 'code' | 'stops';

type ScopeDefinition = {
  readonly name: string;
  readonly says: string;
  /** Axes it can be drawn on; the vectorscope has its own plane. */
  readonly scales: readonly ScopeScale[];
};

const LEVELS = ['stops', 'percent', 'code'] as const;

/** The scopes, in the order in which they are offered. A further one is a row and a painter. */
export const SCOPES = {
  waveform: { name: 'Waveform', says: 'Luma by column of the picture', scales: LEVELS },
  overlay: { name: 'RGB overlay', says: 'Three channels by column, one over the other', scales: LEVELS },
  parade: { name: 'RGB parade', says: 'Three channels by column, side by side', scales: LEVELS },
  vectorscope: { name: 'Vectorscope', says: 'Colour differences; targets from the matrix', scales: [] },
  histogram: { name: 'Histogram', says: 'How many pixels stand at each luma', scales: LEVELS },
  rgbHistogram: {
    name: 'RGB histogram',
    says: 'How many pixels stand at each code, by channel',
    scales: LEVELS,
  },
} as const satisfies Record<ScopeId, ScopeDefinition>;

export const SCOPE_IDS = Object.keys(SCOPES) as ScopeId[];
