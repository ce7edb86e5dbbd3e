import { shutterSeconds, type Shutter } from '../exposure/shutter.ts';
import type { Focus, Imager } from './depth.ts';

// Blur of what moves across the picture, and shutters by rule where the iris is fixed.

/** Length of the streak that a thing leaves that moves across the picture, photosites: v t f/(s - f) on the sensor. */
export const motionBlur = (
  { focal, distance }: Focus,
  metresASecond: number,
  seconds: number,
  { width, photosites }: Imager,
): number => {
  const magnification = focal / (1000 * distance - focal);
  return (1000 * metresASecond * seconds * magnification * photosites) / width;
};

/** Angle that films count as usual motion, degrees. */
const USUAL_ANGLE = 180;

/** Streak that post has to add so that motion looks like 180 degrees: in quadrature, as blurs add. */
export const blurToAdd = (now: number, seconds: number, fps: number): number => {
  const usual = (now / seconds) * (USUAL_ANGLE / (360 * fps));
  return usual > now ? Math.sqrt(usual * usual - now * now) : 0;
};

/** Stabilising in post shows the blur of every shake: no slower than a quarter of 180 degrees. Common practice. */
const STEADY = 1 / 8;
/** How far a shutter may lie off 180 degrees and still count as it, stops. */
const NEAR_USUAL = 0.35;

/** Which shutters may be used while settings are solved. A further rule is a row. */
export const SHUTTER_RULES = {
  any: { name: 'any that does not flicker', allows: () => true },
  steady: {
    name: 'short, for stabilising in post',
    allows: (seconds: number, fps: number) => seconds <= (STEADY / fps) * 1.05,
  },
  motion: {
    name: '180° for its motion',
    allows: (seconds: number, fps: number) => Math.abs(Math.log2(seconds * fps * 2)) <= NEAR_USUAL,
  },
} as const satisfies Record<string, { name: string; allows: (seconds: number, fps: number) => boolean }>;
export type ShutterRuleId = keyof typeof SHUTTER_RULES;
export const SHUTTER_RULE_IDS = Object.keys(SHUTTER_RULES) as ShutterRuleId[];

/** Those of a list that a rule allows; undefined where none is left. */
export const shuttersBy = (
  rule: ShutterRuleId,
  shutters: readonly Shutter[],
  fps: number,
): readonly Shutter[] | undefined => {
  const left = shutters.filter((one) => SHUTTER_RULES[rule].allows(shutterSeconds(one, fps), fps));
  return left.length > 0 ? left : undefined;
};
