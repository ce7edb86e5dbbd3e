import { kindOf, type Profile, type ProfileKind } from '../profile/index.ts';
import type { Chroma } from '../signal/chroma.ts';
import { TRANSFERS } from '../transfer/index.ts';
import { stopsToReflectance } from '../units.ts';
import {
  bitsAPixel,
  codesLeft,
  fewMinutes,
  FEW_BITS,
  mayBand,
  mixedLight,
  noiseTakes,
  overBaseIso,
  overClip,
  staysHidden,
  underClip,
} from './ruleWords.ts';

/** What is known of a set-up, a camera and one of its profiles. */
export type AdviceInput = {
  readonly profile: Profile;
  readonly bitDepth: number;
  /** How the recording thins out colour. */
  readonly chroma: Chroma;
  /** What must be kept, stops over grey; undefined where nothing was surveyed. */
  readonly keep?: readonly [number, number];
  /** Clip in the recording at the plan's ISO. */
  readonly clipStops: number;
  /** Lowest stop over grey that noise and code steps together leave usable at the plan's ISO. */
  readonly noiseFloor: number;
  /** Code values of the stop around grey, half under and half over it. */
  readonly codesPerStop: number;
  /** Noise at grey, standard deviation in code values. */
  readonly noiseCodes: number;
  /** Of the recording at this frame rate; undefined where the bit rate is not known. */
  readonly bitsPerPixel?: number;
  readonly graded: boolean;
  readonly minutesPerClip: number;
  readonly live: boolean;
  readonly changing: boolean;
  /** Widest split between the sources that play, mired; 0 for one light. */
  readonly splitMired: number;
  readonly hdr: boolean;
  /** Stops of ISO over the nearest base. */
  readonly overBase: number;
  /** A sister camera in this set-up shoots this very profile. */
  readonly sisterShootsIt: boolean;
};

/** How far from a finished picture a profile is: what grading has to put back. 0..1. */
const RAWNESS = { finished: 0, hlg: 0.5, flat: 0.5, log: 1 } as const satisfies Record<ProfileKind, number>;
const rawness = ({ profile }: AdviceInput) => RAWNESS[kindOf(profile)];

const clamp = (v: number) => Math.min(1, Math.max(-1, v));

/** What a rule says of a profile: from -1 against to +1 for; silent where it has nothing to say. */
type Said = { readonly score: number; readonly sentence: string };

type Rule = {
  readonly name: string;
  readonly weight: number;
  readonly judge: (input: AdviceInput) => Said | undefined;
};

/** Signal of the stop around grey in a finished picture: BT.709's own. */
const FINISHED_SLOPE =
  TRANSFERS.bt709.encode(stopsToReflectance(0.5)) - TRANSFERS.bt709.encode(stopsToReflectance(-0.5));

/** Contrast that grading puts back on a profile: a finished picture's slope at grey over the profile's. */
export const contrastPutBack = ({ profile }: Pick<AdviceInput, 'profile'>): number =>
  Math.max(1, FINISHED_SLOPE / (profile.signalAt(0.5) - profile.signalAt(-0.5)));

/** A luminance step of one percent and a half is just seen on a good display, stops. From memory, rounded. */
export const SEEN_STEP = Math.log2(1.015);
/** From this much noise on, steps are dithered; common practice. Code values. */
export const DITHER = 0.4;
/** Sources further apart than this are mixed light: about half a daylight-to-tungsten filter. Our own. */
export const MIXED_MIRED = 60;

