import { miredShift } from '../colour/balance.ts';
import { TINT_STEP } from '../colour/lean.ts';
import { lightOfNeutral } from '../colour/neutral.ts';
import type { Temperature, TemperatureFound } from '../colour/temperature.ts';
import type { SetCardNumbers } from '../exposure/setCard.ts';
import type { PatchReading } from '../scopes/measure.ts';
import { codeToSignal } from '../signal/scale.ts';
import { patchLight } from './patchStops.ts';
import type { FrameMeasurement } from '../scopes/measureFrame.ts';

/** What R = G = B stands for where nothing is known of the dial: D65. */
const PLAIN_LIGHT: Temperature = { kelvin: 6504, duv: 0.0032 };

/** How a neutral came out: mired warm +, tint in thousandths of Duv, green +. */
export type Cast = {
  readonly reading: PatchReading;
  readonly mired: number;
  readonly tint: number;
  /** Whether the light on it has a colour temperature. */
  readonly stands: TemperatureFound['stands'];
  /** Linear R, G, B of the neutral over its green. */
  readonly ratios: readonly [number, number, number];
};

/** Patches that ought to be neutral, the surest first. */
const NEUTRALS = ['neutral', 'card', 'white'] as const;

/** Cast of the surest neutral in a frame; undefined where none is marked, or where it is clipped or without light. */
export const castOf = (
  { patches, coding }: Pick<FrameMeasurement, 'patches' | 'coding'>,
  { profile, clipStops }: Pick<SetCardNumbers, 'profile' | 'clipStops'>,
  /** The light that the camera renders neutral as it is dialled. */
  light: Temperature = PLAIN_LIGHT,
): Cast | undefined => {
  for (const kind of NEUTRALS) {
    const reading = patches.find(({ patch }) => patch.kind === kind);
    if (!reading) continue;
    const signals = [reading.r, reading.g, reading.b].map((code) => codeToSignal(code, coding));
    if (signals.some((signal) => profile.stopsAt(signal) >= clipStops - 0.05)) continue;
    const [r, g, b] = patchLight(reading, coding, profile);
    if (!(r > 0 && g > 0 && b > 0)) continue;
    const found = lightOfNeutral([r, g, b], profile.gamut, light);
    return {
      reading,
      mired: miredShift(found.kelvin, light.kelvin),
      tint: (found.duv - light.duv) / TINT_STEP,
      stands: found.stands,
      ratios: [r / g, 1, b / g],
    };
  }
  return undefined;
};
