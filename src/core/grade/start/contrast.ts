import type { Proposer } from './types.ts';

const FIRM = 1.2;

export const startContrast: Proposer = ({ schools, isUnderWater }) => {
  const slope = schools.contrast === 'contrasty' || isUnderWater ? FIRM : 1;
  return {
    on: slope !== 1,
    values: { slope, ends: 3 },
    ground: 'choice',
    why: isUnderWater
      ? 'Water takes contrast with every metre: it comes back first'
      : slope === 1
        ? 'The conversion’s own contrast. Night, fog and studio need not span 0 to 100 %'
        : 'Firm, by the school that is chosen',
    arithmetic: [{ label: 'slope at grey', value: String(slope) }],
  };
};
