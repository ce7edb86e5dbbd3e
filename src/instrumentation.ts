/**
 * When the server starts: TRACE is refused, the helper looked for once, and what servers before this one left is
 * cleared away.
 */
export const register = async (): Promise<void> => {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { refuseTrace } = await import('#server/refuseTrace.ts');
  refuseTrace();
  const { prepareHelper } = await import('#server/clips/keep.ts');
  prepareHelper();
};
