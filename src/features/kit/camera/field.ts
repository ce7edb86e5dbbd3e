import { failure, success, type Result } from '#core/result.ts';
import type { CameraRecord } from '#store/records/camera.ts';
import { typed } from '../ways/way.ts';

export type Draft = CameraRecord;

/** One thing a camera's owner types: how it is shown, and what the text makes of the camera. */
export type Field = {
  readonly label: string;
  readonly span: 'anchor' | 'anchor-quarter' | 'anchor-half' | 'anchor-wide';
  readonly options?: readonly (readonly [string, string])[];
  /** Several lines. */
  readonly lines?: number;
  readonly print: (camera: CameraRecord) => string;
  readonly read: (text: string, draft: Draft) => Result<Draft>;
};

/** Every number of a text, however it is set apart: `640 and 4000`, `f/2.8 – f/16`, `−9 to 9`. */
export const numbersIn = (text: string): number[] =>
  text
    .replace(/\u2212/g, '-')
    .split(/[^\d.,-]+|,\s|(?<=\d)-/)
    .filter((part) => /\d/.test(part))
    .map(typed);

export const span = (values: readonly number[]) =>
  values.length === 0 ? '' : `${values[0]} to ${values[values.length - 1]}`;

/** Two rising numbers, or undefined. */
export const pair = (text: string): [number, number] | undefined => {
  const [low, high, more] = numbersIn(text);
  return more === undefined && high > low ? [low, high] : undefined;
};
export const above0 = (text: string): number | undefined => (typed(text) > 0 ? typed(text) : undefined);

/** A field read by a parser; the sentence when it cannot. */
export const reading =
  <T>(
    where: string,
    says: string,
    parse: (text: string) => T | undefined,
    put: (draft: Draft, value: T) => Draft,
  ) =>
  (text: string, draft: Draft): Result<Draft> => {
    const value = parse(text);
    const sentence = `${where[0].toUpperCase()}${where.slice(1)}: ${says}.`;
    return value === undefined ? failure(where, sentence) : success(put(draft, value));
  };

export const choosing =
  (put: (draft: Draft, value: string) => Draft) =>
  (text: string, draft: Draft): Result<Draft> =>
    success(put(draft, text));

export const wholes = (text: string) => {
  const values = numbersIn(text);
  return values.length > 0 && values.every((v) => Number.isInteger(v) && v > 0) ? values : undefined;
};
export const rising = (text: string) => {
  const values = numbersIn(text);
  return values.length > 0 && values.every((v) => v > 0)
    ? [...new Set(values)].sort((a, b) => a - b)
    : undefined;
};
