/**
 * The entry of a table under a name that comes from outside; undefined for what every object has besides
 * (`constructor`, `__proto__`).
 */
export const ownEntry = <T>(table: Readonly<Record<string, T>>, name: string): T | undefined =>
  Object.hasOwn(table, name) ? table[name] : undefined;
