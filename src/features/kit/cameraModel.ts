import { F_NUMBERS } from '#core/exposure/aperture.ts';
import { ISO_SPEEDS } from '#core/exposure/iso.ts';
import { failure, success, type Result } from '#core/result.ts';
import type { ScaleId } from '#core/signal/scale.ts';
import { parseStops } from '#core/units.ts';
import type { Edit } from '#store/edits.ts';
import { cameraSchema, type CameraRecord } from '#store/records/camera.ts';
import type { SetupRecord } from '#store/records/setup.ts';
import { typed } from './ways/way.ts';

/** A camera as its owner types it. */
export type CameraFields = {
  readonly name: string;
  readonly job: string;
  readonly bitDepth: '8' | '10' | '12';
  readonly chroma: CameraRecord['chroma'];
  readonly range: CameraRecord['coding']['range'];
  readonly baseIsos: string;
  readonly isoFrom: string;
  readonly isoTo: string;
  /** `1.4 to 22`, or one number for a fixed lens. */
  readonly irises: string;
  readonly shutterBy: CameraRecord['shutterBy'];
  readonly kelvin: string;
  readonly kelvinStep: string;
  readonly floor: string;
  readonly zebraScale: ScaleId;
  readonly zebraReads: CameraRecord['zebra']['reads'];
  readonly zebraRange: string;
  readonly zebraStep: string;
  readonly tolerances: string;
  readonly warningRange: string;
  readonly warningStep: string;
};

const span = (values: readonly number[]) =>
  values.length === 0 ? '' : `${values[0]} to ${values[values.length - 1]}`;

export const fieldsOfCamera = (camera: CameraRecord): CameraFields => ({
  name: camera.name,
  job: camera.job,
  bitDepth: String(camera.coding.bitDepth) as CameraFields['bitDepth'],
  chroma: camera.chroma,
  range: camera.coding.range,
  baseIsos: camera.baseIsos.join(', '),
  isoFrom: String(camera.isos[0]),
  isoTo: String(camera.isos[camera.isos.length - 1]),
  irises: camera.fixedIris === undefined ? span(camera.irises) : String(camera.fixedIris),
  shutterBy: camera.shutterBy,
  kelvin: span(camera.kelvinRange),
  kelvinStep: String(camera.kelvinStep),
  floor: String(camera.floorStops),
  zebraScale: camera.zebra.scale,
  zebraReads: camera.zebra.reads,
  zebraRange: span([camera.zebra.range.min, camera.zebra.range.max]),
  zebraStep: String(camera.zebra.range.step),
  tolerances: camera.zebra.range.tolerances.join(' '),
  warningRange: span([camera.zebra.lowerLimit.min, camera.zebra.lowerLimit.max]),
  warningStep: String(camera.zebra.lowerLimit.step),
});

const numbersIn = (text: string): number[] =>
  text
    .split(/[^\d.,]+|,\s/)
    .filter(Boolean)
    .map(typed);

/** Two rising numbers, or undefined. */
const pair = (text: string): readonly [number, number] | undefined => {
  const [low, high, more] = numbersIn(text);
  return more === undefined && high > low ? [low, high] : undefined;
};

const positive = (text: string): number | undefined => (typed(text) > 0 ? typed(text) : undefined);

const wholeNumbers = (values: readonly number[]) =>
  values.every((value) => Number.isInteger(value) && value > 0);

