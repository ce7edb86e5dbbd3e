import * as z from 'zod/mini';

// The small form of the schemas: what a record is checked by is on every first screen.

export const finite = z.number();
/** A number within two limits, both taken in. */
export const between = (min: number, max: number) => finite.check(z.minimum(min), z.maximum(max));
export const atLeast = (min: number) => finite.check(z.minimum(min));
/** A number over 0. */
export const positive = finite.check(z.positive());
export const positiveTo = (max: number) => positive.check(z.maximum(max));
/** A whole number within two limits, both taken in. */
export const whole = (min: number, max: number) => z.int().check(z.minimum(min), z.maximum(max));
/** A whole number over 0. */
export const natural = z.int().check(z.positive());

/** A text of so many characters. */
export const text = (min: number, max: number) => z.string().check(z.minLength(min), z.maxLength(max));
/** A name: not empty, no blanks around it. */
export const named = (max: number) => z.string().check(z.trim(), z.minLength(1), z.maxLength(max));
/** A list of so many entries. */
export const listOf = <T extends z.core.$ZodType>(entry: T, min: number, max: number) =>
  z.array(entry).check(z.minLength(min), z.maxLength(max));

/** Ids are short slugs or generated; they stand in URLs. */
export const idSchema = text(1, 80).check(z.regex(/^[A-Za-z0-9:_-]+$/));
export const nameSchema = named(80);
export const stopsSchema = between(-20, 20);
/** Whether no number in a value is NaN or endless. */
const isFiniteThroughout = (value: unknown): boolean => {
  if (typeof value === 'number') return Number.isFinite(value);
  return typeof value !== 'object' || value === null || Object.values(value).every(isFiniteThroughout);
};

/**
 * A part of a record that one screen alone reads: that screen checks it by its own schema as it opens it, and takes
 * what it cannot read for not there. So no schema stands on the first screen that nothing there needs.
 */
export const checkedLater = <T>() =>
  z.optional(z.unknown().check(z.refine(isFiniteThroughout))) as z.ZodMiniOptional<z.ZodMiniType<T>>;
/** A record of the demo: never counted as the user's own. */
export const demoSchema = z.optional(z.literal(true));
