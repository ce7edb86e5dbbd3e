import { GRADE_KINDS, type GradeKindId } from '../rows/rowKinds.ts';
import { startBalance } from './balance.ts';
import { startContrast } from './contrast.ts';
import { startExposure } from './exposure.ts';
import { startPoints } from './points.ts';
import { startDenoise, startGrain, startMatch, startSaturation, startSharpen } from './rest.ts';
import { startSheen, startSkin } from './skin.ts';
import { startChannels, startRed } from './water.ts';
import type { GradeSchools } from './schools.ts';
import type { Proposal, Proposer, StartInput } from './types.ts';

/** What proposes each kind of row. Kinds without one are added by hand. A further one is a row. */
const PROPOSERS: { readonly [K in GradeKindId]?: Proposer } = {
  match: startMatch,
  exposure: startExposure,
  balance: startBalance,
  points: startPoints,
  contrast: startContrast,
  channels: startChannels,
  red: startRed,
  skin: startSkin,
  sheen: startSheen,
  saturation: startSaturation,
  sharpen: startSharpen,
  grain: startGrain,
};

/** What comes after light, balance and points, whatever the school. */
const LATER = [
  'contrast',
  'channels',
  'red',
  'skin',
  'sheen',
  'saturation',
  'sharpen',
  'grain',
] as const satisfies readonly GradeKindId[];

/** The order of each school. */
const ORDERS: { readonly [O in GradeSchools['order']]: readonly GradeKindId[] } = {
  exposure: ['match', 'exposure', 'balance', 'points', ...LATER],
  shadows: ['match', 'points', 'exposure', 'balance', ...LATER],
};

/** Under water a card far from the lens is not what the water did to the rest: green and blue are brought together. */
const UNDER_WATER: readonly GradeKindId[] = ['match', 'exposure', 'points', ...LATER];

/**
 * The first honest correction, proposed row by row from what is measured and planned: each row is read behind those
 * before it. Values are never guessed from the colour of the whole picture, but under water, where they say so.
 */
export const startGrade = (input: StartInput): readonly Proposal[] => {
  const proposals: Proposal[] = [];
  const order = input.isUnderWater ? UNDER_WATER : ORDERS[input.schools.order];
  for (const kind of order) {
    const proposal = PROPOSERS[kind]?.(input, proposals);
    if (proposal) proposals.push({ ...proposal, kind, side: GRADE_KINDS[kind].side });
  }
  const denoise = startDenoise(input, proposals);
  return denoise ? [{ ...denoise, kind: 'denoise', side: 'before' }, ...proposals] : proposals;
};
