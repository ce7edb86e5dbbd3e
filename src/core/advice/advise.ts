import { compileProfile, type Profile, type ProfileData } from '../profile/index.ts';
import { snrAt, USABLE_SNR, type SensorModel } from '../noise/sensorNoise.ts';
import { signalToCode, type Coding } from '../signal/scale.ts';
import { stopsToReflectance } from '../units.ts';
import { RULE_IDS, ruleOf, type AdviceInput, type RuleId } from './rules.ts';

type Spoke = { readonly rule: RuleId; readonly points: number; readonly sentence: string };

export type Advice<P> = {
  readonly profile: P;
  /** Sum of what the rules said, each by its weight. */
  readonly points: number;
  /** The loudest first. */
  readonly spoke: readonly Spoke[];
};

/** What all profiles of a camera are held against; the rest of the input follows from each. */
export type AdviceScene = Omit<
  AdviceInput,
  'profile' | 'clipStops' | 'noiseFloor' | 'codesPerStop' | 'noiseCodes' | 'sisterShootsIt' | 'bitDepth'
> & {
  readonly coding: Coding;
  readonly sensor: SensorModel;
  /** Stops of highlight room that the ISO costs. */
  readonly clipLoss: number;
  /** Ids that sister cameras of the set-up shoot. */
  readonly sisters: readonly string[];
};

/** Where a usable floor is looked for, stops over grey, and how finely. */
const LOWEST = -14;
const FINE = 1 / 12;

/**
 * Lowest stop over grey whose light stands over its noise by what counts as usable: photons, reading, and the rounding
 * to codes (a uniform error over a code step has a variance of its square over 12).
 */
const noiseFloorOf = (profile: Profile, coding: Coding, sensor: SensorModel, overBase: number): number => {
  const perCode = 1 / (signalToCode(1, coding) - signalToCode(0, coding));
  const isUsable = (stops: number) => {
    const slope = (profile.signalAt(stops + 0.05) - profile.signalAt(stops - 0.05)) / 0.1;
    const rounding = (perCode * Math.LN2) / Math.max(1e-9, slope * Math.sqrt(12));
    return Math.hypot(1 / snrAt(sensor, stops, overBase), rounding) <= 1 / USABLE_SNR;
  };
  for (let stops = LOWEST; stops < 0; stops += FINE) if (isUsable(stops)) return stops;
  return 0;
};

/** One profile's input: codes and noise at grey are worked out from its curve and the sensor. */
export const adviceInput = (id: string, data: ProfileData, scene: AdviceScene): AdviceInput => {
  const profile = compileProfile(data);
  const { coding, sensor, clipLoss, sisters, ...rest } = scene;
  const codesPerStop =
    signalToCode(profile.signalAt(0.5), coding) - signalToCode(profile.signalAt(-0.5), coding);
  // Noise in light over the light itself is 1 / SNR; a stop is ln 2 of it.
  const deviation = stopsToReflectance(0) / snrAt(sensor, 0, Math.max(0, scene.overBase));
  const slope = codesPerStop / (stopsToReflectance(0) * Math.LN2);
  return {
    ...rest,
    profile,
    bitDepth: coding.bitDepth,
    clipStops: profile.clipStops - clipLoss,
    noiseFloor: noiseFloorOf(profile, coding, sensor, Math.max(0, scene.overBase)),
    codesPerStop,
    noiseCodes: deviation * slope,
    sisterShootsIt: sisters.includes(id),
  };
};

/** Profiles ranked, best first; muted rules are not asked. */
export const advise = <P extends { readonly id: string; readonly data: ProfileData }>(
  profiles: readonly P[],
  scene: AdviceScene,
  muted: readonly RuleId[] = [],
): Advice<P>[] =>
  profiles
    .map((profile) => {
      const input = adviceInput(profile.id, profile.data, scene);
      const spoke = RULE_IDS.filter((id) => !muted.includes(id))
        .flatMap((id): Spoke[] => {
          const { weight, judge } = ruleOf(id);
          const said = judge(input);
          return said ? [{ rule: id, points: weight * said.score, sentence: said.sentence }] : [];
        })
        .sort((a, b) => Math.abs(b.points) - Math.abs(a.points));
      return { profile, spoke, points: spoke.reduce((sum, { points }) => sum + points, 0) };
    })
    .sort((a, b) => b.points - a.points);
