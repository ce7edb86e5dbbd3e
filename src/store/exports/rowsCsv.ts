import Papa from 'papaparse';

/** A column: its heading with the unit, and what stands under it. */
export type CsvColumn<T> = { readonly name: string; readonly of: (row: T) => string | number };

// The library's own pattern misses text with a line break, what comes behind blanks (breaks, no-break and
// zero-width spaces), and the full-width signs that some spreadsheets take for the plain ones.
const FORMULA = /^(?:[\t\r]|[\s\u200b\u2060]*[=+\-@\uff1d\uff0b\uff0d\uff20])/;

/**
 * Rows as CSV (RFC 4180): comma, CRLF, quotes doubled, a heading with units, decimal points, UTF-8.
 * Text that a spreadsheet would run as a formula is led by an apostrophe.
 */
export const rowsCsv = <T>(columns: readonly CsvColumn<T>[], rows: readonly T[]): string =>
  `${Papa.unparse(
    { fields: columns.map(({ name }) => name), data: rows.map((row) => columns.map(({ of }) => of(row))) },
    { newline: '\r\n', escapeFormulae: FORMULA },
  )}\r\n`;

/** A number with so many decimals at most; nothing where there is none. */
export const decimals = (value: number | undefined, digits: number): number | '' =>
  value === undefined ? '' : Number(value.toFixed(digits));

/** A share, 0..1, in %; nothing where there is none. */
export const percent = (share: number | undefined): number | '' =>
  share === undefined ? '' : decimals(100 * share, 3);
