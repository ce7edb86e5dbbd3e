/** From so many on they are searched by name, and only the first of them stand there. */
export const MANY_PROFILES = 24;

/** The profiles a kit of many shows for some letters: the one in use always, then those that fit. */
export const shownProfiles = <P extends { readonly id: string; readonly name: string }>(
  all: readonly P[],
  inUse: string,
  letters: string,
): { readonly shown: readonly P[]; readonly more: number } => {
  if (all.length <= MANY_PROFILES) return { shown: all, more: 0 };
  const part = letters.trim().toLowerCase();
  const fits = all.filter(({ id, name }) => id === inUse || name.toLowerCase().includes(part));
  const first = fits.filter(({ id }, i) => i < MANY_PROFILES || id === inUse);
  return { shown: first, more: fits.length - first.length };
};
