type Fields = Readonly<Record<string, unknown>>;

const isFields = (value: unknown): value is Fields =>
  typeof value === 'object' && value !== null && Object.getPrototypeOf(value) === Object.prototype;

const idOf = (value: unknown): unknown => (isFields(value) ? value.id : undefined);

/** The entry of a list that another one has become: by its id, else by its place while the list keeps its length. */
const counterpart = (list: readonly unknown[], entry: unknown, place: number, length: number): unknown => {
  const id = idOf(entry);
  if (id !== undefined) return list.find((one) => idOf(one) === id);
  return list.length === length ? list[place] : undefined;
};

/**
 * `next` with all fields of `stored` that this version does not know: those that `known`, the stored record as
 * its schema reads it, has lost. A newer version may have written them.
 */
export const withUnknown = (stored: unknown, known: unknown, next: unknown): unknown => {
  if (Array.isArray(stored) && Array.isArray(known) && Array.isArray(next))
    return next.map((entry: unknown, i) => {
      const was = counterpart(known, entry, i, next.length);
      return was === undefined ? entry : withUnknown(stored[known.indexOf(was)], was, entry);
    });
  if (!isFields(stored) || !isFields(known) || !isFields(next)) return next;
  const kept = Object.entries(stored).filter(
    ([field]) => !Object.hasOwn(known, field) && !Object.hasOwn(next, field),
  );
  const inner = Object.entries(next).map(([field, value]) => [
    field,
    withUnknown(stored[field], known[field], value),
  ]);
  return { ...Object.fromEntries(kept), ...Object.fromEntries(inner) };
};
