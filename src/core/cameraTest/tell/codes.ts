import { codeAnchors, maxCode } from '../../signal/scale.ts';
import { said } from '../../said.ts';
import type { TestBasis, Told } from './types.ts';

/** So large a share on every fourth code, and the last two bits are empty. */
const EMPTY_BITS = 0.999;

/** Depth and range as they are really used. */
export const codesOf = ({ filmed, coding }: TestBasis): Told => {
  const read = filmed
    .filter(({ hold }) => !hold.signs.dark)
    .flatMap(({ shot, hold }) => hold.glances.map(({ codes }) => ({ codes, id: shot.id })));
  const all = filmed.flatMap(({ shot, hold }) => hold.glances.map(({ codes }) => ({ codes, id: shot.id })));
  if (read.length === 0) return { figures: [] };
  const from = [...new Set(all.map(({ id }) => id))];
  const low = Math.min(...all.map(({ codes }) => codes.low));
  const high = Math.max(...all.map(({ codes }) => codes.high));
  const onFourth = read.reduce((sum, { codes }) => sum + codes.onFourth, 0) / read.length;
  const isEmpty = coding.bitDepth > 8 && onFourth > EMPTY_BITS;
  const bits = isEmpty ? coding.bitDepth - 2 : coding.bitDepth;
  const { black, white } = codeAnchors(coding);
  const beyond = coding.range === 'legal' && high > white;
  return {
    figures: [
      { id: 'codes.depth', name: 'bits really used', value: bits, unit: 'bits', from },
      { id: 'codes.low', name: 'lowest code', value: low, unit: 'codes', from },
      {
        id: 'codes.high',
        name: `highest code, of ${maxCode(coding.bitDepth)}`,
        value: high,
        unit: 'codes',
        from,
      },
    ],
    warnings: [
      ...(isEmpty
        ? [
            said(
              `The file holds ${coding.bitDepth} bit and uses ${bits}:`,
              `three of four codes are skipped, as in a signal of ${bits} bit.`,
            ),
          ]
        : []),
      ...(beyond && coding.range === 'legal'
        ? [
            `Codes go up to ${high}, over ${white}: highlights over 100 % are kept, as long as nobody cuts them off.`,
          ]
        : []),
      ...(coding.range === 'legal' && low < black / 2
        ? [
            said(
              `Codes go down to ${low}, far under ${black}: these are full-range codes.`,
              'Set the camera’s range in Kit, then evaluate again.',
            ),
          ]
        : []),
    ],
  };
};
