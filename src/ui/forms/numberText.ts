import * as z from 'zod/mini';
import { parseNumber } from '#core/units.ts';

/** A rule for a number and the words for it: `Loss: type the stops it costs, 0 to 10.` */
export type NumberRule = {
  /** What the number may be: mostly a field of the store's own schema. */
  readonly schema: z.ZodMiniType<number>;
  /** What to type, as the sentence that is shown when it is anything else; without its full stop. */
  readonly says: string;
};

/** The number of a text under a rule; undefined when it breaks it. */
export const readNumber = (text: string, { schema }: NumberRule): number | undefined => {
  const read = schema.safeParse(parseNumber(text));
  return read.success ? read.data : undefined;
};

/** What a text is turned into, or the sentence that says what to type instead. */
export const parsedText = <T>(parse: (text: string) => T | undefined, says: string) =>
  z.pipe(
    z.string(),
    z.transform((text, context): T => {
      const value = parse(text);
      if (value !== undefined) return value;
      context.issues.push({ code: 'custom', message: `${says}.`, input: text });
      return z.NEVER;
    }),
  );

/** A typed number as part of a form: decimal comma, true minus and thirds are read. */
export const numberText = (schema: NumberRule['schema'], says: string) =>
  parsedText((text) => readNumber(text, { schema, says }), says);

/** A number as it stands in a field: a true minus, no digits nobody typed. */
export const printNumber = (value: number): string =>
  `${Number(value.toPrecision(12))}`.replace('-', '\u2212');
