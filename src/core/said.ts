/** A text of several parts, with a space between them; parts that are empty are left out. */
export const said = (...parts: readonly string[]): string => parts.filter((part) => part !== '').join(' ');
