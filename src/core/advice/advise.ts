import { compileProfile, type ProfileData } from '../profile/index.ts';
import { snrAt, type SensorModel } from '../noise/sensorNoise.ts';
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
  'profile' | 'clipStops' | 'codesPerStop' | 'noiseCodes' | 'sisterShootsIt' | 'bitDepth'
> & {
  readonly coding: Coding;
  readonly sensor: SensorModel;
  /** Stops of highlight room that the ISO costs. */
  readonly clipLoss: number;
  /** Ids that sister cameras of the set-up shoot. */
  readonly sisters: readonly string[];
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