/** The camera that the fields describe, on the base of the one it was; or the one sentence that says what is wrong. */
export const cameraOf = (fields: CameraFields, was: CameraRecord): Result<CameraRecord> => {
  const bases = numbersIn(fields.baseIsos);
  if (bases.length === 0 || !wholeNumbers(bases))
    return failure('base ISO', 'Base ISO: type one or two whole numbers, such as 800, 3200.');
  const [from, to] = [typed(fields.isoFrom), typed(fields.isoTo)];
  if (!(from > 0 && to >= from))
    return failure('ISO range', 'ISO range: type the lowest and the highest, such as 100 to 12800.');
  const outside = bases.find((base) => base < from || base > to);
  if (outside !== undefined) return failure('base ISO', `Base ISO ${outside} lies outside ${from} to ${to}.`);
  const iris = numbersIn(fields.irises);
  const irises = iris.length === 2 ? F_NUMBERS.filter((f) => f >= iris[0] && f <= iris[1]) : [];
  if (!(iris.length === 1 || irises.length > 0))
    return failure(
      'iris',
      'Iris: type the widest and the smallest, such as 1.4 to 22, or one number for a fixed lens.',
    );
  const kelvin = pair(fields.kelvin);
  if (!kelvin)
    return failure(
      'white balance',
      'White balance: type the lowest and the highest Kelvin, such as 2500 to 9900.',
    );
  const floor = parseStops(fields.floor);
  if (floor === undefined || floor >= 0)
    return failure('usable floor', 'Usable floor: type the lowest clean stop under grey, such as −5.');
  const [zebra, warning] = [pair(fields.zebraRange), pair(fields.warningRange)];
  const [zebraStep, warningStep, kelvinStep] = [fields.zebraStep, fields.warningStep, fields.kelvinStep].map(
    positive,
  );
  if (!zebra || !zebraStep)
    return failure('zebra', 'Zebra levels: type lowest to highest and the step, such as 30 to 100 by 5.');
  if (!warning || !warningStep)
    return failure('warning', 'Warning levels: type lowest to highest and the step, such as 70 to 100 by 5.');
  const tolerances = numbersIn(fields.tolerances);
  if (tolerances.length === 0)
    return failure('tolerances', 'Tolerances: type what ± the zebra offers, such as 2 5 10.');
  const record = cameraSchema.safeParse({
    ...was,
    name: fields.name,
    job: fields.job.trim(),
    coding: { bitDepth: Number(fields.bitDepth), range: fields.range },
    chroma: fields.chroma,
    baseIsos: bases,
    isos: [...new Set([...ISO_SPEEDS.filter((iso) => iso >= from && iso <= to), ...bases])].sort(
      (a, b) => a - b,
    ),
    irises: iris.length === 1 ? [] : irises,
    fixedIris: iris.length === 1 ? iris[0] : undefined,
    shutterBy: fields.shutterBy,
    kelvinRange: kelvin,
    kelvinStep,
    floorStops: floor,
    zebra: {
      scale: fields.zebraScale,
      reads: fields.zebraReads,
      range: { min: zebra[0], max: zebra[1], step: zebraStep, tolerances },
      lowerLimit: { min: warning[0], max: warning[1], step: warningStep },
    },
  });
  if (record.success) return success(record.data);
  const [{ path, message }] = record.error.issues;
  return failure(
    path.join(' ') || 'camera',
    path[0] === 'name' ? 'Give the camera a name.' : `${path.join(' ')}: ${message}.`,
  );
};

/** A further camera in the kit, like the one at hand, and in the set-up it was added from. */
export const addCamera = (like: CameraRecord, setup: SetupRecord, id: string, name: string): Edit => ({
  label: `New camera ${name}`,
  changes: [
    { table: 'cameras', id, after: { ...like, id, name, job: '' } },
    {
      table: 'setups',
      id: setup.id,
      before: setup,
      after: { ...setup, cameraIds: [...setup.cameraIds, id] },
    },
  ],
});

/** A subject of a shoot with the offset measured beside the card, in the set-up it was added from. */
export const addSubject = (setup: SetupRecord, id: string, name: string, skinOffset: number): Edit => ({
  label: `Subject ${name}`,
  changes: [
    { table: 'subjects', id, after: { id, shootId: setup.shootId, name, skinOffset } },
    {
      table: 'setups',
      id: setup.id,
      before: setup,
      after: { ...setup, subjectIds: [...setup.subjectIds, id] },
    },
  ],
});
