/** When the server starts: looks for the helper once, and clears away what servers before this one left. */
export const register = async (): Promise<void> => {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { prepareHelper } = await import('#server/clips/keep.ts');
  prepareHelper();
};
