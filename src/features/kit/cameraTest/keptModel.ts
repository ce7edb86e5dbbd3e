import type { TestTold } from '#core/cameraTest/evaluate.ts';
import type { FoundIn } from '#core/cameraTest/find/foundIn.ts';
import { failure, success, type Result } from '#core/result.ts';
import type { Coding } from '#core/signal/scale.ts';
import { cameraTestSchema, type CameraTestRecord } from '#store/records/cameraTest.ts';
import { words } from '#ui/wording/kitTest.ts';

/** What a file of a test says of itself. */
const FORMAT = 'camera-test';
const VERSION = 1;
/** Largest file that is read, bytes: a test is some tens of thousands. */
const MOST_BYTES = 4_000_000;

type Made = {
  readonly id: string;
  readonly name: string;
  readonly at: string;
  readonly lens: string;
  readonly firmware: string;
  readonly length: string;
  readonly camera: { readonly id: string; readonly name: string };
  readonly coding: Coding;
  readonly found: readonly FoundIn[];
  /** Names of the clips by their ids. */
  readonly names: ReadonlyMap<string, string>;
  /** Pictures of holds by their ids, where they were asked for. */
  readonly pictures?: ReadonlyMap<string, string>;
};

/** A test as it is kept: numbers, and pictures only where they were asked for. */
export const testRecord = (told: TestTold, made: Made): CameraTestRecord => ({
  id: made.id,
  name: made.name,
  cameraId: made.camera.id,
  cameraName: made.camera.name,
  at: made.at,
  lens: made.lens,
  firmware: made.firmware,
  length: made.length,
  bitDepth: made.coding.bitDepth,
  range: made.coding.range,
  profile: told.curve.profile,
  evidence: told.curve.evidence,
  isClipFound: told.curve.isClipFound,
  ...(told.sensor ? { sensor: told.sensor } : {}),
  parts: told.parts.map(({ id, figures, plots, warnings }) => ({
    id,
    figures: figures.map((one) => ({ ...one, from: [...one.from] })),
    plots: plots.map(({ points, line, ...plot }) => ({
      ...plot,
      points: finitePoints(points),
      ...(line ? { line: finitePoints(line) } : {}),
    })),
    warnings: [...warnings],
  })),
  missing: told.missing.map((one) => ({ ...one })),
  shots: made.found.flatMap(({ id, shotId, clip, from, to, sure }) => {
    if (shotId === undefined) return [];
    const picture = made.pictures?.get(id);
    return [
      {
        id: shotId,
        clip: (made.names.get(clip) ?? '').slice(0, 200),
        from,
        to,
        sure: Math.min(1, sure),
        ...(picture ? { picture } : {}),
      },
    ];
  }),
});

const finitePoints = (points: readonly (readonly [number, number])[]) =>
  points.filter(([x, y]) => Number.isFinite(x) && Number.isFinite(y));

const withoutPictures = (record: CameraTestRecord): CameraTestRecord => ({
  ...record,
  shots: record.shots.map(({ picture: _, ...shot }) => shot),
});

/** A kept test as a file: numbers, and its pictures only where they are asked for. */
export const testFile = (record: CameraTestRecord, withPictures = false): string => {
  const test = withPictures ? record : withoutPictures(record);
  return `${JSON.stringify({ format: FORMAT, version: VERSION, test }, null, 1)}\n`;
};

/** A test of a file, under an id of its own here. */
export const readTestFile = (text: string, id: string): Result<CameraTestRecord> => {
  if (text.length > MOST_BYTES) return failure('file', words.fileTooLarge);
  let read: unknown;
  try {
    read = JSON.parse(text);
  } catch {
    return failure('file', words.fileNoJson);
  }
  const file = read as { format?: unknown; version?: unknown; test?: unknown } | null;
  if (typeof file !== 'object' || file === null || file.format !== FORMAT)
    return failure('file', words.fileNoTest);
  if (file.version !== VERSION) return failure('file', words.fileNewer);
  const test = cameraTestSchema.safeParse({ ...(file.test as object), id });
  if (!test.success) {
    const [issue] = test.error.issues;
    return failure(issue.path.join(', '), words.fileBroken(issue.path.join(', ')));
  }
  return success(test.data);
};
