import type { GamutId } from '../colour/gamut.ts';
import type { Triple } from '../maths/matrix.ts';
import type { LumaId } from '../signal/luma.ts';
import {
  hlg,
  HLG_DIFFUSE_WHITE_SIGNAL,
  hlgOotfGain,
  hlgOotfNeutral,
  inverseHlgOotf,
  inverseHlgOotfNeutral,
} from '../transfer/hlg.ts';
import { pq, PQ_PEAK } from '../transfer/pq.ts';
import { TRANSFERS } from '../transfer/index.ts';
import { MIDDLE_GREY } from '../units.ts';

/** What a LUT's picture is for. */
export type OutputDefinition = {
  readonly name: string;
  readonly says: string;
  readonly range: 'SDR' | 'HDR';
  readonly primaries: GamutId;
  readonly luma: LumaId;
  /** Where the tone scale puts middle grey unless it is told otherwise, signal. */
  readonly grey: number;
  /** From this signal up highlights are rolled off at the middle of the shoulder’s slider: our own choice. */
  readonly straightTo: number;
  /** Signal that no highlight passes, for a display's peak in cd/m2. */
  readonly top: (peak: number) => number;
  /** Peaks that make sense, cd/m2; one means that there is no choice. */
  readonly peaks: readonly number[];
  /**
   * Scene light (1.0 = diffuse white, output primaries) of one channel, times the gain if there is one, to
   * signal, before highlights are rolled off; not held at the top. Negative light is taken as none.
   */
  readonly encode: (light: number) => number;
  /** What all three channels are multiplied with first, where the output looks at their luminance. */
  readonly gain?: (r: number, g: number, b: number) => number;
  /** The inverse of both, for what is not negative. */
  readonly scene: (signal: Triple) => Triple;
  /** Both for a neutral, and their inverse. */
  readonly neutral: {
    readonly encode: (light: number) => number;
    readonly decode: (signal: number) => number;
  };
  /** Signal of the tone scale to signal of the file, where the two differ. */
  readonly last?: {
    readonly encode: (signal: number) => number;
    readonly decode: (signal: number) => number;
  };
};

const positive = (v: number) => Math.max(0, v);
const each =
  (f: (v: number) => number) =>
  ([r, g, b]: Triple): Triple => [f(r), f(g), f(b)];

// SDR: the BT.709 OETF, which with a BT.1886 display gives the end-to-end contrast it was made for (BT.709-6
// clause 1.2, BT.1886). Grey at 45 %: common practice, no source.
const SDR_GREY = 0.45;
const sdrGain = TRANSFERS.bt709.decode(SDR_GREY) / MIDDLE_GREY;
const sdr = {
  encode: (light: number) => TRANSFERS.bt709.encode(positive(light) * sdrGain),
  decode: (signal: number) => TRANSFERS.bt709.decode(signal) / sdrGain,
};

/** What both SDR outputs have in common: they show one picture. */
const VIDEO = {
  range: 'SDR',
  primaries: 'bt709',
  luma: 'bt709',
  grey: SDR_GREY,
  straightTo: 0.65,
  top: () => 1,
  peaks: [100],
  encode: sdr.encode,
  scene: each(sdr.decode),
  neutral: sdr,
} as const;

// HLG: diffuse white at 75 % (BT.2408-7 table 1); grey then lies at 38 % by the OETF itself.
const hlgWhite = hlg.decode(HLG_DIFFUSE_WHITE_SIGNAL);
const hlgNeutral = {
  encode: (light: number) => hlg.encode(positive(light) * hlgWhite),
  decode: (signal: number) => hlg.decode(signal) / hlgWhite,
};

// PQ: the light an HLG display of 1000 cd/m2 gives for the same scene (BT.2408-7 clause 6: diffuse white at
// 203 cd/m2), so that both outputs are one picture. OOTF gamma 1.2 on the luminance (BT.2100-2 table 5).
const HLG_PEAK = 1000;
const pqNeutral = {
  encode: (light: number) => pq.encode(hlgOotfNeutral(light * hlgWhite, HLG_PEAK)),
  decode: (signal: number) => inverseHlgOotfNeutral(pq.decode(signal), HLG_PEAK) / hlgWhite,
};

/** The outputs of a LUT, keyed by id. A further one is a row. */
export const OUTPUTS = {
  bt1886: {
    ...VIDEO,
    name: 'BT.709, BT.1886',
    says: 'A video monitor of 100 cd/m² with BT.709 primaries',
  },
  srgb: {
    ...VIDEO,
    name: 'sRGB',
    says: 'A computer or phone screen: the same light as the video monitor, coded for it',
    last: {
      encode: (signal) => TRANSFERS.srgb.encode(TRANSFERS.bt1886.decode(signal)),
      decode: (signal) => TRANSFERS.bt1886.encode(TRANSFERS.srgb.decode(signal)),
    },
  },
  hlg: {
    name: 'HLG',
    range: 'HDR',
    says: 'BT.2100 HLG with BT.2020 primaries, diffuse white at 75 %',
    primaries: 'bt2020',
    luma: 'bt2020',
    grey: hlgNeutral.encode(MIDDLE_GREY),
    straightTo: 0.8,
    top: () => 1,
    peaks: [1000],
    encode: hlgNeutral.encode,
    scene: each(hlgNeutral.decode),
    neutral: hlgNeutral,
  },
  pq: {
    name: 'PQ',
    range: 'HDR',
    says: 'BT.2100 PQ with BT.2020 primaries, diffuse white at 203 cd/m²',
    primaries: 'bt2020',
    luma: 'bt2020',
    grey: pqNeutral.encode(MIDDLE_GREY),
    straightTo: 0.61,
    top: (peak) => pq.encode(Math.min(PQ_PEAK, peak)),
    peaks: [600, 1000, 1500, 2000, 4000],
    encode: (light) => pq.encode(positive(light)),
    gain: (r, g, b) =>
      hlgWhite *
      hlgOotfGain(positive(r) * hlgWhite, positive(g) * hlgWhite, positive(b) * hlgWhite, HLG_PEAK),
    scene: (signal) => each((v) => v / hlgWhite)(inverseHlgOotf(each(pq.decode)(signal), HLG_PEAK)),
    neutral: pqNeutral,
  },
} as const satisfies Record<string, OutputDefinition>;

export type OutputId = keyof typeof OUTPUTS;
export const OUTPUT_IDS = Object.keys(OUTPUTS) as OutputId[];

/** The row of an output, with its optional parts. */
export const outputOf = (id: OutputId): OutputDefinition => OUTPUTS[id];
