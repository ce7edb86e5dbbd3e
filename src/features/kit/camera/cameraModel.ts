import { leanOf, TINT_STEP } from '#core/colour/lean.ts';
import type { GamutSpec } from '#core/colour/gamut.ts';
import { failure, success, type Result } from '#core/result.ts';
import { floorAt, sensorFromFloor, sensorFromPatches } from '#core/noise/sensorNoise.ts';
import { codeToSignal, type Coding } from '#core/signal/scale.ts';
import type { Profile } from '#core/profile/index.ts';
import type { Edit } from '#store/edits.ts';
import { cameraSchema, type CameraRecord } from '#store/records/camera.ts';
import type { SetupRecord } from '#store/records/setup.ts';
import { CAMERA_FIELD_IDS, fieldOf, groupOf, type CameraFieldId, type GroupId } from './fields.ts';
import { numbersIn } from './field.ts';
import { typed } from '../ways/way.ts';

/** A camera as its owner types it, and what was measured meanwhile. */
export type CameraFields = { readonly [K in CameraFieldId]: string } & {
  readonly lean?: CameraRecord['lean'];
  readonly noise?: CameraRecord['noise'];
};

export const fieldsOfCamera = (camera: CameraRecord): CameraFields => ({
  ...(Object.fromEntries(CAMERA_FIELD_IDS.map((id) => [id, fieldOf(id).print(camera)])) as Record<
    CameraFieldId,
    string
  >),
  lean: camera.lean,
  noise: camera.noise,
});

/** A camera read, or the sentence and the part of the editor it belongs to. */
type Made = Result<CameraRecord> & { readonly group?: GroupId };

/** The camera that the fields describe, on the base of the one it was; or the one sentence that says what is wrong. */
export const cameraOf = (fields: CameraFields, was: CameraRecord): Made => {
  let draft = was;
  for (const id of CAMERA_FIELD_IDS) {
    const read = fieldOf(id).read(fields[id], draft);
    if (!read.ok) return { ...read, group: groupOf(id) };
    draft = read.value;
  }
  // A floor typed by hand overrules what an older measurement said of the sensor.
  const stale = draft.floorStops !== was.floorStops && fields.noise === was.noise;
  const noise: CameraRecord['noise'] = stale
    ? { ...sensorFromFloor(draft.floorStops), from: 'floor' }
    : fields.noise;
  const record = cameraSchema.safeParse({ ...draft, lean: fields.lean, noise });
  if (record.success) return success(record.data);
  const [{ path, message }] = record.error.issues;
  return failure(path.join(' ') || 'camera', `${path.join(' ')}: ${message}.`);
};

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
  const kelvin = typed(texts.kelvin);
  if (!(kelvin >= 1500 && kelvin <= 15_000))
    return failure(
      'light',
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
  const [dark, code, grey] = [typed(texts.dark), typed(texts.code), typed(texts.grey)];
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

/**
 * A further camera in the kit, like the one at hand, and in the set-up it was added from; nothing measured
 * goes along.
 */
export const addCamera = (like: CameraRecord, setup: SetupRecord, id: string, name: string): Edit => ({
  label: `New camera ${name}`,
  changes: [
    { table: 'cameras', id, after: { ...like, id, name, job: '', lean: undefined, noise: undefined } },
    {
      table: 'setups',
      id: setup.id,
      before: setup,
      after: { ...setup, cameraIds: [...setup.cameraIds, id] },
    },
  ],
});
