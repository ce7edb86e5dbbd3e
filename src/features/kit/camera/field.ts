import type * as z from 'zod/mini';
import { parseNumber } from '#core/units.ts';
import type { CameraRecord } from '#store/records/camera.ts';
import { parsedText } from '#ui/forms/numberText.ts';

/** One thing a camera's owner types: how it is shown, how it is read, and where it goes in the camera. */
export type Field<Value = never> = {
  readonly label: string;
  readonly span: 'anchor' | 'anchor-quarter' | 'anchor-half' | 'anchor-wide';
  readonly options?: readonly (readonly [string, string])[];
  /** Several lines. */
  readonly lines?: number;
  readonly isWords?: boolean;
  readonly print: (camera: CameraRecord) => string;
  /** The text as a value; without it, the text itself. */
  readonly schema?: z.ZodMiniType<Value, string>;
  readonly put: (camera: CameraRecord, value: Value) => CameraRecord;
  /** Texts of other fields that change when this one is picked. @param fps of the set-up */
  readonly turns?: (
    picked: string,
    texts: Readonly<Record<string, unknown>>,
    fps: number,
  ) => Readonly<Record<string, string>>;
  /** What is wrong beside the fields before it, as one sentence. */
  readonly check?: (camera: CameraRecord) => string | undefined;
};

/** A row of the editor, its value typed by its own reader. */
export const field = <Value>(row: Field<Value>): Field => row as unknown as Field;

/** A field that is typed and read by a parser; the sentence is said when it cannot. */
export const typedField = <Value>({
  parse,
  says,
  ...row
}: Omit<Field<Value>, 'schema'> & {
  readonly parse: (text: string) => Value | undefined;
  readonly says: string;
}): Field => field<Value>({ ...row, schema: parsedText(parse, says) });

/** Every number of a text, however it is set apart: `640 and 4000`, `f/2.8 – f/16`, `−9 to 9`. */
export const numbersIn = (text: string): number[] =>
  text
    .replace(/\u2212/g, '-')
    .split(/[^\d.,-]+|,\s|(?<=\d)-/)
    .filter((part) => /\d/.test(part))
    .map(parseNumber);

export const span = (values: readonly number[]) =>
  values.length === 0 ? '' : `${values[0]} to ${values[values.length - 1]}`;

/** Two rising numbers, or undefined. */
export const pair = (text: string): [number, number] | undefined => {
  const [low, high, more] = numbersIn(text);
  return more === undefined && high > low ? [low, high] : undefined;
};
export const above0 = (text: string): number | undefined => {
  const value = parseNumber(text);
  return value > 0 ? value : undefined;
};
/** Whole numbers over 0, one or more. */
export const wholes = (text: string): number[] | undefined => {
  const values = numbersIn(text);
  return values.length > 0 && values.every((v) => Number.isInteger(v) && v > 0) ? values : undefined;
};
/** Numbers over 0 in rising order, each once. */
export const rising = (text: string): number[] | undefined => {
  const values = numbersIn(text);
  return values.length > 0 && values.every((v) => v > 0)
    ? [...new Set(values)].sort((a, b) => a - b)
    : undefined;
};
