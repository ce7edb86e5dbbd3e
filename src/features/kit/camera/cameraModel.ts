import * as z from 'zod/mini';
import { sensorFromFloor } from '#core/noise/sensorNoise.ts';
import type { Edit } from '#store/edits.ts';
import { asOwn } from '#store/owned/owned.ts';
import { cameraSchema, type CameraRecord } from '#store/records/camera.ts';
import type { SetupRecord } from '#store/records/setup.ts';
import { issueWords } from '#store/words.ts';
import { CAMERA_FIELD_IDS, fieldOf, type CameraFieldId } from './fields.ts';
import { words } from '#ui/wording/kitCamera.ts';

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

const TEXTS = Object.fromEntries(
  CAMERA_FIELD_IDS.map((id) => [id, (fieldOf(id).schema ?? z.string()) as z.ZodMiniType<unknown, string>]),
) as Readonly<Record<CameraFieldId, z.ZodMiniType<unknown, string>>>;

/**
 * The form of a camera: fields in, the camera as the store has it out, on the base of the one it was; what is
 * wrong is said by field.
 */
export const cameraForm = (was: CameraRecord) =>
  z.pipe(
    z.object({
      ...TEXTS,
      lean: z.optional(z.custom<CameraRecord['lean']>()),
      noise: z.optional(z.custom<CameraRecord['noise']>()),
    }),
    z.transform((values, context): CameraRecord => {
      let camera = was;
      for (const id of CAMERA_FIELD_IDS) {
        const { put, check } = fieldOf(id);
        camera = put(camera, values[id] as never);
        const message = check?.(camera);
        if (message !== undefined)
          context.issues.push({ code: 'custom', path: [id], message, input: values });
      }
      // A floor typed by hand overrules what an older measurement said of the sensor.
      const stale = camera.floorStops !== was.floorStops && values.noise === was.noise;
      const noise: CameraRecord['noise'] = stale
        ? { ...sensorFromFloor(camera.floorStops), from: 'floor' }
        : values.noise;
      const record = { ...camera, lean: values.lean, noise };
      const read = cameraSchema.safeParse(record);
      if (read.success) return read.data;
      context.issues.push({
        code: 'custom',
        path: ['camera'],
        message: `The ${issueWords(read.error, record)}.`,
        input: values,
      });
      return z.NEVER;
    }),
  );

/**
 * A further camera in the kit, like the one at hand, and in the set-up it was added from; nothing measured
 * goes along.
 */
export const addCamera = (like: CameraRecord, setup: SetupRecord, id: string, name: string): Edit => ({
  label: words.newCameraNamed(name),
  changes: [
    { table: 'cameras', id, after: { ...asOwn(like), id, name, job: '', lean: undefined, noise: undefined } },
    {
      table: 'setups',
      id: setup.id,
      before: setup,
      after: { ...setup, cameraIds: [...setup.cameraIds, id] },
    },
  ],
});
