import * as z from 'zod/mini';
import { gelSchema, lightSchema, monitorSchema, ndSetSchema } from './records/bag.ts';
import { cameraSchema } from './records/camera.ts';
import { idSchema } from './records/common.ts';
import { cameraClockSchema, clipSchema } from './records/clip.ts';
import { lutSchema, lutTextSchema } from './records/lut.ts';
import { planSchema } from './records/plan.ts';
import { profileSchema } from './records/profile.ts';
import { setupSchema } from './records/setup.ts';
import { shootSchema } from './records/shoot.ts';
import { subjectSchema } from './records/subject.ts';
import { takeSchema, thumbnailSchema } from './records/take.ts';
import { takeMarksSchema } from './records/takeMarks.ts';

/**
 * A row as all but its own screen sees it. What one holds is checked by `cameraTests.ts` and `practice.ts`, which read
 * and write them: their schemas are large, and nothing else needs them when the app starts.
 */
const rowCheckedLater = z.looseObject({ id: idSchema });

/** Every table and the schema its records pass on the way in. */
export const TABLES = {
  shoots: shootSchema,
  setups: setupSchema,
  cameras: cameraSchema,
  profiles: profileSchema,
  subjects: subjectSchema,
  plans: planSchema,
  ndSets: ndSetSchema,
  lights: lightSchema,
  gels: gelSchema,
  monitors: monitorSchema,
  luts: lutSchema,
  lutTexts: lutTextSchema,
  takes: takeSchema,
  thumbnails: thumbnailSchema,
  takeMarks: takeMarksSchema,
  clips: clipSchema,
  cameraClocks: cameraClockSchema,
  practice: rowCheckedLater,
  cameraTests: rowCheckedLater,
} as const satisfies Record<string, z.ZodMiniType<{ id: string }>>;

export type TableName = keyof typeof TABLES;
export const TABLE_NAMES = Object.keys(TABLES) as TableName[];
export type RecordOf<T extends TableName> = z.infer<(typeof TABLES)[T]>;

/** Small tables, held in memory whole; takes, clips, thumbnails and the texts of LUT files are asked for. */
export const BOOK_TABLES = [
  'shoots',
  'setups',
  'cameras',
  'profiles',
  'subjects',
  'plans',
  'ndSets',
  'lights',
  'gels',
  'monitors',
  'luts',
  'cameraClocks',
] as const;
export type BookTable = (typeof BOOK_TABLES)[number];
