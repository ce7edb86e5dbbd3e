import type { Remembered } from '#core/scopes/looks.ts';
import { fromBase64, toBase64 } from './base64.ts';
import type { Database } from './database.ts';
import type { TakeMarksRecord } from './records/takeMarks.ts';
import { readRows } from './setAside.ts';

type Look = Remembered['look'];

/** Luma as one byte a pixel from its lowest to its highest, in base 64. */
const packed = ({ width, height, luma }: Look): TakeMarksRecord['marks'][number]['look'] => {
  const [low, high] = luma.reduce(
    ([least, most], value) => [Math.min(least, value), Math.max(most, value)],
    [Infinity, -Infinity],
  );
  const scale = high > low ? 255 / (high - low) : 0;
  return {
    width,
    height,
    luma: toBase64(Uint8Array.from(luma, (value) => Math.round((value - low) * scale))),
  };
};

const unpacked = ({ width, height, luma }: TakeMarksRecord['marks'][number]['look']): Look | undefined => {
  const bytes = fromBase64(luma);
  if (bytes?.length !== width * height) return undefined;
  return { width, height, luma: Float32Array.from(bytes) };
};

/** Marks as they are kept with a take; undefined where there are none. */
export const takeMarksOf = (
  take: { readonly id: string; readonly shootId: string },
  marks: readonly Remembered[],
): TakeMarksRecord | undefined =>
  marks.length === 0
    ? undefined
    : {
        id: take.id,
        shootId: take.shootId,
        marks: marks.slice(0, 24).map(({ core, ...mark }) => ({
          ...mark,
          look: packed(mark.look),
          ...(core ? { core: { ...core, look: packed(core.look) } } : {}),
        })),
      };

/** The marks that takes were logged with, by the take; takes without, or with such as cannot be read, are left out. */
export const marksOfTakes = async (
  database: Database,
  ids: readonly string[],
): Promise<ReadonlyMap<string, readonly Remembered[]>> => {
  const rows: unknown[] = await database.table('takeMarks').bulkGet([...ids]);
  const { good } = readRows(
    'takeMarks',
    rows.filter((row) => row !== undefined),
  );
  return new Map(
    good.map(({ id, marks }) => [
      id,
      marks.flatMap((mark) => {
        const { core, ...plain } = mark;
        const look = unpacked(mark.look);
        const near = core && unpacked(core.look);
        return look ? [{ ...plain, look, ...(core && near ? { core: { ...core, look: near } } : {}) }] : [];
      }),
    ]),
  );
};
