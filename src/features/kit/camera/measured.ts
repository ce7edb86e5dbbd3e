import { TINT_STEP } from '#core/colour/lean.ts';
import { leanOf } from '#core/colour/neutral.ts';
import type { GamutSpec } from '#core/colour/gamut.ts';
import { failure, success, type Result } from '#core/result.ts';
import { floorAt, sensorFromPatches } from '#core/noise/sensorNoise.ts';
import { codeToSignal, type Coding } from '#core/signal/scale.ts';
import type { Profile } from '#core/profile/index.ts';
import type { CameraRecord } from '#store/records/camera.ts';
import { numbersIn } from './field.ts';
import { parseNumber } from '#core/units.ts';

/** The card's R', G', B' in % of signal, and the light it stood in: how the body leans. Date as ISO 8601. */
export const leanFrom = (
  texts: { readonly card: string; readonly kelvin: string },
  profile: Profile,
  gamut: GamutSpec,
  today: string,
): Result<NonNullable<CameraRecord['lean']>> => {
  const card = numbersIn(texts.card);
  if (card.length !== 3)
    return failure('card', 'Lean: type the card’s R, G and B in % of signal, such as 41.2 40.6 39.8.');
  const kelvin = parseNumber(texts.kelvin);
  if (!(kelvin >= 1500 && kelvin <= 15_000))
    return failure(
      'kelvin',
      'Lean: type the Kelvin of the light on the card, dialled on the camera too, such as 5600.',
    );
  const light = card.map((percent) => profile.transfer.decode(percent / 100));
  if (!light.every((v) => v > 0))
    return failure('card', 'Lean: the card reads no light in one channel; film it at grey.');
  const found = leanOf([light[0], light[1], light[2]], gamut, { kelvin, duv: 0 });
  return success({
    mired: Math.round(10 * found.mired) / 10,
    tint: Math.round((10 * found.duv) / TINT_STEP) / 10,
    kelvin,
    measuredOn: today,
  });
};

/** Deviations in codes of a lens-cap frame and of a grey patch, with the patch's own code: the sensor and its floor. */
export const noiseFrom = (
  texts: { readonly dark: string; readonly code: string; readonly grey: string },
  profile: Profile,
  coding: Coding,
): Result<{ readonly noise: NonNullable<CameraRecord['noise']>; readonly floorStops: number }> => {
  const [dark, code, grey] = [parseNumber(texts.dark), parseNumber(texts.code), parseNumber(texts.grey)];
  if (![dark, code, grey].every(Number.isFinite))
    return failure(
      'noise',
      'Noise: type the deviation with the lens cap on, the grey patch’s code and its deviation.',
    );
  const signal = codeToSignal(code, coding);
  const reflectance = profile.transfer.decode(signal);
  if (!(reflectance > 0)) return failure('noise', `Noise: code ${code} is no light on this profile.`);
  const perCode = codeToSignal(1, coding) - codeToSignal(0, coding);
  // Light a code step is worth: at the patch, and at black.
  const worth = (x: number) => {
    const h = Math.max(1e-5, x * 1e-3);
    return (2 * h * perCode) / (profile.transfer.encode(x + h) - profile.transfer.encode(x - h));
  };
  const sensor = sensorFromPatches(
    { reflectance: 0, deviation: dark * worth(0) },
    { reflectance, deviation: grey * worth(reflectance) },
  );
  if (!sensor.ok) return sensor;
  const { electronsAtGrey, readElectrons } = sensor.value;
  return success({
    noise: {
      electronsAtGrey: Math.round(electronsAtGrey),
      readElectrons: Math.round(10 * readElectrons) / 10,
      from: 'patches',
    },
    floorStops: Math.round(10 * floorAt(sensor.value)) / 10,
  });
};
