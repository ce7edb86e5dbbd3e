type Named = { readonly name: string };

/** A name nobody among some has: `own log`, `own log 2`, … */
export const freeNameAmong = (others: Iterable<Named>, wanted: string): string => {
  const names = new Set([...others].map(({ name }) => name));
  for (let n = 1; ; n += 1) {
    const ending = n === 1 ? '' : ` ${n}`;
    const name = `${wanted.slice(0, 80 - ending.length)}${ending}`;
    if (!names.has(name)) return name;
  }
};

/** A name nobody in a table has. */
export const freeName = (table: ReadonlyMap<string, Named>, wanted: string): string =>
  freeNameAmong(table.values(), wanted);