/** Rules of profile advice. A further one is a row; each is tested alone. */
export const ADVICE_RULES = {
  grading: {
    name: 'Will it be graded',
    weight: 5,
    judge: (input) =>
      input.graded
        ? {
            score: 0.3 * rawness(input),
            sentence: 'It will be graded: what is not baked in can be chosen later.',
          }
        : {
            score: 1 - 2 * rawness(input),
            sentence:
              rawness(input) === 0
                ? 'Nobody will grade: this picture is finished as it is.'
                : 'Nobody will grade: it would stay grey and flat.',
          },
  },
  range: {
    name: 'Scene against clip',
    weight: 4,
    judge: ({ keep, clipStops }) => {
      if (!keep) return undefined;
      const lost = Math.max(0, keep[1] - clipStops);
      const wide = keep[1] - keep[0];
      return lost > 0.05
        ? { score: clamp(-lost / 2), sentence: overClip(wide, lost) }
        : { score: 0.3, sentence: underClip(wide, clipStops - keep[1]) };
    },
  },
  noise: {
    name: 'Scene against noise',
    weight: 3,
    judge: ({ keep, noiseFloor }) => {
      if (!keep) return undefined;
      const lost = noiseFloor - keep[0];
      return {
        score: lost > 0.05 ? clamp(-lost / 2) : 0.1,
        sentence: noiseTakes(noiseFloor, Math.abs(lost) < 0.05 ? 0 : lost),
      };
    },
  },
  codes: {
    name: 'Codes a stop against noise',
    weight: 2.5,
    judge: ({ codesPerStop, noiseCodes }) => {
      const score = clamp(Math.log2(codesPerStop / 40));
      // Noise wider than a step dithers coarse steps, and what codes there are beyond it only record it.
      const held =
        score < 0 ? score / (noiseCodes >= 1 ? 2 : 1) : Math.min(0.3, score) / Math.max(1, noiseCodes);
      return { score: held, sentence: codesLeft(codesPerStop, noiseCodes) };
    },
  },
  chroma: {
    name: 'Bit depth and chroma',
    weight: 1,
    judge: (input) => {
      const { bitDepth, chroma } = input;
      const thin = bitDepth <= 8 && chroma === '4:2:0';
      const full = bitDepth >= 10 && chroma !== '4:2:0';
      if (!thin && !full) return undefined;
      const what = `${bitDepth}-bit ${chroma}`;
      return thin
        ? {
            score: 0.3 - rawness(input),
            sentence:
              rawness(input) < 0.5
                ? `${what} leaves little to push, and this profile asks for little.`
                : `${what} thins colour out, and putting contrast back stretches what is left.`,
          }
        : { score: 0.3 * rawness(input), sentence: `${what} holds colour enough for grading.` };
    },
  },
  banding: {
    name: 'Banding after the contrast is put back',
    weight: 2,
    judge: (input) => {
      const step = contrastPutBack(input) / input.codesPerStop;
      const seen = step > SEEN_STEP && input.noiseCodes < DITHER;
      return seen
        ? {
            score: -1,
            sentence: mayBand(step, input.noiseCodes),
          }
        : {
            score: 0.1,
            sentence: staysHidden(step, input.noiseCodes, step <= SEEN_STEP),
          };
    },
  },
  bitRate: {
    name: 'Bits a pixel at this frame rate',
    weight: 1.5,
    judge: (input) => {
      const { bitsPerPixel } = input;
      if (bitsPerPixel === undefined) return undefined;
      const score = rawness(input) * clamp(Math.log2(bitsPerPixel / FEW_BITS)) * 0.8;
      return {
        score: Math.min(0.2, score),
        sentence: bitsAPixel(bitsPerPixel),
      };
    },
  },
  time: {
    name: 'Minutes for each clip',
    weight: 1.5,
    judge: (input) =>
      input.graded && input.minutesPerClip < 2
        ? {
            score: 0.4 - rawness(input),
            sentence: fewMinutes(input.minutesPerClip),
          }
        : undefined,
  },
  live: {
    name: 'Live',
    weight: 5,
    judge: (input) =>
      input.live
        ? {
            score: 1 - 2 * rawness(input),
            sentence:
              rawness(input) === 0
                ? 'Live: what goes out is what is seen.'
                : 'Live: nobody can convert it on the way out.',
          }
        : undefined,
  },
  changing: {
    name: 'Fast-changing or mixed light',
    weight: 1.5,
    judge: (input) => {
      const score = 0.4 - 0.8 * rawness(input);
      if (input.changing)
        return {
          score,
          sentence: 'Light changes while shooting: a milder profile forgives what is missed.',
        };
      return input.splitMired > MIXED_MIRED
        ? {
            score: score / 2,
            sentence: mixedLight(input.splitMired),
          }
        : undefined;
    },
  },
  lowLight: {
    name: 'Low light',
    weight: 2.5,
    judge: (input) =>
      input.overBase > 1
        ? {
            score: input.bitDepth <= 8 ? 0.5 - 1.5 * rawness(input) : 0.2 - 0.5 * rawness(input),
            sentence: overBaseIso(input.overBase, input.bitDepth),
          }
        : undefined,
  },
  hdr: {
    name: 'HDR asked',
    weight: 4,
    judge: (input) => {
      if (!input.hdr) return undefined;
      const kind = kindOf(input.profile);
      if (input.bitDepth < 10) return { score: -1, sentence: 'HDR needs 10 bit; this records fewer.' };
      return kind === 'log' || kind === 'hlg'
        ? { score: 0.8, sentence: 'HDR is wanted: this profile holds the highlights in 10 bit.' }
        : { score: -1, sentence: 'HDR is wanted: its highlights end too low.' };
    },
  },
  sister: {
    name: 'What the sister camera shoots',
    weight: 1,
    judge: ({ sisterShootsIt }) =>
      sisterShootsIt
        ? { score: 0.5, sentence: 'The sister camera shoots it too: one match, one look.' }
        : undefined,
  },
} as const satisfies Record<string, Rule>;

export type RuleId = keyof typeof ADVICE_RULES;
export const RULE_IDS = Object.keys(ADVICE_RULES) as RuleId[];
export const ruleOf = (id: RuleId): Rule => ADVICE_RULES[id];
