import { MIDDLE_GREY, stopsToReflectance } from '../units.ts';
import { HLG_DIFFUSE_WHITE_SIGNAL, tangentLog, TRANSFERS } from '../transfer/index.ts';
import { SCALES } from '../signal/scale.ts';
import type { CurveSpec, ProfileData } from './types.ts';

/** A log curve through grey and clip, given its toe: s and cut as in `tangentLog`. */
const logThrough = (
  toe: { s: number; cut: number },
  greySignal: number,
  clipStops: number,
  clipSignal: number,
): CurveSpec => {
  const logAt = (x: number) => Math.log10(x + toe.s);
  const c = (clipSignal - greySignal) / (logAt(stopsToReflectance(clipStops)) - logAt(MIDDLE_GREY));
  const d = greySignal - c * logAt(MIDDLE_GREY);
  return { kind: 'log', coefficients: tangentLog(toe.s, toe.cut, c, d) };
};

const tenBitLegal = { bitDepth: 10, range: 'legal' } as const;

type Archetype = ProfileData & { readonly name: string; readonly says: string };

// Numbers of our own; only HLG and the base of `standard` are standards.
export const ARCHETYPES = {
  wideLog: {
    name: 'wide log',
    says: 'Most room, 10-bit: grey 41 % of signal, clip +6 at 94 %.',
    gamut: 'bt2020',
    clipStops: 6,
    curve: logThrough({ s: 0.01, cut: 0.005 }, SCALES.fullCodePercent.toSignal(41, tenBitLegal), 6, 0.94),
  },
  classicLog: {
    name: 'classic log',
    says: 'Steeper, darker: grey 32 % of signal, overshoots to 106 %.',
    gamut: 'bt709',
    clipStops: 6.6,
    curve: logThrough({ s: 0.04, cut: 0.003 }, 0.32, 6.6, 1.06),
  },
  mildLog: {
    name: 'mild log',
    says: 'Small cameras, aerials: grey 40 % of signal, clip +5 at 100 %.',
    gamut: 'bt709',
    clipStops: 5,
    curve: logThrough({ s: 0.03, cut: 0.003 }, 0.4, 5, 1),
  },
  cineFlat: {
    name: 'cine flat',
    says: 'A gamma with a long shoulder: grey 42 % of signal, clip +4 1/2.',
    gamut: 'bt709',
    clipStops: 4.5,
    curve: {
      kind: 'power',
      coefficients: { gain: 1.037, exponent: 0.5, offset: -0.02, cut: 0.01 },
      knee: { at: 0.36, width: 0.139 },
    },
  },
  flat: {
    name: 'flat',
    says: 'Lifted blacks, low contrast: grey 42 % of signal, clip +4.',
    gamut: 'bt709',
    clipStops: 4,
    curve: {
      kind: 'power',
      coefficients: { gain: 0.873, exponent: 0.55, offset: 0.08, cut: 0.01 },
      knee: { at: 0.36, width: 0.22 },
    },
  },
  hlg: {
    name: 'HLG',
    says: 'BT.2100, diffuse white at 75 % of signal: grey 38 %, clip +4.4.',
    gamut: 'bt2020',
    clipStops: Math.log2(1 / (TRANSFERS.hlg.decode(HLG_DIFFUSE_WHITE_SIGNAL) * MIDDLE_GREY)),
    curve: { kind: 'standard', transfer: 'hlg', gain: TRANSFERS.hlg.decode(HLG_DIFFUSE_WHITE_SIGNAL) },
  },
  standard: {
    name: 'standard',
    says: 'BT.709 with a knee: grey 41 % of signal, finished picture, clip +3.3.',
    gamut: 'bt709',
    clipStops: 3.3,
    curve: { kind: 'standard', transfer: 'bt709', gain: 1, knee: { at: 0.64, width: 0.288 } },
  },
} as const satisfies Record<string, Archetype>;

export type ArchetypeId = keyof typeof ARCHETYPES;
export const ARCHETYPE_IDS = Object.keys(ARCHETYPES) as ArchetypeId[];
